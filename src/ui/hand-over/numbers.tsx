import { pocketText } from '@/words/pocket'
import type { Handover } from '@/core/handover'
import { type Machine } from '@/core/tool'
import { fixed, mmToUnit, unitMark } from '@/core/units'
import { voidText } from '@/words/hand-over'
import { formatWhen } from '../format/due'
import { say } from '@/words/screens/hand-over'

/** Every number this holder ever had: what it froze, who released it, and why it stopped being current. */
export function Numbers({
  handovers,
  people,
  machines,
}: {
  readonly handovers: readonly Handover[]
  readonly people: Readonly<Record<string, string>>
  readonly machines: Readonly<Record<string, Machine>>
}) {
  if (!handovers.length) return null
  return (
    <details>
      <summary className="fold text-ink">
        {handovers.length === 1 ? say.oneHandOverSoFar : `${handovers.length} hand-overs so far`}
      </summary>
      <ul>
        {handovers.map(({ id, values, personId, releasedAt, voidedAt, voidReason, measurementId }) => {
          const machine = machines[values.machine]
          const sized = (mm: number) => `${fixed(mmToUnit(mm, values.unit), machine?.decimals ?? 3)} ${unitMark(values.unit)}`
          return (
            <li key={id} className="border-rule grid grid-cols-[44px_1fr] gap-x-3 border-b py-2">
              <b className="font-head figures text-[22px] leading-none">{values.issue}</b>
              <span className="leading-snug">
                <span className={`font-head text-lg font-bold ${voidedAt ? 'text-soft' : 'text-holds'}`}>
                  {voidedAt ? say.outOfDate : say.current}
                </span>{' '}
                <span className="figures font-semibold">
                  {say.lRadius(
                    sized(values.lengthMm),
                    sized(values.radiusMm),
                    values.cornerRadiusMm === null ? '' : `, R ${sized(values.cornerRadiusMm)}`,
                    values.wear ? say.wearLengthMm(sized(values.wear.lengthMm)) : '',
                  )}
                </span>
                <br />
                <span className="text-soft">
                  {say.tForFromMeasurement(
                    values.t,
                    machine?.name ?? values.machine,
                    values.pocket === null ? '' : `, ${pocketText(values.pocket)}`,
                    people[personId] ?? personId,
                    formatWhen(releasedAt),
                    measurementId,
                    voidedAt ? ` · ${voidText(voidReason)}, ${formatWhen(voidedAt)}` : '',
                  )}
                </span>
              </span>
            </li>
          )
        })}
      </ul>
    </details>
  )
}
