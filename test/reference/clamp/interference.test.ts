/**
 * Two ways that do not share the formula under test: the closed form for one material and a solid shank, and Lamé's
 * equations of both bodies solved as a 3×3 system by a separate library (ml-matrix). Printed figures: E 210/580 GPa,
 * ν 0.30/0.22, µ 0.12, computed by both ways outside this project.
 */
import { Matrix, solve } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import {
  coneSlipTorqueNm,
  contactPressure,
  MATERIALS,
  sleeveStress,
  slipForceN,
  slipTorqueNm,
  smoothedInterference,
  type Fit,
  type Material,
} from '@/core/clamp'

const steel = { ...MATERIALS['hot-work steel'], E: 210e3, nu: 0.3 }
const carbide: Material = { ...MATERIALS.carbide, E: 580e3, nu: 0.22 }
const fit = (d: number, D: number, shank: Material = carbide): Fit => ({ d, D, shankBore: 0, sleeve: steel, shank })

/** Unknowns A, B of the sleeve (σr = A − B/r²) and the pressure; shank solid: σr = −p throughout. */
function lame(f: Fit, delta: number): number {
  const a = f.d / 2
  const b = f.D / 2
  const u = (E: number, nu: number, r: number) => [((1 - nu) * r) / E, (1 + nu) / (E * r)]
  const [uA, uB] = u(f.sleeve.E, f.sleeve.nu, a)
  const system = new Matrix([
    [1, -1 / b ** 2, 0],
    [1, -1 / a ** 2, 1],
    [uA, uB, ((1 - f.shank.nu) * a) / f.shank.E],
  ])
  return solve(system, Matrix.columnVector([0, 0, delta / 2])).get(2, 0)
}

describe('interference fit', () => {
  it.each([
    [10, 24, 40, 10, 104.865, 148.93, 220.89, 15.813, 79.07],
    [10, 24, 40, 15, 157.297, 223.39, 331.33, 23.72, 118.6],
    [10, 24, 40, 20, 209.729, 297.85, 441.78, 31.626, 158.13],
    [10, 24, 40, 25, 262.162, 372.31, 552.22, 39.533, 197.67],
    [20, 33, 50, 10, 38.272, 82.71, 107.1, 14.428, 144.28],
    [20, 33, 50, 15, 57.408, 124.06, 160.66, 21.642, 216.42],
    [20, 33, 50, 20, 76.544, 165.42, 214.21, 28.856, 288.56],
    [20, 33, 50, 25, 95.68, 206.77, 267.76, 36.071, 360.71],
  ])('d %d, D %d, L %d, δ %d µm', (d, D, L, um, p, hoop, mises, kN, Nm) => {
    const pressure = contactPressure(fit(d, D), um / 1000)
    expect(pressure).toBeCloseTo(p, 3)
    expect(pressure).toBeCloseTo(lame(fit(d, D), um / 1000), 6)
    const stress = sleeveStress(fit(d, D), pressure)
    expect(stress.hoopAtBore).toBeCloseTo(hoop, 2)
    expect(stress.vonMisesAtBore).toBeCloseTo(mises, 2)
    expect(slipForceN(pressure, d, L, 0.12) / 1000).toBeCloseTo(kN, 3)
    expect(slipTorqueNm(pressure, d, L, 0.12)).toBeCloseTo(Nm, 2)
  })
  it('is E·δ·(1 − d²/D²)/(2d) for one material and a solid shank', () => {
    const one = { ...steel, E: 207e3, nu: 0.292 }
    expect(contactPressure({ d: 20, D: 40, shankBore: 0, sleeve: one, shank: one }, 0.02)).toBeCloseTo(
      (207e3 * 0.02 * (1 - 0.25)) / 40,
      9,
    )
  })
  it('hoop stress at the outside, radial at the bore, torque at other friction', () => {
    const p = contactPressure(fit(10, 24), 0.01)
    expect(sleeveStress(fit(10, 24), p).hoopAtOutside).toBeCloseTo(44.06, 2)
    expect(sleeveStress(fit(10, 24), p).radialAtBore).toBeCloseTo(-104.865, 3)
    expect(slipTorqueNm(p, 10, 40, 0.08)).toBeCloseTo(52.71, 2)
    expect(slipTorqueNm(p, 10, 40, 0.15)).toBeCloseTo(98.83, 2)
    expect(sleeveStress(fit(20, 33), contactPressure(fit(20, 33), 0.025)).hoopAtOutside).toBeCloseTo(111.09, 2)
  })
  it('with an HSS shank', () => {
    expect(slipTorqueNm(contactPressure(fit(10, 24, { ...MATERIALS.HSS, E: 220e3, nu: 0.3 }), 0.015), 10, 40, 0.12)).toBeCloseTo(
      99.44,
      2,
    )
    const hss = { ...MATERIALS.HSS, E: 220e3, nu: 0.3 }
    expect(contactPressure(fit(10, 24, hss), 0.015)).toBeCloseTo(131.89, 2)
    expect(contactPressure(fit(20, 33, hss), 0.02)).toBeCloseTo(67.108, 3)
  })
  it('loses most of its grip at the low end of h6', () => {
    const torque = (um: number) => slipTorqueNm(contactPressure(fit(10, 24), um / 1000), 10, 40, 0.12)
    expect(torque(6)).toBeCloseTo(47.44, 2)
    expect(torque(19)).toBeCloseTo(150.23, 2)
  })
  it('on a nose that widens, and with smoothed roughness', () => {
    expect(coneSlipTorqueNm(fit(10, 24), 0.015, 40, 0.12, (4.5 * Math.PI) / 180)).toBeCloseTo(124.93, 1)
    expect(contactPressure(fit(10, 24), smoothedInterference(0.015, 0.001, 0.001))).toBeCloseTo(140.519, 2)
    const smooth = contactPressure(fit(10, 24), smoothedInterference(0.015, 0.001, 0.001))
    expect(slipTorqueNm(smooth, 10, 40, 0.12)).toBeCloseTo(105.95, 2)
  })
  it('grips nothing without interference, and in proportion to it', () => {
    expect(contactPressure(fit(10, 24), -0.01)).toBe(0)
    expect(contactPressure(fit(10, 24), 0.02)).toBeCloseTo(2 * contactPressure(fit(10, 24), 0.01), 9)
  })
})
