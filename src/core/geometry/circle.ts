import { invert, solveLinear } from '../numeric'
import type { Point } from './point'

export interface Circle {
  readonly centre: Point
  readonly radius: number
}

export interface CircleFit extends Circle {
  /** Covariance of [centre.x, centre.z, radius], from the scatter of the points. */
  readonly covariance: readonly (readonly number[])[]
}

/**
 * Algebraic fit after Taubin (IEEE PAMI 13 (1991) 1115), nearly without bias, solved by Newton from below as in
 * Al-Sharadqah & Chernov, Electron. J. Stat. 3 (2009) 886: the start of the geometric fit.
 * @returns null with fewer than three points or points on one line
 */
export function fitCircleTaubin(points: readonly Point[], weights?: readonly number[]): Circle | null {
  let n = 0
  let mx = 0
  let mz = 0
  points.forEach((p, i) => {
    const w = weights?.[i] ?? 1
    n += w
    mx += w * p.x
    mz += w * p.z
  })
  if (points.length < 3 || !(n > 0)) return null
  mx /= n
  mz /= n
  let xx = 0
  let zz = 0
  let xz = 0
  let xr = 0
  let zr = 0
  let rr = 0
  points.forEach((p, i) => {
    const w = (weights?.[i] ?? 1) / n
    const x = p.x - mx
    const z = p.z - mz
    const r = x * x + z * z
    xx += w * x * x
    zz += w * z * z
    xz += w * x * z
    xr += w * x * r
    zr += w * z * r
    rr += w * r * r
  })
  const m = xx + zz
  const cov = xx * zz - xz * xz
  const varR = rr - m * m
  const a3 = 4 * m
  const a2 = -3 * m * m - rr
  const a1 = varR * m + 4 * cov * m - xr * xr - zr * zr
  const a0 = xr * (xr * zz - zr * xz) + zr * (zr * xx - xr * xz) - varR * cov
  let eta = 0
  let value = a0
  for (let step = 0; step < 100; step++) {
    const slope = a1 + eta * (2 * a2 + 3 * a3 * eta)
    const next = eta - value / slope
    if (next === eta || !Number.isFinite(next)) break
    const nextValue = a0 + next * (a1 + next * (a2 + next * a3))
    if (Math.abs(nextValue) >= Math.abs(value)) break
    eta = next
    value = nextValue
  }
  const det = eta * eta - eta * m + cov
  if (!(Math.abs(det) > 1e-14 * m * m)) return null
  const cx = (xr * (zz - eta) - zr * xz) / (2 * det)
  const cz = (zr * (xx - eta) - xr * xz) / (2 * det)
  return { centre: { x: cx + mx, z: cz + mz }, radius: Math.sqrt(cx * cx + cz * cz + m) }
}

/**
 * Geometric fit: least sum of squared distances to the circle, by Gauss and Newton from Taubin's circle.
 * Centre and radius of a short arc depend on each other almost wholly (correlation −0.995 at 90°): use the covariance.
 * @returns null when there is no circle to be had
 */
export function fitCircle(points: readonly Point[], weights?: readonly number[]): CircleFit | null {
  const start = fitCircleTaubin(points, weights)
  if (!start) return null
  let { x, z } = start.centre
  let r = start.radius
  let squares = 0
  let normal: number[][] = []
  for (let step = 0; step < 50; step++) {
    normal = [
      [0, 0, 0],
      [0, 0, 0],
      [0, 0, 0],
    ]
    const right = [0, 0, 0]
    squares = 0
    points.forEach((p, i) => {
      const w = weights?.[i] ?? 1
      const d = Math.hypot(p.x - x, p.z - z)
      if (d === 0) return
      const row = [-(p.x - x) / d, -(p.z - z) / d, -1]
      const e = d - r
      squares += w * e * e
      for (let a = 0; a < 3; a++) {
        right[a] -= w * row[a] * e
        for (let b = 0; b < 3; b++) normal[a][b] += w * row[a] * row[b]
      }
    })
    const delta = solveLinear(normal, right)
    if (!delta) return null
    x += delta[0]
    z += delta[1]
    r += delta[2]
    if (Math.hypot(...delta) < 1e-12 * (1 + Math.abs(r))) break
  }
  const inverse = invert(normal)
  if (!inverse) return null
  const total = weights ? weights.reduce((a, b) => a + b, 0) : points.length
  const variance = squares / Math.max(1e-9, total - 3)
  return { centre: { x, z }, radius: Math.abs(r), covariance: inverse.map((row) => row.map((c) => c * variance)) }
}
