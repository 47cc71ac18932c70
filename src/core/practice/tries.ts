/** Small sums behind what people try out for themselves. Lengths mm. */
import { MATERIALS } from '../clamp'

/** How far a tip moves sideways when a chip lies under one side of the face. @param faceMm diameter of the face */
export const chipShiftMm = (chipMm: number, faceMm: number, lengthMm: number): number => (chipMm / faceMm) * lengthMm

/** A nose warms by so much in a second, up to so much, K; and a shank in it takes up the heat within about so many seconds (all assumed). */
const [RISE_K_PER_S, MOST_K, SOAK_S] = [45, 320, 12]

/** How much wider a bore is than the shank in it, against the cold fit, after so many seconds of heat, mm. */
export function clearanceGainedMm(seconds: number, diameterMm: number, shank: 'carbide' | 'HSS'): number {
  const nose = Math.min(MOST_K, RISE_K_PER_S * seconds)
  // the shank follows the nose, later and later less far behind
  const shankK = nose * (1 - Math.exp(-seconds / SOAK_S))
  return diameterMm * (MATERIALS['hot-work steel'].alpha * nose - MATERIALS[shank].alpha * shankK)
}

/** The second at which the bore is widest against the shank: whole seconds up to a minute. */
export const widestAfterS = (diameterMm: number, shank: 'carbide' | 'HSS'): number =>
  Array.from({ length: 61 }, (_, s) => s).reduce((best, s) =>
    clearanceGainedMm(s, diameterMm, shank) > clearanceGainedMm(best, diameterMm, shank) ? s : best,
  )

/** What the radii of two opposite edges differ by when the tool is off centre. @param phaseRad from the first edge to the high side */
export const twoEdgesDifferMm = (eMm: number, phaseRad: number): number => Math.abs(2 * eMm * Math.cos(phaseRad))

/** Unbalance that something brings along, g·mm. */
export const broughtGmm = (massG: number, radiusMm: number): number => massG * radiusMm
