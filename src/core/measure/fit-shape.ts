/** Fits a shape to an outline so that chips do not pull it: Gauss and Newton with Tukey's weights, scale by scale. */
import { direction, fitCircle, fitLine, type Line, type Point } from '../geometry'
import { invert, robustSigma, seededRandom, solveLinear, tukeyWeight } from '../numeric'
import { gauge, parametersOf, shapeOf, slope, type Shape } from './shape'
import type { OutlinePoint } from './view'

export interface ShapeFit {
  readonly shape: Shape
  /** Covariance of the shape's parameters in the order of `parametersOf`. */
  readonly covariance: readonly (readonly number[])[]
  readonly weights: Float64Array
  /** FLANK, ARC or FACE of each point. */
  readonly parts: Uint8Array
  /** Signed distance of each point outside of the shape, mm. */
  readonly out: Float64Array
  /** Mean of min(1, (distance/half a pixel)²) over all points: how much of the outline the shape leaves unexplained. */
  readonly misfit: number
}

/** How far a face may stand off being tangent to the arc, as a share of the radius: a kink of 3° is 0.0014. */
const KINK_SHARE = 0.0015
const MOST_STEPS = 25

/**
 * @param points outline near the origin (mm from the middle of the picture), so that angles and offsets part well
 * @param start a shape within a few pixels of the answer
 * @param pixel size of a pixel, mm: sets the steps of the robust scale
 * @param blurMm blur of the picture, mm
 * @returns null when the fit has no answer (too few points, parallel sides)
 */
export function fitShape(points: readonly OutlinePoint[], start: Shape, pixel: number, blurMm: number): ShapeFit | null {
  const n = points.length
  const size = start.face ? 6 : 4
  const out = new Float64Array(n)
  const parts = new Uint8Array(n)
  const weights = new Float64Array(n)
  const row = new Array<number>(size).fill(0)
  let shape = start
  let scale = 2 * pixel
  let normal: number[][] = []
  for (let step = 0; step < MOST_STEPS; step++) {
    gauge(shape, points, blurMm, out, parts)
    if (step > 0) {
      const next = Math.max(0.04 * pixel, Math.min(scale * 0.6, 1.2 * robustSigma(out)))
      scale = step > 3 ? next : Math.max(0.7 * pixel, next)
    }
    normal = Array.from({ length: size }, () => new Array<number>(size).fill(0))
    const right = new Array<number>(size).fill(0)
    for (let i = 0; i < n; i++) {
      const sigma = points[i].sigmaMm
      const w = tukeyWeight(out[i], Math.max(scale, sigma)) / (sigma * sigma)
      weights[i] = w
      if (w > 0) add(normal, right, slope2(shape, points[i], parts[i], row), out[i], w)
    }
    if (shape.face) add(normal, right, ...tangency(shape))
    for (let k = 0; k < size; k++) normal[k][k] = normal[k][k] * (1 + 1e-9) + 1e-9 // a part without points stays where it is
    const move = solveLinear(normal, right)
    if (!move || !move.every(Number.isFinite)) return null
    const p = parametersOf(shape).map((x, k) => x + move[k])
    p[3] = Math.max(shape.face ? 0 : pixel, p[3])
    shape = shapeOf(p)
    if (step > 5 && Math.max(...move.map(Math.abs)) < 1e-5 * pixel) break
  }
  gauge(shape, points, blurMm, out, parts)
  const inverse = invert(normal)
  let count = 0
  let squares = 0
  let misfit = 0
  for (let i = 0; i < n; i++) {
    misfit += Math.min(1, (out[i] / (0.5 * pixel)) ** 2) / n
    if (weights[i] === 0) continue
    count++
    squares += weights[i] * out[i] * out[i]
  }
  if (!inverse || count < size + 3) return null
  // variance of unit weight, never below what the picture's noise alone gives
  const unit = Math.max(1, squares / (count - size))
  return { shape, covariance: inverse.map((r) => r.map((x) => x * unit)), weights, parts, out, misfit }
}

function slope2(shape: Shape, p: Point, part: number, row: number[]): number[] {
  slope(shape, p, part, row)
  return row
}

function add(normal: number[][], right: number[], row: readonly number[], out: number, w: number): void {
  for (let a = 0; a < row.length; a++) {
    if (row[a] === 0) continue
    right[a] -= w * row[a] * out
    for (let b = 0; b < row.length; b++) normal[a][b] += w * row[a] * row[b]
  }
}

