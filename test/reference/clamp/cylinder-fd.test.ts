/**
 * The thick-walled cylinder as its differential equation in plane stress, u″ + u′/r − u/r² = −(1 − ν²)ρω²r/E, solved by
 * finite differences on a grid (Timoshenko & Goodier, Theory of Elasticity, equilibrium in polar coordinates; written
 * here, shares nothing with the closed forms under test).
 */
import { describe, expect, it } from 'vitest'
import { centrifugalLoss, contactPressure, MATERIALS, sleeveStress, type Fit, type Material } from '@/core/clamp'

const steel: Material = { ...MATERIALS['hot-work steel'], E: 210e3, nu: 0.3, rho: 7.8e-6 }
const carbide: Material = { ...MATERIALS.carbide, E: 580e3, nu: 0.22, rho: 14.45e-6 }
const fit = (d: number, D: number): Fit => ({ d, D, shankBore: 0, sleeve: steel, shank: carbide })

interface Ring {
  readonly inner: number
  readonly outer: number
  readonly m: Material
  readonly omega: number
  /** Pressure on the inner and the outer surface; at the axis the inner one is left out. */
  readonly pInner: number
  readonly pOuter: number
}

/** Displacement and stresses on n points from the inside out. */
function solveRing({ inner, outer, m, omega, pInner, pOuter }: Ring, n = 4000) {
  const h = (outer - inner) / (n - 1)
  const r = Array.from({ length: n }, (_, i) => inner + i * h)
  const c = m.E / (1 - m.nu * m.nu)
  const body = (i: number) => (-(1 - m.nu * m.nu) * m.rho * 1e-3 * omega * omega * r[i]) / m.E
  // rows of a tridiagonal system; the surfaces by second-order one-sided derivatives folded into their neighbours
  const [a, b, d, f] = [new Float64Array(n), new Float64Array(n), new Float64Array(n), new Float64Array(n)]
  for (let i = 1; i < n - 1; i++) {
    a[i] = 1 / (h * h) - 1 / (2 * h * r[i])
    b[i] = -2 / (h * h) - 1 / (r[i] * r[i])
    d[i] = 1 / (h * h) + 1 / (2 * h * r[i])
    f[i] = body(i)
  }
  const surface = (i: number, out: 1 | -1, p: number) => {
    // ghost point beyond the surface from σr = c(u′ + νu/r) = −p, put into the equation at the surface
    const [near, far] = out === 1 ? ([d, a] as const) : ([a, d] as const)
    const toInside = 1 / (h * h) - out * (1 / (2 * h * r[i]))
    const toGhost = 1 / (h * h) + out * (1 / (2 * h * r[i]))
    const slope = (-m.nu / r[i]) * 2 * h * out
    far[i] = toInside + toGhost
    near[i] = 0
    b[i] = -2 / (h * h) - 1 / (r[i] * r[i]) + toGhost * slope
    f[i] = body(i) - toGhost * out * 2 * h * (-p / c)
  }
  if (inner === 0) {
    b[0] = 1
    d[0] = 0
    f[0] = 0
  } else surface(0, -1, pInner)
  surface(n - 1, 1, pOuter)
  for (let i = 1; i < n; i++) {
    const w = a[i] / b[i - 1]
    b[i] -= w * d[i - 1]
    f[i] -= w * f[i - 1]
  }
  const u = new Float64Array(n)
  u[n - 1] = f[n - 1] / b[n - 1]
  for (let i = n - 2; i >= 0; i--) u[i] = (f[i] - d[i] * u[i + 1]) / b[i]
  const slopeAtInner = (-3 * u[0] + 4 * u[1] - u[2]) / (2 * h)
  return { uInner: u[0], uOuter: u[n - 1], hoopInner: c * (u[0] / Math.max(inner, 1e-12) + m.nu * slopeAtInner) }
}

describe('interference of a sleeve against finite differences', () => {
  it.each([
    [10, 24, 0.015],
    [20, 33, 0.025],
    [6, 20, 0.012],
  ])('d %d, D %d, δ %d mm', (d, D, delta) => {
    const p = contactPressure(fit(d, D), delta)
    const sleeve = solveRing({ inner: d / 2, outer: D / 2, m: steel, omega: 0, pInner: p, pOuter: 0 })
    const shank = solveRing({ inner: 0, outer: d / 2, m: carbide, omega: 0, pInner: 0, pOuter: p })
    // what the bore opens and the shank gives way is the interference
    expect((2 * (sleeve.uInner - shank.uOuter)) / delta).toBeCloseTo(1, 4)
    expect(sleeve.hoopInner / sleeveStress(fit(d, D), p).hoopAtBore).toBeCloseTo(1, 3)
  })
})

describe('interference lost at speed', () => {
  it.each([
    [10, 24, 30000, 0.452, 0.012, 0.44],
    [20, 33, 20000, 0.789, 0.043, 0.746],
  ])('d %d, D %d at %d rev/min, µm on diameter', (d, D, rpm, bore, shank, loss) => {
    const omega = (rpm * Math.PI) / 30
    const ours = centrifugalLoss(fit(d, D), omega)
    expect(1000 * ours.boreGrowthMm).toBeCloseTo(bore, 3)
    expect(1000 * ours.shankGrowthMm).toBeCloseTo(shank, 3)
    expect(1000 * ours.lossMm).toBeCloseTo(loss, 3)
    const ring = solveRing({ inner: d / 2, outer: D / 2, m: steel, omega, pInner: 0, pOuter: 0 })
    const core = solveRing({ inner: 0, outer: d / 2, m: carbide, omega, pInner: 0, pOuter: 0 })
    expect((2 * ring.uInner) / ours.boreGrowthMm).toBeCloseTo(1, 3)
    expect((2 * core.uOuter) / ours.shankGrowthMm).toBeCloseTo(1, 3)
  })
})
