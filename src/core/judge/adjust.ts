/** Setting a tool while it is watched: what is left to go, in the divisions of its screw. */
import type { SpecLimits } from '../features'

export interface ToGo {
  /** Target minus value, mm: what is still to be added. */
  readonly mm: number
  /** The same in divisions of the screw or dial. */
  readonly divisions: number
  /** Inside the limits by as much as the value is uncertain. */
  readonly there: boolean
}

/** The value to aim at: the middle of the limits, or the largest where there is no least. */
export const targetOf = ({ min, max }: SpecLimits): number => (min === null ? max : (min + max) / 2)

/**
 * @param divisionMm what one division changes, mm, above 0
 * @param sigmaMm one standard deviation of the value
 */
export function toGo(valueMm: number, limits: SpecLimits, divisionMm: number, sigmaMm: number): ToGo {
  const mm = targetOf(limits) - valueMm
  const U = 2 * sigmaMm
  return {
    mm,
    divisions: mm / divisionMm,
    there: valueMm <= limits.max - U && (limits.min === null || valueMm >= limits.min + U),
  }
}
