import type { DayView, Learned, PlanView } from '@/stations/plan/contract'
import { format } from 'date-fns'
import { say } from '@/words/screens/plan'

/** The same for a spreadsheet. */
export function planCsv(view: DayView, plan: PlanView) {
  const at = (min: number) => format(Date.parse(view.now) + min * 60_000, 'yyyy-MM-dd HH:mm')
  const { from, to, step, tool, job } = say.columns
  return {
    columns: [from, to, step, 'T', tool, job],
    rows: [...plan.blocks]
      .sort((a, b) => a.fromMin - b.fromMin)
      .map((b) => [
        at(b.fromMin),
        at(b.toMin),
        say.kinds[b.kind],
        view.names[b.tool]?.t ?? '',
        view.names[b.tool]?.name ?? '',
        b.job,
      ]),
  }
}

/** The plan as a list, for whoever works by it on paper or does not see the drawing. */
export function PlanTable({ view, plan }: { readonly view: DayView; readonly plan: PlanView }) {
  const at = (min: number) => format(Date.parse(view.now) + min * 60_000, 'HH:mm')
  const blocks = [...plan.blocks].sort((a, b) => a.fromMin - b.fromMin)
  return (
    <details>
      <summary className="fold text-ink">{say.planTable}</summary>
      <table className="table text-lg">
        <thead>
          <tr>
            <th>{say.columns.from}</th>
            <th>{say.columns.to}</th>
            <th>{say.columns.step}</th>
            <th>{say.columns.tool}</th>
            <th>{say.columns.job}</th>
          </tr>
        </thead>
        <tbody>
          {blocks.map((b) => (
            <tr key={`${b.tool} ${b.kind}`}>
              <td className="figures">{at(b.fromMin)}</td>
              <td className="figures">{at(b.toMin)}</td>
              <td>{say.kinds[b.kind]}</td>
              <td>
                <b>T{view.names[b.tool]?.t}</b> {view.names[b.tool]?.name}
              </td>
              <td>{b.job}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  )
}

/** What each kind of work takes here, and whether that is the shop's own. */
export function Minutes({ learned }: { readonly learned: readonly Learned[] }) {
  return (
    <details className="mt-3">
      <summary className="fold text-ink">{say.learned}</summary>
      <table className="table">
        <tbody>
          {learned.map(({ kind, minutes, spread, of }) => (
            <tr key={kind}>
              <td>{say.kinds[kind]}</td>
              <td className="figures text-right">{say.minutes(minutes)} min</td>
              <td className="text-soft">
                {spread
                  ? `${say.spread(say.minutes(spread.from), say.minutes(spread.to))}, ${say.learnedFrom(of)}`
                  : say.startValue}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-soft">{say.shopValues}</p>
    </details>
  )
}
