'use client'
import Link from '../common/link'
import type { LearnedView } from '@/stations/records/contract'
import { say } from '@/words/screens/months'
import { say as planned } from '@/words/screens/plan'
import { nominal, small } from '@/words/size'
import { SmallActions } from '../common/actions'
import { CsvAction } from '../common/csv-action'
import { PrintButton } from '../common/print-button'
import { Sheet, Title } from '../common/sheet'
import { RECORDS_TABS, SubNav } from '../common/sub-nav'
import { formatWhen } from '../format/due'
import { DriftChart } from '../measure/drift-chart'
import { useUnit } from '../shell/shell-context'

/** What the shop's own record has taught: how long things take, how far a stop is off, how the bench drifts. */
export function LearnedStation({ view, adapter }: { readonly view: LearnedView; readonly adapter: string | null }) {
  const { minutes, stops, checks } = view
  const adapters = [...new Set(checks.map((check) => check.adapter))]
  const chosen = adapter !== null && adapters.includes(adapter) ? adapter : (adapters.at(-1) ?? null)
  const drawn = checks.filter((check) => check.adapter === chosen)
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={RECORDS_TABS} label={say.learned} />
          <Title lead={say.learned}>{say.learnedAbout}</Title>
          <h2 className="text-2xl font-bold">{say.driftOf}</h2>
          {adapters.length > 1 && (
            <p className="flex flex-wrap gap-x-5 text-lg">
              {adapters.map((one) => (
                <Link
                  key={one}
                  href={`/records/learned?adapter=${encodeURIComponent(one)}`}
                  aria-current={one === chosen ? 'true' : undefined}
                  className={`flex min-h-11 items-center ${one === chosen ? 'font-bold' : 'text-act underline'}`}
                >
                  {one}
                </Link>
              ))}
            </p>
          )}
          {drawn.length === 0 ? <p className="text-soft text-lg">{say.noChecks}</p> : <DriftChart checks={drawn} />}
          <Stops stops={stops} />
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.minutesByStep}</h2>
          <table className="table text-lg">
            <tbody>
              {minutes.map(({ kind, minutes: middle, spread, of }) => (
                <tr key={kind}>
                  <th className="text-left font-semibold">{planned.kinds[kind]}</th>
                  <td className="figures text-right whitespace-nowrap">{say.minutes(middle)}</td>
                  <td className="text-soft text-base">
                    {spread ? say.middleHalf(planned.minutes(spread.from), planned.minutes(spread.to), of) : say.startValueOf(of)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="text-soft">{say.fromTen}</p>
          <div className="mt-auto pt-3">
            <SmallActions>
              <CsvAction
                columns={[say.step, say.stopColumns.minutes, say.fromColumn, say.toColumn, say.stopColumns.count]}
                rows={minutes.map(({ kind, minutes: middle, spread, of }) => [
                  planned.kinds[kind],
                  middle.toFixed(1),
                  spread?.from.toFixed(1) ?? '',
                  spread?.to.toFixed(1) ?? '',
                  of,
                ])}
              />
              <PrintButton />
            </SmallActions>
          </div>
        </>
      }
    />
  )
}

function Stops({ stops }: Pick<LearnedView, 'stops'>) {
  const unit = useUnit()
  const { columns } = say.stopsLearned
  return (
    <section className="mt-4">
      <h2 className="text-2xl font-bold">{say.stopsLearned.title}</h2>
      {stops.length === 0 ? (
        <p className="text-soft text-lg">{say.stopsLearned.none}</p>
      ) : (
        <table className="table max-w-[820px] text-lg">
          <thead>
            <tr>
              <th>{columns.holder}</th>
              <th className="text-right">{columns.shank}</th>
              <th className="text-right">{columns.shrinks}</th>
              <th className="text-right">{columns.spread}</th>
              <th className="text-right">{columns.count}</th>
              <th>{columns.last}</th>
            </tr>
          </thead>
          <tbody>
            {stops.map(({ holder, name, shankMm, shrinksMm, spreadMm, count, last }) => (
              <tr key={`${holder} ${shankMm}`}>
                <td className="max-w-[260px] truncate" title={name}>
                  {name}
                </td>
                <td className="figures text-right whitespace-nowrap">Ø{nominal(shankMm, unit)}</td>
                <td className="figures text-right">{small(shrinksMm, unit)}</td>
                <td className="figures text-right">{spreadMm === null ? '–' : small(spreadMm, unit)}</td>
                <td className="figures text-right">{count}</td>
                <td className="text-soft text-base whitespace-nowrap">{formatWhen(last)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  )
}
