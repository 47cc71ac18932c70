import type { Cause } from '@/core/causes'
import type { LengthUnit } from '@/core/units'
import { causeText, percent } from '@/words/causes'

/** So many are shown, and only those that are worth a line. */
const [SHOWN, LEAST] = [5, 0.02]

/** Causes with how likely each is, the most likely first. */
export const CauseList = ({ causes, unit }: { readonly causes: readonly Cause[]; readonly unit: LengthUnit }) => (
  <ul className="my-2">
    {causes
      .filter(({ p }, i) => i === 0 || p >= LEAST)
      .slice(0, SHOWN)
      .map((cause) => (
        <li
          key={`${cause.code} ${cause.edge ?? ''}`}
          className="grid grid-cols-[88px_minmax(0,1fr)] items-baseline gap-3 py-1 text-lg"
        >
          <b className="figures text-right">{percent(cause.p)}</b>
          <span>
            {causeText(cause, unit)}
            <span aria-hidden="true" className="bg-rule mt-0.5 block h-1">
              <span className="bg-act block h-1" style={{ width: `${Math.round(100 * cause.p)}%` }} />
            </span>
          </span>
        </li>
      ))}
  </ul>
)
