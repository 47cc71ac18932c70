import type { CheckRow } from '@/core/handover'
import { fixed, unitMark } from '@/core/units'
import { say } from '@/words/screens/hand-over'

/** Measured and held values side by side, in the machine's own unit. */
export function CheckTable({
  rows,
  decimals,
  heldName,
}: {
  readonly rows: readonly CheckRow[]
  readonly decimals: number
  readonly heldName: string
}) {
  return (
    <table className="table max-w-[676px]">
      <thead>
        <tr>
          <th scope="col">{say.register}</th>
          <th scope="col" className="text-right">
            {say.measured}
          </th>
          <th scope="col" className="text-right">
            {heldName}
          </th>
          <th scope="col" className="w-11" />
          <th scope="col" />
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={`${row.t}-${row.register}`} className="h-[46px]">
            <th scope="row" className="text-[19px] font-semibold">
              T{row.t} {row.register}
            </th>
            <td className="num pl-2 text-right text-[23px] font-semibold">{fixed(row.measured, decimals)}</td>
            <td className={`num pl-3 text-right text-[23px] font-semibold ${row.same ? '' : 'text-off'}`}>
              {row.held === null ? '–' : fixed(row.held, decimals)}
            </td>
            <td className="text-soft pl-2">{unitMark(row.unit)}</td>
            <td className={`font-head text-lg font-bold whitespace-nowrap ${row.same ? 'text-holds' : 'text-off'}`}>
              {row.same ? say.same : say.differs}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
