import { Sheet } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { ImportPanel } from '@/ui/library/import-panel'
import { importCsvAction, importFileAction, previewCsvAction } from '../actions'
import { say } from '@/words/screens/library'
import { signedIn } from '../../_server/context'

export const metadata = { title: say.importWord }

const ACT = { preview: previewCsvAction, csv: importCsvAction, file: importFileAction }

export default async function ImportPage() {
  await signedIn()
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label={say.sheetsOfTheLibrary} heading />
            <p className="text-soft">{say.anImportNeverChangesWhat}</p>
            <ImportPanel act={ACT} />
          </>
        }
      />
    </>
  )
}
