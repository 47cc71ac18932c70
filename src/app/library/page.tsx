import Link from 'next/link'
import { Sheet } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { PartsTable } from '@/ui/library/parts-table'

export const metadata = { title: 'Library' }

export default function PartsPage() {
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label="Sheets of the library" heading />
            <PartsTable />
            <div className="flex flex-wrap gap-x-5">
              <Link className="text-act font-head flex min-h-11 items-center text-lg font-semibold" href="/library/parts/new">
                Add a part
              </Link>
              <a className="text-act font-head flex min-h-11 items-center text-lg font-semibold" href="/api/library/parts.csv">
                All parts as CSV
              </a>
              <a className="text-act font-head flex min-h-11 items-center text-lg font-semibold" href="/api/library/library.json">
                Parts and tools as JSON
              </a>
            </div>
          </>
        }
      />
    </>
  )
}