/** The face as one more observation: tangent to the arc but for a small kink. */
function tangency(shape: Shape): [number[], number, number] {
  const face = shape.face!
  const e = direction(face.angle)
  const f = direction(shape.flankAngle)
  const reach = shape.flankOffset - shape.radius
  const c = { x: f.x * reach - f.z * shape.along, z: f.z * reach + f.x * shape.along }
  const row = [
    e.x * (-f.z * reach - f.x * shape.along) + e.z * (f.x * reach - f.z * shape.along),
    e.x * f.x + e.z * f.z,
    -e.x * f.z + e.z * f.x,
    1 - (e.x * f.x + e.z * f.z),
    -e.z * c.x + e.x * c.z,
    -1,
  ]
  const sigma = KINK_SHARE * shape.radius + 1e-6
  return [row, e.x * c.x + e.z * c.z + shape.radius - face.offset, 1 / (sigma * sigma)]
}

/** The longest straight run among points whose normals lie between two angles; null when there is none. */
export function straightest(
  points: readonly OutlinePoint[],
  from: number,
  to: number,
  pixel: number,
): (Line & { readonly angle: number; readonly count: number }) | null {
  const some = points.filter(({ nx, nz }) => {
    const angle = Math.atan2(nz, nx)
    return angle >= from && angle <= to
  })
  if (some.length < 8) return null
  const random = seededRandom(some.length)
  const near = 0.4 * pixel
  let most = 0
  let best = { nx: 0, nz: 0, offset: 0 }
  for (let trial = 0; trial < 60; trial++) {
    const a = some[Math.floor(random.uniform() * some.length)]
    const i = some.indexOf(a)
    const reach = Math.max(6, Math.floor(some.length / (2 + (trial % 4) * 2)))
    const b = some[Math.min(some.length - 1, Math.max(0, i + (random.uniform() < 0.5 ? -reach : reach)))]
    const length = Math.hypot(b.x - a.x, b.z - a.z)
    if (length < 4 * pixel) continue
    const nx = -(b.z - a.z) / length
    const nz = (b.x - a.x) / length
    const offset = nx * a.x + nz * a.z
    let count = 0
    for (let k = 0; k < some.length; k++) if (Math.abs(nx * some[k].x + nz * some[k].z - offset) < near) count++
    if (count > most) {
      most = count
      best = { nx, nz, offset }
    }
  }
  const inliers = some.filter((p) => Math.abs(best.nx * p.x + best.nz * p.z - best.offset) < near)
  const fit = inliers.length >= 8 ? fitLine(inliers) : null
  if (!fit) return null
  const outward = inliers.reduce((s, p) => s + p.nx * fit.line.normal.x + p.nz * fit.line.normal.z, 0) > 0 ? 1 : -1
  const normal = { x: fit.line.normal.x * outward, z: fit.line.normal.z * outward }
  return { normal, offset: fit.line.offset * outward, angle: Math.atan2(normal.z, normal.x), count: inliers.length }
}

interface Side {
  readonly angle: number
  readonly offset: number
}

/** A corner between two lines with the radius that the outline leaves room for, or null when they hardly meet. */
export function cornerStart(points: readonly Point[], flank: Side, face: Side): Shape | null {
  const opening = face.angle - flank.angle
  if (opening < 0.15 || opening > 2.6) return null
  const f = direction(flank.angle)
  const e = direction(face.angle)
  const det = f.x * e.z - f.z * e.x
  const tip = { x: (flank.offset * e.z - face.offset * f.z) / det, z: (f.x * face.offset - e.x * flank.offset) / det }
  const away = direction((flank.angle + face.angle) / 2)
  let gap = Infinity
  for (const p of points) {
    const dx = tip.x - p.x
    const dz = tip.z - p.z
    const along = dx * away.x + dz * away.z
    if (along > -1e-9 && Math.abs(dx * away.z - dz * away.x) < 0.6 * along + 1e-3) gap = Math.min(gap, Math.hypot(dx, dz))
  }
  // a tangent arc leaves r·(1/cos(opening/2) − 1) between itself and the sharp corner, and starts r·tan(opening/2) from it
  const radius = Number.isFinite(gap) ? gap / (1 / Math.cos(opening / 2) - 1) : 0
  const along = -f.z * tip.x + f.x * tip.z - radius * Math.tan(opening / 2)
  return { flankAngle: flank.angle, flankOffset: flank.offset, along, radius, face: { angle: face.angle, offset: face.offset } }
}

/** A ball through the points that look up and outwards; null when they are no arc. */
export function ballStart(points: readonly OutlinePoint[]): Shape | null {
  const arc = points.filter(({ nx, nz }) => {
    const angle = Math.atan2(nz, nx)
    return angle > 0.15 && angle < 2.2
  })
  const fit = arc.length >= 20 ? fitCircle(arc) : null
  return fit && { flankAngle: 0, flankOffset: fit.centre.x + fit.radius, along: fit.centre.z, radius: fit.radius, face: null }
}
