import { Sheet } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { ImportPanel } from '@/ui/library/import-panel'
import { importCsvAction, importFileAction, previewCsvAction } from '../actions'

export const metadata = { title: 'Import' }

const ACT = { preview: previewCsvAction, csv: importCsvAction, file: importFileAction }

export default function ImportPage() {
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label="Sheets of the library" heading />
            <p className="text-soft">
              An import never changes what is in the library. A list is imported completely or not at all. Lengths must have a
              unit.
            </p>
            <ImportPanel act={ACT} />
          </>
        }
      />
    </>
  )
}
