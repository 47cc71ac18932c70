/**
 * Grade, permissible unbalance and speed: ISO 21940-11:2016. Unbalance in g·mm, mass in kg, speed in rev/min, the grade G in mm/s.
 * For one residual unbalance of a rigid rotor the grade grows with the speed.
 */

/** 30000/π: g·mm for a grade of 1 mm/s, 1 kg and 1 rev/min. */
const GMM_PER_GRADE = 30000 / Math.PI

/** U = 1000·G·m/ω */
export const permittedGmm = (grade: number, massKg: number, rpm: number): number => (GMM_PER_GRADE * grade * massKg) / rpm

/** The grade that a residual unbalance is at a speed. */
export const gradeAt = (gmm: number, massKg: number, rpm: number): number => (gmm * rpm) / (GMM_PER_GRADE * massKg)

/** Up to which speed a residual unbalance keeps a grade; Infinity where there is none. */
export const speedAt = (gmm: number, massKg: number, grade: number): number =>
  gmm > 0 ? (GMM_PER_GRADE * grade * massKg) / gmm : Infinity

/** How far the mass centre is off the axis: g·mm over kg is µm. */
export const offsetUm = (gmm: number, massKg: number): number => gmm / massKg

/** The force that turns with the spindle, N: U·ω². */
export function forceN(gmm: number, rpm: number): number {
  const omega = (rpm * Math.PI) / 30
  return gmm * 1e-6 * omega * omega
}

/** What a share of one plane may be at least and at most (ISO 21940-11:2016, 7.3; from memory). */
const LEAST_SHARE = 0.3
const MOST_SHARE = 0.7

/**
 * What each of two planes may keep of the permitted unbalance: by the levers of the mass centre, held to 0.3 … 0.7 of it.
 * @param zMm the planes, along the axis
 * @param cgZMm the mass centre; null where it is not known: halves
 */
export function sharesOf(zMm: readonly number[], cgZMm: number | null): readonly number[] {
  if (zMm.length === 1) return [1]
  if (cgZMm === null) return [0.5, 0.5]
  const first = Math.min(MOST_SHARE, Math.max(LEAST_SHARE, (zMm[1] - cgZMm) / (zMm[1] - zMm[0])))
  return [first, 1 - first]
}

/**
 * The least grade that can be kept when a tool is put into the machine again: each time its seat is elsewhere by `seatUm`, which is
 * that much unbalance a kilogram (the idea of ISO 16084:2017: what re-clamping cannot repeat is not asked for).
 */
export const repeatableGrade = (seatUm: number, rpm: number): number => gradeAt(seatUm, 1, rpm)

/** Up to which speed a grade lies above what re-clamping repeats. */
export const repeatableSpeed = (seatUm: number, grade: number): number => speedAt(seatUm, 1, grade)
