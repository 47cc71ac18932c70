/** Heating, cooling and shrink-back of a shrink-fit nose. Lengths mm, temperatures °C, times s. */
import type { Material } from './material'

/** Clearance wanted for pushing a shank in, by its diameter, mm: straight between these. Assumed; to be tried on the unit. */
const CLEARANCES: readonly (readonly [number, number])[] = [
  [3, 0.006],
  [6, 0.008],
  [10, 0.01],
  [12, 0.01],
  [20, 0.015],
  [32, 0.02],
]

/** @param d shank diameter, mm; outside of the table its nearest value counts */
export function slidingClearanceMm(d: number): number {
  const above = CLEARANCES.findIndex(([at]) => at >= d)
  if (above < 0) return CLEARANCES[CLEARANCES.length - 1][1]
  if (above === 0) return CLEARANCES[0][1]
  const [[d0, c0], [d1, c1]] = [CLEARANCES[above - 1], CLEARANCES[above]]
  return c0 + ((c1 - c0) * (d - d0)) / (d1 - d0)
}

/** Temperature rise for an insertion with the shank at room temperature. */
export const insertionRiseK = (interferenceMm: number, clearanceMm: number, d: number, sleeve: Material): number =>
  (interferenceMm + clearanceMm) / (sleeve.alpha * d)

/**
 * Temperature rise for a removal when the shank has warmed to the share `warmed` of the sleeve's rise.
 * @returns Infinity when the shank grows as fast as the sleeve: it is locked
 */
export function removalRiseK(
  interferenceMm: number,
  clearanceMm: number,
  d: number,
  sleeve: Material,
  shank: Material,
  warmed: number,
): number {
  const gain = sleeve.alpha - warmed * shank.alpha
  return gain > 0 ? (interferenceMm + clearanceMm) / (d * gain) : Infinity
}

/** The largest share of the rise that the shank may take so that it still comes out below a limit (0…1). */
export function greatestWarmedShare(
  interferenceMm: number,
  clearanceMm: number,
  d: number,
  sleeve: Material,
  shank: Material,
  riseLimitK: number,
): number {
  const share = (sleeve.alpha - (interferenceMm + clearanceMm) / (d * riseLimitK)) / shank.alpha
  return Math.min(1, Math.max(0, share))
}

export interface Nose {
  /** Fit diameter, outer diameter and heated length of a hollow cylinder. */
  readonly d: number
  readonly D: number
  readonly heatedMm: number
  readonly sleeve: Material
}

export const noseMassKg = ({ d, D, heatedMm, sleeve }: Nose): number => (sleeve.rho * Math.PI * (D * D - d * d) * heatedMm) / 4

/** Induction heating at a power in W of which the share `efficiency` reaches the nose. */
export const heatingTimeS = (nose: Nose, riseK: number, powerW: number, efficiency: number): number =>
  (noseMassKg(nose) * nose.sleeve.c * riseK) / (efficiency * powerW)

/** Slowest mode of heat through the wall, 4s²/(π²a): the least time for which the bore follows the skin. */
export function wallTimeS({ d, D, sleeve }: Nose): number {
  const wall = (D - d) / 2
  const diffusivityMm2PerS = (sleeve.k / (sleeve.rho * 1e9 * sleeve.c)) * 1e6
  return (4 * wall * wall) / (Math.PI * Math.PI * diffusivityMm2PerS)
}

export interface Cooling {
  /** Heat transfer at the outside of the nose, W/(m²·K). */
  readonly h: number
  readonly ambientC: number
}

/** Time constant of the nose as one lump, s. */
export function lumpedTauS(nose: Nose, cooling: Cooling, shankHeatJPerK = 0): number {
  const areaM2 = Math.PI * nose.D * nose.heatedMm * 1e-6
  return (noseMassKg(nose) * nose.sleeve.c + shankHeatJPerK) / (cooling.h * areaM2)
}

export const biot = (nose: Nose, cooling: Cooling): number => (cooling.h * ((nose.D - nose.d) / 2) * 1e-3) / nose.sleeve.k

/**
 * The lump cools 5–22 % too fast for contact cooling, because the wall has to carry the heat out. A factor
 * 1 + 0.45·Bi brings it to within 3 % of a radial finite-volume solution for Bi up to 0.7, on the long side.
 */
export const coolingTauS = (nose: Nose, cooling: Cooling, shankHeatJPerK = 0): number =>
  lumpedTauS(nose, cooling, shankHeatJPerK) * (1 + 0.45 * biot(nose, cooling))

/** @returns seconds from `fromC` down to `toC`; Infinity when it never gets there */
export function coolingTimeS(tauS: number, fromC: number, toC: number, ambientC: number): number {
  if (fromC <= toC) return 0
  return toC > ambientC ? tauS * Math.log((fromC - ambientC) / (toC - ambientC)) : Infinity
}

export const temperatureAt = (tauS: number, fromC: number, ambientC: number, seconds: number): number =>
  ambientC + (fromC - ambientC) * Math.exp(-Math.max(0, seconds) / tauS)

/** Upper bound of how much the tool shortens as the nose cools, mm. */
export const shrinkBackMm = (heatedMm: number, riseK: number, sleeve: Material): number => heatedMm * sleeve.alpha * riseK

/** Depth to which an induced current heats, mm: √(ρe/(π f µ0 µr)). @param resistivityOhmM Ω·m */
export const skinDepthMm = (frequencyHz: number, resistivityOhmM: number, relativePermeability: number): number =>
  1000 * Math.sqrt(resistivityOhmM / (Math.PI * frequencyHz * 4e-7 * Math.PI * relativePermeability))

/** Heat transfer that is needed to cool from one temperature to another in a time, W/(m²·K). */
export function neededTransfer(nose: Nose, fromC: number, toC: number, ambientC: number, seconds: number): number {
  const tauS = seconds / Math.log((fromC - ambientC) / (toC - ambientC))
  return lumpedTauS(nose, { h: 1, ambientC }) / tauS
}
