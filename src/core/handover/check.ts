import { fixed, mmToUnit, type LengthUnit } from '../units'

/** What a check block looks at: how far a tool has changed since its offset was written. Lengths mm. */
export interface CheckWanted {
  readonly t: number
  readonly feature: 'length' | 'X' | 'Z'
  /** On either side (common practice, no source: 0.1 mm for an insert). */
  readonly allowedMm: number
  /** Where the setter's surface stands along the axis, in the coordinates of the program. */
  readonly setterMm: number
  /** From where it is approached. */
  readonly clearMm: number
  /** mm/min. */
  readonly feedMm: number
  /** Number of the branch in the program. */
  readonly label: number
}

export type CheckFault =
  /** The approach begins where the setter is, or nearer than is allowed to change. */
  { readonly code: 'NO_APPROACH' }

const AXIS = { length: ['Z', 5063], X: ['X', 5061], Z: ['Z', 5063] } as const

/** What the template sees: numbers as text, in the machine's unit. */
export interface CheckContext {
  readonly t: number
  readonly feature: string
  readonly axis: 'X' | 'Z'
  readonly parameter: number
  readonly label: number
  readonly allowed: string
  readonly setter: string
  readonly clear: string
  readonly beyond: string
  readonly feed: string
}

/** How far past the setter it feels for it, as a share of the approach. */
const BEYOND_SHARE = 0.5

/** @errors an approach that is none */
export function checkContext(
  { t, feature, allowedMm, setterMm, clearMm, feedMm, label }: CheckWanted,
  { unit, decimals }: { readonly unit: LengthUnit; readonly decimals: number },
): CheckContext | CheckFault {
  const way = setterMm - clearMm
  if (Math.abs(way) <= 2 * allowedMm) return { code: 'NO_APPROACH' }
  const text = (mm: number) => fixed(mmToUnit(mm, unit), decimals)
  const [axis, parameter] = AXIS[feature]
  return {
    ...{ t, feature: feature.toUpperCase(), axis, parameter, label, allowed: text(allowedMm), setter: text(setterMm) },
    ...{
      clear: text(clearMm),
      beyond: text(setterMm + BEYOND_SHARE * way),
      feed: fixed(mmToUnit(feedMm, unit), unit === 'mm' ? 0 : 2),
    },
  }
}
