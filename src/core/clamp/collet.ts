/**
 * Collets with an 8° cone, ISO 15488 (DIN 6499 form B). Sizes, lengths and ranges from memory: data to be edited, not the
 * standard's limits. A collet only closes: the number on it is its largest size.
 */

/** Half angle of the cone. */
export const COLLET_ANGLE_RAD = (8 * Math.PI) / 180

/** Length of a collet of each size, mm, where its own record does not say. */
export const COLLET_LENGTH_MM: Readonly<Record<number, number>> = {
  8: 13.6,
  11: 18,
  16: 27.5,
  20: 31.5,
  25: 34,
  32: 40,
  40: 46,
  50: 60,
}

/** How far a double-slotted collet closes when its record does not say: 1 mm, 0.5 mm for sizes of 3 mm and less. Common practice. */
export const closesByMm = (largestMm: number): number => (largestMm <= 3 ? 0.5 : 1)

/** Axial way of the collet for a closing on diameter: c / (2 tan 8°). The cutter is drawn in with it. */
export const axialTravelMm = (closingMm: number): number => closingMm / (2 * Math.tan(COLLET_ANGLE_RAD))

/** Radial over axial force; friction on the cone eats most of it. @param mu friction on the cone, 0 for none */
export const forceAmplification = (mu: number): number => 1 / Math.tan(COLLET_ANGLE_RAD + Math.atan(mu))

/** Whether the cone holds itself once it is tight. */
export const isSelfLocking = (mu: number): boolean => Math.atan(mu) > COLLET_ANGLE_RAD

/** Tightening torque of each size's nut, N·m: from memory, to be edited. */
export const COLLET_RATED_NM: Readonly<Record<number, number>> = {
  8: 6,
  11: 24,
  16: 40,
  20: 80,
  25: 104,
  32: 136,
  40: 176,
  50: 240,
}

/**
 * Torque that a collet passes on when its nut is tightened with another torque than the rated one: it follows the force on
 * the cone, and so the torque of the nut.
 */
export const heldTorqueNm = (ratedHoldsNm: number, ratedNutNm: number, nutNm: number): number =>
  ratedHoldsNm * Math.min(1, nutNm / ratedNutNm)

/** How far tightening draws the cutter in: (size − shank) / (2 tan 8°). */
export const drawInMm = (sizeMm: number, shankMm: number): number => axialTravelMm(Math.max(0, sizeMm - shankMm))

/** Least depth of the shank: two thirds of the collet's length. Common practice. */
export const leastInsertionMm = (colletLengthMm: number): number => (2 / 3) * colletLengthMm
