import Link from '@/ui/common/link'
import type { BookedMove } from '@/stations/reads'
import { formatWhen } from '@/ui/format/due'
import { PutRight } from '@/ui/library/stock-forms'
import { putRightAction } from '../library/actions'
import { say } from '@/words/screens/shell'

/** The latest bookings, each of which can be put right once. */
export function MovesTable({
  moves,
  names,
}: {
  readonly moves: readonly BookedMove[]
  readonly names?: ReadonlyMap<string, string>
}) {
  if (moves.length === 0) return <p className="text-soft py-1">{say.noEntriesYet}</p>
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={say.stockEntries}>
      <table className="table">
        <thead>
          <tr>
            <th scope="col">{say.when}</th>
            <th scope="col">{say.what}</th>
            {names && <th scope="col">{say.part}</th>}
            <th scope="col">{say.pieces}</th>
            <th scope="col">{say.where}</th>
            <th scope="col">{say.who}</th>
            <th scope="col">
              <span className="sr-only">{say.undo}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {moves.map((m) => (
            <tr
              key={m.id}
              className={`border-rule h-[46px] border-b [&>td]:pr-3 ${m.counteredBy !== null || m.counters !== null ? 'text-soft' : ''}`}
            >
              <td className="figures whitespace-nowrap">{formatWhen(m.at)}</td>
              <td className="font-head text-[18px] font-semibold">
                {m.counters === null ? m.name : say.undoesEntry(m.counters)}
              </td>
              {names && (
                <td>
                  <Link
                    className="text-act flex min-h-11 items-center"
                    href={`/library/parts/${encodeURIComponent(m.component)}`}
                  >
                    {names.get(m.component) ?? m.component}
                  </Link>
                </td>
              )}
              <td className="num text-[19px] font-semibold">{m.count}</td>
              <td>
                {[m.fromPlace, m.toPlace].filter(Boolean).join(' → ') || '–'}
                {m.job ? ` · ${m.job}` : ''}
                {m.serial ? ` · ${m.serial}` : ''}
              </td>
              <td>{m.who}</td>
              <td>
                {m.counteredBy !== null ? (
                  <span className="text-[15px]">{say.undoneBy(m.counteredBy)}</span>
                ) : m.counters === null && m.from !== 'built' && m.to !== 'built' ? (
                  <PutRight id={m.id} undo={putRightAction} />
                ) : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
