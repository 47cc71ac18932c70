/** Limits of size of shanks, ISO 286-2:2010, in µm. Formula values do not govern, the table does. */
import { fail, ok, type Limits, type Result } from '../units'
import type { SHANK_CLASSES } from './property'

export type ShankClass = (typeof SHANK_CLASSES)[number]

/** Ranges are "over a, up to and including b"; [upper, lower] deviation each. */
const TABLE: readonly {
  readonly over: number
  readonly upTo: number
  readonly dev: Readonly<Record<ShankClass, readonly [number, number]>>
}[] = [
  { over: 0, upTo: 3, dev: { h5: [0, -4], h6: [0, -6], h7: [0, -10], g6: [-2, -8], n6: [10, 4] } },
  { over: 3, upTo: 6, dev: { h5: [0, -5], h6: [0, -8], h7: [0, -12], g6: [-4, -12], n6: [16, 8] } },
  { over: 6, upTo: 10, dev: { h5: [0, -6], h6: [0, -9], h7: [0, -15], g6: [-5, -14], n6: [19, 10] } },
  { over: 10, upTo: 18, dev: { h5: [0, -8], h6: [0, -11], h7: [0, -18], g6: [-6, -17], n6: [23, 12] } },
  { over: 18, upTo: 30, dev: { h5: [0, -9], h6: [0, -13], h7: [0, -21], g6: [-7, -20], n6: [28, 15] } },
  { over: 30, upTo: 50, dev: { h5: [0, -11], h6: [0, -16], h7: [0, -25], g6: [-9, -25], n6: [33, 17] } },
]

/** @param nominalMm 0 < d ≤ 50 */
export function shankLimits(
  nominalMm: number,
  shankClass: ShankClass,
): Result<Limits, { code: 'SIZE_NOT_IN_TABLE'; nominalMm: number }> {
  const row = TABLE.find(({ over, upTo }) => nominalMm > over && nominalMm <= upTo)
  if (!row) return fail({ code: 'SIZE_NOT_IN_TABLE', nominalMm })
  const [upper, lower] = row.dev[shankClass]
  return ok({ min: nominalMm + lower / 1000, max: nominalMm + upper / 1000 })
}
