/**
 * Interference fit of a thick sleeve on a shank (Lamé). Formula as in Budynas & Nisbett, Shigley's Mechanical
 * Engineering Design, ch. 3, press and shrink fits; interference here is on diameter.
 */
import type { Material } from './material'

export interface Fit {
  /** Fit diameter, mm. */
  readonly d: number
  /** Outer diameter of the sleeve, mm, above d. */
  readonly D: number
  /** Bore of the shank (coolant), mm; 0 for a solid one. */
  readonly shankBore: number
  readonly sleeve: Material
  readonly shank: Material
}

/** N/mm² for an interference on diameter in mm; negative interference gives no pressure. */
export function contactPressure(fit: Fit, interferenceMm: number): number {
  const { d, D, shankBore: b, sleeve, shank } = fit
  const outer = ((D * D + d * d) / (D * D - d * d) + sleeve.nu) / sleeve.E
  const inner = ((d * d + b * b) / (d * d - b * b) - shank.nu) / shank.E
  return Math.max(0, interferenceMm) / (d * (outer + inner))
}

/** Stresses in the sleeve, N/mm². */
export function sleeveStress(fit: Fit, pressure: number) {
  const { d, D } = fit
  const hoop = (pressure * (D * D + d * d)) / (D * D - d * d)
  return {
    hoopAtBore: hoop,
    radialAtBore: -pressure,
    hoopAtOutside: (2 * pressure * d * d) / (D * D - d * d),
    /** Plane stress. */
    vonMisesAtBore: Math.sqrt(hoop * hoop + hoop * pressure + pressure * pressure),
  }
}

/** Axial force at which the shank slips, N. */
export const slipForceN = (pressure: number, d: number, lengthMm: number, mu: number): number =>
  mu * pressure * Math.PI * d * lengthMm

/** Torque at which the shank slips, N·m. */
export const slipTorqueNm = (pressure: number, d: number, lengthMm: number, mu: number): number =>
  (mu * pressure * Math.PI * d * d * lengthMm) / 2 / 1000

/** Intervals of Simpson's rule: the torque of a cone is smooth, ten leave nothing in the sixth digit. */
const INTERVALS = 10

/** A nose that widens from its mouth: the torque summed over slices with their own outer diameter, N·m. */
export function coneSlipTorqueNm(fit: Fit, interferenceMm: number, lengthMm: number, mu: number, halfAngleRad: number): number {
  const step = lengthMm / INTERVALS
  let sum = 0
  for (let i = 0; i <= INTERVALS; i++) {
    const D = fit.D + 2 * Math.tan(halfAngleRad) * step * i
    const weight = i === 0 || i === INTERVALS ? 1 : i % 2 ? 4 : 2
    sum += weight * slipTorqueNm(contactPressure({ ...fit, D }, interferenceMm), fit.d, 1, mu)
  }
  return (sum * step) / 3
}

/** DIN 7190 idea: peaks are smoothed by 0.8 of the two roughness depths (mm). */
export const smoothedInterference = (interferenceMm: number, rzSleeveMm: number, rzShankMm: number): number =>
  interferenceMm - 0.8 * (rzSleeveMm + rzShankMm)

/**
 * How much of the interference (on diameter) is lost at speed: the bore of a turning ring grows, the shank hardly does.
 * Ring and disc of plane stress (Timoshenko & Goodier, Theory of Elasticity, rotating discs; from memory).
 * @param speedRadS angular speed
 * @returns growth of bore and shank on diameter and the loss, mm
 */
export function centrifugalLoss(fit: Fit, speedRadS: number) {
  const { d, D, shankBore, sleeve, shank } = fit
  const boreGrowthMm = ringBoreGrowthMm(d / 2, D / 2, sleeve, speedRadS)
  const b = shankBore / 2
  const a = d / 2
  // outer surface of a disc with a hole of radius b: ρω²a/(4E)·[(1−ν)a² + (3+ν)b²], in radius
  const factor = (shank.rho * 1e-3 * speedRadS ** 2) / (4 * shank.E)
  const shankGrowthMm = 2 * factor * a * ((1 - shank.nu) * a * a + (3 + shank.nu) * b * b)
  return { boreGrowthMm, shankGrowthMm, lossMm: boreGrowthMm - shankGrowthMm }
}

/** Inner surface of a ring, on diameter: ρω²r/(4E)·[(1−ν)r² + (3+ν)R²], twice; ρ in kg/mm³ gives N/mm² after a factor of 10⁻³. */
const ringBoreGrowthMm = (r: number, R: number, m: Material, speedRadS: number): number =>
  ((2 * m.rho * 1e-3 * speedRadS ** 2 * r) / (4 * m.E)) * ((1 - m.nu) * r * r + (3 + m.nu) * R * R)
