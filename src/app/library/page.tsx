import Link, { FileLink } from '@/ui/common/link'
import { Sheet } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { PartsTable } from '@/ui/library/parts-table'
import { say } from '@/words/screens/library'
import { signedIn } from '../_server/context'

export const metadata = { title: say.library }

export default async function PartsPage() {
  await signedIn()
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label={say.sheetsOfTheLibrary} heading />
            <PartsTable />
            <div className="flex flex-wrap gap-x-5">
              <Link className="row-link text-lg" href="/library/parts/new">
                {say.addAPart}
              </Link>
              <FileLink className="row-link text-lg" href="/api/library/parts.csv">
                {say.allPartsAsCsv}
              </FileLink>
              <FileLink className="row-link text-lg" href="/api/library/library.json">
                {say.partsAndToolsAsJson}
              </FileLink>
            </div>
          </>
        }
      />
    </>
  )
}
