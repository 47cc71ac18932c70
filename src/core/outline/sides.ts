/** The straight sides of an outline: the lines that whatever shape is looked for starts from. */
import { fitLine, type Line, type Point } from '../geometry'
import { median, solveLinear } from '../numeric'
import type { OutlinePoint } from './view'

/** A straight side of the outline; its normal points out of the tool. */
export interface Side extends Line {
  /** Of the outward normal, from +X towards +Z, radians. */
  readonly angle: number
  /** Outline points on it. */
  readonly count: number
  /** Ends along the side, mm, counted along the direction that has the tool on its right hand. */
  readonly from: number
  readonly to: number
  /** Standard deviation of the angle, radians, and of the offset at its middle, mm. */
  readonly sigmaAngle: number
  readonly sigmaOffset: number
}

/** Points on each window that proposes a line. */
const WINDOWS = [14, 30, 64, 128]
const LEAST_COUNT = 10
/** About how many points are counted on each line proposed. */
const LOOKED_AT = 110
/** Normals of an outline's points are known to about this, radians. */
const NORMAL_SPREAD = 0.3

/** How near a point must lie to be on a line: sure of noise, and still less than the sagitta of a long arc. */
export const nearLine = (points: readonly OutlinePoint[], pixel: number): number =>
  Math.max(0.35 * pixel, 3.2 * median(points.filter((_, i) => i % 5 === 0).map((p) => p.sigmaMm)))

/**
 * The longest straight side whose outward normal lies between two angles; chips leave gaps in it and do not turn it.
 * @param points in order along the outline
 * @returns null when nothing there is straight
 */
export function longestSide(
  points: readonly OutlinePoint[],
  fromAngle: number,
  toAngle: number,
  pixel: number,
  near = nearLine(points, pixel),
): Side | null {
  const some: OutlinePoint[] = []
  for (const p of points) {
    const angle = Math.atan2(p.nz, p.nx)
    if (angle >= fromAngle - NORMAL_SPREAD && angle <= toAngle + NORMAL_SPREAD) some.push(p)
  }
  const n = some.length
  if (n < LEAST_COUNT) return null
  const sums = runningSums(some)
  const skip = Math.ceil(n / LOOKED_AT)
  let most = 0
  let best: { nx: number; nz: number; offset: number } | null = null
  for (const size of WINDOWS) {
    if (size > n) break
    for (let start = 0; start + size <= n; start += Math.max(4, size >> 1)) {
      const line = lineOf(sums, start, start + size)
      const middle = some[start + (size >> 1)]
      if (!line) continue
      const outward = line.nx * middle.nx + line.nz * middle.nz > 0 ? 1 : -1
      const nx = line.nx * outward
      const nz = line.nz * outward
      const offset = line.offset * outward
      const angle = Math.atan2(nz, nx)
      if (angle < fromAngle || angle > toAngle || line.scatter > near) continue
      let count = 0
      for (let k = 0; k < n; k += skip) {
        const d = nx * some[k].x + nz * some[k].z - offset
        if (d < near && d > -near) count++
      }
      if (count * skip > most) {
        most = count * skip
        best = { nx, nz, offset }
      }
    }
  }
  return best && settle(some, best, near, fromAngle, toAngle)
}

/** An arc whose points all lie within `near` of a line bends by twice that; a side bends by less than this share of it. */
const MOST_BEND = 0.9

/** Draws the line through the points near it, again and again; refuses an arc. */
function settle(
  points: readonly OutlinePoint[],
  start: { nx: number; nz: number; offset: number },
  near: number,
  fromAngle: number,
  toAngle: number,
): Side | null {
  let { nx, nz, offset } = start
  let on: OutlinePoint[] = []
  let fit: ReturnType<typeof fitLine> = null
  for (let turn = 0; turn < 3; turn++) {
    on = points.filter((p) => Math.abs(nx * p.x + nz * p.z - offset) < near && nx * p.nx + nz * p.nz > 0.8)
    fit = on.length >= LEAST_COUNT ? fitLine(on) : null
    if (!fit) return null
    const outward = fit.line.normal.x * nx + fit.line.normal.z * nz > 0 ? 1 : -1
    nx = fit.line.normal.x * outward
    nz = fit.line.normal.z * outward
    offset = fit.line.offset * outward
  }
  if (!fit) return null
  const angle = Math.atan2(nz, nx)
  const along = on.map((p) => nz * p.x - nx * p.z)
  const from = Math.min(...along)
  const to = Math.max(...along)
  const out = on.map((p) => nx * p.x + nz * p.z - offset)
  if (angle < fromAngle || angle > toAngle || bend(along, out, (from + to) / 2) * (to - from) ** 2 > 8 * MOST_BEND * near)
    return null
  return {
    normal: { x: nx, z: nz },
    offset,
    angle,
    count: on.length,
    from,
    to,
    sigmaAngle: fit.sigmaAngle,
    sigmaOffset: fit.sigmaOffset,
  }
}

/** Size of the curvature of `out` over `along`, 1/mm: that of the parabola with the least squares. */
function bend(along: readonly number[], out: readonly number[], middle: number): number {
  const power = [0, 0, 0, 0, 0]
  const right = [0, 0, 0]
  for (let i = 0; i < along.length; i++) {
    const a = along[i] - middle
    let term = 1
    for (let k = 0; k < 5; k++, term *= a) {
      power[k] += term
      if (k < 3) right[k] += term * out[i]
    }
  }
  const fit = solveLinear([power.slice(0, 3), power.slice(1, 4), power.slice(2, 5)], right)
  return fit ? Math.abs(2 * fit[2]) : 0
}

type Sums = readonly Float64Array[]

function runningSums(points: readonly OutlinePoint[]): Sums {
  const sums = Array.from({ length: 5 }, () => new Float64Array(points.length + 1))
  points.forEach(({ x, z }, i) => {
    const terms = [x, z, x * x, x * z, z * z]
    for (let k = 0; k < 5; k++) sums[k][i + 1] = sums[k][i] + terms[k]
  })
  return sums
}

/** The line through the points from ≤ i < to, and how far they scatter about it. */
function lineOf([sx, sz, sxx, sxz, szz]: Sums, from: number, to: number) {
  const n = to - from
  const x = (sx[to] - sx[from]) / n
  const z = (sz[to] - sz[from]) / n
  const xx = (sxx[to] - sxx[from]) / n - x * x
  const xz = (sxz[to] - sxz[from]) / n - x * z
  const zz = (szz[to] - szz[from]) / n - z * z
  if (!(xx + zz > 0)) return null
  const angle = 0.5 * Math.atan2(2 * xz, xx - zz)
  const nx = -Math.sin(angle)
  const nz = Math.cos(angle)
  const least = (xx + zz) / 2 - Math.hypot((xx - zz) / 2, xz)
  return { nx, nz, offset: nx * x + nz * z, scatter: Math.sqrt(Math.max(0, least)) }
}

/** One standard deviation of a side's offset at a place beside or beyond its middle, mm. */
export function sideOffsetSigma({ normal, from, to, sigmaAngle, sigmaOffset }: Side, at: Point): number {
  const along = normal.z * at.x - normal.x * at.z
  return Math.hypot(1.5 * sigmaOffset, 1.5 * sigmaAngle * (along - (from + to) / 2))
}
