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
              Whatever is in the library already is never changed by an import. A list is taken in as a whole, or not at all:
              lengths must say their unit.
            </p>
            <ImportPanel act={ACT} />
          </>
        }
      />
    </>
  )
}
