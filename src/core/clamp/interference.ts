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

/** A nose that widens from its mouth: the torque of slices with their own outer diameter, N·m. */
export function coneSlipTorqueNm(
  fit: Fit,
  interferenceMm: number,
  lengthMm: number,
  mu: number,
  halfAngleRad: number,
  slices = 200,
): number {
  let torque = 0
  const slice = lengthMm / slices
  for (let i = 0; i < slices; i++) {
    const D = fit.D + 2 * Math.tan(halfAngleRad) * slice * (i + 0.5)
    torque += slipTorqueNm(contactPressure({ ...fit, D }, interferenceMm), fit.d, slice, mu)
  }
  return torque
}

/** DIN 7190 idea: peaks are smoothed by 0.8 of the two roughness depths (mm). */
export const smoothedInterference = (interferenceMm: number, rzSleeveMm: number, rzShankMm: number): number =>
  interferenceMm - 0.8 * (rzSleeveMm + rzShankMm)
