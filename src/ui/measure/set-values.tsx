import { FEATURE_NAMES } from '@/words/properties'
import { isAngle } from '@/core/judge'
import type { SetMeasurement } from '@/core/sets'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'
import { say } from '@/words/screens/measure'

/** What a set of pictures says, as a whole. */
export function SetValues({ set, unit }: { readonly set: SetMeasurement; readonly unit: LengthUnit }) {
  return (
    <dl data-testid="values">
      {set.measure.map((f) => {
        const value = set.summary[f]
        return (
          <div key={f} className="border-rule flex items-baseline justify-between border-b py-1.5">
            <dt className="font-semibold">
              {FEATURE_NAMES[f]} <small className="text-soft font-normal">{f}</small>
            </dt>
            <dd className="figures text-[32px] leading-none font-[650]">
              {value === null ? (
                <span className="text-soft text-xl">{say.notSeen}</span>
              ) : isAngle(f) ? (
                `${value.toFixed(2)}°`
              ) : (
                <>
                  {formatLength(value, unit)} <small className="text-soft text-[18px] font-medium">{unitMark(unit)}</small>
                </>
              )}
            </dd>
          </div>
        )
      })}
      <div className="text-soft py-1.5 text-lg">
        {set.edges.length === 1 ? say.oneEdge : say.edgeCountOf(set.edges.length)}
        {set.summary.radialRunout !== null && say.runoutIs(formatLength(set.summary.radialRunout, unit), unitMark(unit))}
      </div>
    </dl>
  )
}
