/** Fits a shape to an outline so that chips do not pull it: Gauss and Newton with Tukey's weights, scale by scale. */
import { direction } from '../geometry'
import { invert, robustSigma, solveLinear, tukeyWeight } from '../numeric'
import { FLANK, gauge, inset, parametersOf, shapeOf, slopesOf, type Shape } from './shape'
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
const KINK_SHARE = 0.0025
const MOST_STEPS = 25
/** The first steps look at every so many points only: they need not be exact. */
const EARLY_STEPS = 4
const EARLY_STRIDE = 3

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
  const row = new Float64Array(size)
  const some = new Float64Array(Math.min(n, 200))
  const spread = () => {
    for (let k = 0; k < some.length; k++) some[k] = out[Math.floor((k * n) / some.length)]
    return robustSigma(some)
  }
  const normalSum = new Float64Array(size * size)
  const rightSum = new Float64Array(size)
  let shape = start
  let scale = 2 * pixel
  let normal: number[][] = []
  for (let step = 0; step < MOST_STEPS; step++) {
    gauge(shape, points, blurMm, out, parts)
    if (step > 0) {
      const next = Math.max(0.04 * pixel, Math.min(scale * 0.6, 1.2 * spread()))
      scale = step > 3 ? next : Math.max(0.7 * pixel, next)
    }
    normalSum.fill(0)
    rightSum.fill(0)
    const insetSlope = (inset(shape.radius + 0.01 * blurMm, blurMm) - inset(shape.radius, blurMm)) / (0.01 * blurMm)
    const sloped = slopesOf(shape, insetSlope)
    for (let i = 0; i < n; i += step < EARLY_STEPS ? EARLY_STRIDE : 1) {
      const sigma = points[i].sigmaMm
      const w = tukeyWeight(out[i], scale > sigma ? scale : sigma) / (sigma * sigma)
      weights[i] = w
      if (w === 0) continue
      sloped(points[i], parts[i], row)
      add(normalSum, rightSum, row, out[i], w)
    }
    if (shape.face) add(normalSum, rightSum, ...tangency(shape))
    if (!parts.includes(FLANK)) normalSum[0] += 1e12 // no flank in sight: its angle stays where it is
    normal = Array.from({ length: size }, (_, a) => [...normalSum.subarray(size * a, size * a + size)])
    for (let k = 0; k < size; k++) normal[k][k] = normal[k][k] * (1 + 1e-9) + 1e-9 // a part without points stays where it is
    const move = solveLinear(normal, [...rightSum])
    if (!move || !move.every(Number.isFinite)) return null
    const p = parametersOf(shape).map((x, k) => x + move[k])
    p[3] = Math.max(shape.face ? 0 : pixel, p[3])
    shape = shapeOf(p)
    if (step > 5 && Math.max(...move.map(Math.abs)) < 1e-4 * pixel) break
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

function add(normal: Float64Array, right: Float64Array, row: ArrayLike<number>, out: number, w: number): void {
  const size = row.length
  for (let a = 0; a < size; a++) {
    const wa = w * row[a]
    if (wa === 0) continue
    right[a] -= wa * out
    for (let b = 0; b < size; b++) normal[a * size + b] += wa * row[b]
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
