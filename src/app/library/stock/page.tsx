import Link from 'next/link'
import { onHand } from '@/core/plan'
import { readStock } from '@/stations/library/stock-sheet'
import { PrintButton } from '@/ui/common/print-button'
import { Sheet } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { MovesTable } from '../../_parts/moves-table'
import { context } from '../../_server/context'

export const metadata = { title: 'Stock' }

export default async function StockPage() {
  const house = await context()
  const { lines, low, moves } = readStock(house.db)
  const names = new Map(lines.map(({ part }) => [part.id, part.name]))
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label="Sheets of the library" heading />
            <h2 className="text-2xl font-bold">
              Low <span className="text-soft font-medium">below minimum stock</span>
            </h2>
            {low.length === 0 && <p className="text-holds font-semibold">● No part is low.</p>}
            <ul>
              {low.map(({ part, balance }) => (
                <li key={part.id} className="border-rule flex min-h-11 items-center gap-4 border-b">
                  <Link className="text-act font-semibold" href={`/library/parts/${encodeURIComponent(part.id)}`}>
                    {part.name}
                  </Link>
                  <span className="text-off figures ml-auto text-lg font-semibold">
                    ◆ {onHand(balance)} on hand, keep {part.leastStock}
                  </span>
                </li>
              ))}
            </ul>
            <h2 className="mt-1 text-2xl font-bold">Latest stock entries</h2>
            <MovesTable moves={moves} names={names} />
          </>
        }
        right={
          <>
            <h2 className="text-2xl font-bold" data-print="right">
              Count sheet
            </h2>
            <p className="text-soft">Stock by place. Print it, count, and enter the differences on each part’s page.</p>
            <ul className="min-h-0 flex-1 overflow-auto" tabIndex={0} aria-label="Count sheet">
              {lines
                .flatMap(({ part, places }) => places.map((p) => ({ part, ...p })))
                .sort((a, b) => ((a.place ?? '~') < (b.place ?? '~') ? -1 : 1))
                .map(({ part, place, count }) => (
                  <li
                    key={`${part.id}-${place}`}
                    className="border-rule grid grid-cols-[64px_1fr_36px] items-center gap-2 border-b py-1"
                  >
                    <span className="figures text-lg font-semibold">{place ?? '–'}</span>
                    <span className="leading-tight">{part.name}</span>
                    <span className="figures text-right text-lg">{count}</span>
                  </li>
                ))}
            </ul>
            <div className="mt-3 flex gap-2.5">
              <PrintButton />
              <a
                className="border-ink font-head flex h-11 items-center rounded-[3px] border-[1.5px] px-4 text-lg font-semibold"
                href="/api/library/stock.csv"
              >
                As CSV
              </a>
            </div>
          </>
        }
      />
    </>
  )
}
