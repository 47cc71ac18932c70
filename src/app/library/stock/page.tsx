import Link, { FileLink } from '@/ui/common/link'
import { onHand } from '@/core/plan'
import { readStock } from '@/stations/library/stock-sheet'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { CountUnit } from '@/ui/library/count-unit'
import { PrintButton } from '@/ui/common/print-button'
import { Sheet } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { MovesTable } from '../../_parts/moves-table'
import { signedIn } from '../../_server/context'
import { say } from '@/words/screens/library'

export const metadata = { title: say.stock }

export default async function StockPage({ searchParams }: { readonly searchParams: Promise<{ unit?: string | string[] }> }) {
  const { unit: asked } = await searchParams
  const shop = await signedIn()
  const { low, lowCount, moves, names, units, unit, counts, moreCounts } = readStock(
    shop.db,
    typeof asked === 'string' ? asked : null,
  )
  return (
    <>
      <KeepFresh />
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label={say.sheetsOfTheLibrary} heading />
            <h2 className="text-2xl font-bold">
              {say.low} <span className="text-soft font-medium">{say.belowMinimumStock}</span>
            </h2>
            {low.length === 0 && <p className="text-holds font-semibold">{say.noPartIsLow}</p>}
            <ul>
              {low.map(({ part, balance }) => (
                <li key={part.id} className="border-rule flex min-h-11 items-center gap-4 border-b">
                  <Link className="text-act font-semibold" href={`/library/parts/${encodeURIComponent(part.id)}`}>
                    {part.name}
                  </Link>
                  <span className="text-off figures ml-auto text-lg font-semibold">
                    {say.onHandKeep(onHand(balance))} {part.leastStock}
                  </span>
                </li>
              ))}
            </ul>
            {lowCount > low.length && <p className="text-soft">{say.andMoreTheTableHas(lowCount - low.length)}</p>}
            <h2 className="mt-1 text-2xl font-bold">{say.latestStockEntries}</h2>
            <MovesTable moves={moves} names={names} />
          </>
        }
        right={
          <>
            <h2 className="text-2xl font-bold" data-print="right">
              {say.countSheet}
            </h2>
            <p className="text-soft">{say.printItCountAndEnter}</p>
            <CountUnit unit={unit?.id ?? null} units={units.map(({ id, name }) => ({ id, name }))} />
            <ul className="min-h-0 flex-1 overflow-auto" tabIndex={0} aria-label={say.countSheet}>
              {counts.map(({ component, name, place, count }) => (
                <li
                  key={`${component}-${place}`}
                  className="border-rule grid grid-cols-[64px_1fr_36px] items-center gap-2 border-b py-1"
                >
                  <span className="figures text-lg font-semibold">{place ?? '–'}</span>
                  <span className="leading-tight">{name}</span>
                  <span className="figures text-right text-lg">{count}</span>
                </li>
              ))}
              {moreCounts > 0 && <li className="text-soft py-2">{say.andMoreTheCsvHas(moreCounts.toLocaleString('en'))}</li>}
              {counts.length === 0 && <li className="text-soft py-2">{say.nothingShouldLieThere}</li>}
            </ul>
            <div className="mt-3 flex gap-2.5">
              <PrintButton />
              <FileLink className="btn btn-outline" href="/api/library/stock.csv">
                {say.asCsv}
              </FileLink>
            </div>
          </>
        }
      />
    </>
  )
}
