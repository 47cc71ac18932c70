/** Fits a shape to an outline so that chips do not pull it: Gauss and Newton with Tukey's weights, scale by scale. */
import { direction } from '../geometry'
import { invert, robustSigma, solveLinear, tukeyWeight } from '../numeric'
import { FACE, FLANK, gaugeOf, measureAgainst, parametersOf, shapeOf, type Gauge, type Shape } from './shape'
import type { OutlinePoint } from '../outline'

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
/** A step that changes the radius by more than this share of it, and more than so many pixels, is taken in part: its arc would run away. */
const MOST_GROWTH = 0.5
const LEAST_GROWTH_PX = 2
/** Until the scale has settled every third point is enough: those steps need not be exact. */
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
  const xs = new Float64Array(n)
  const zs = new Float64Array(n)
  const sigmas = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    const p = points[i]
    xs[i] = p.x
    zs[i] = p.z
    sigmas[i] = p.sigmaMm
  }
  const out = new Float64Array(n)
  const parts = new Uint8Array(n)
  const weights = new Float64Array(n)
  const row = new Float64Array(size)
  const some = new Float64Array(Math.min(Math.ceil(n / EARLY_STRIDE), 150))
  const spread = () => {
    for (let k = 0; k < some.length; k++) some[k] = out[EARLY_STRIDE * Math.floor((k * n) / (EARLY_STRIDE * some.length))]
    return robustSigma(some)
  }
  const normalSum = new Float64Array(size * size)
  const rightSum = new Float64Array(size)
  let shape = shapeOf(parametersOf(start))
  let scale = 2 * pixel
  let last = Infinity
  const normal = Array.from({ length: size }, () => new Array<number>(size).fill(0))
  const right = new Array<number>(size).fill(0)
  const units = new Float64Array(size)
  let settled = false
  for (let step = 0; step < MOST_STEPS; step++) {
    const stride = settled ? 1 : EARLY_STRIDE
    const gauge = gaugeOf(shape, blurMm)
    measureAgainst(gauge, xs, zs, out, parts, stride)
    if (step > 0) {
      const next = Math.max(0.04 * pixel, Math.min(scale * 0.6, 1.2 * spread()))
      scale = step > 3 ? next : Math.max(0.7 * pixel, next)
      settled = step > 3 && next > 0.8 * last
      last = next
    }
    normalSum.fill(0)
    rightSum.fill(0)
    const flankSeen = accumulate(gauge, { xs, zs, sigmas, out, parts, weights }, scale, stride, normalSum, rightSum, row)
    if (shape.face) tangency(shape, normalSum, rightSum, row)
    if (!flankSeen) normalSum[0] += 1e12 // no flank in sight: its angle stays where it is
    scaleDown(normalSum, rightSum, { units, normal, right })
    const move = solveLinear(normal, right)
    for (let k = 0; move && k < size; k++) move[k] /= units[k]
    if (!move || !move.every(Number.isFinite)) return null
    const most = Math.max(MOST_GROWTH * shape.radius, LEAST_GROWTH_PX * pixel)
    const damped = Math.min(1, most / Math.max(1e-12, Math.abs(move[3])))
    const p = parametersOf(shape).map((x, k) => x + damped * move[k])
    p[3] = Math.max(shape.face ? 0 : pixel, p[3])
    shape = shapeOf(p)
    if (settled && stride === 1 && Math.max(...move.map(Math.abs)) < 5e-4 * pixel) break
  }
  measureAgainst(gaugeOf(shape, blurMm), xs, zs, out, parts, 1)
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
  return {
    shape,
    covariance: inverse.map((r, a) => r.map((x, b) => (x * unit) / (units[a] * units[b]))),
    weights,
    parts,
    out,
    misfit,
  }
}

interface Columns {
  readonly xs: Float64Array
  readonly zs: Float64Array
  readonly sigmas: Float64Array
  readonly out: Float64Array
  readonly parts: Uint8Array
  readonly weights: Float64Array
}

/**
 * Adds every observation to the normal equations: of a flank its own two parameters, of an arc the first four, of a
 * face the last two.
 * @returns whether any point of the flank counts
 */
function accumulate(
  { fx, fz, ex, ez, cx, cz, turnX, turnZ, seenSlope }: Gauge,
  { xs, zs, sigmas, out, parts, weights }: Columns,
  scale: number,
  stride: number,
  normal: Float64Array,
  right: Float64Array,
  row: Float64Array,
): boolean {
  let flankSeen = false
  for (let i = 0; i < xs.length; i += stride) {
    const sigma = sigmas[i]
    const w = tukeyWeight(out[i], scale > sigma ? scale : sigma) / (sigma * sigma)
    weights[i] = w
    if (w === 0) continue
    const x = xs[i]
    const z = zs[i]
    if (parts[i] === FLANK) {
      flankSeen = true
      row[0] = fx * z - fz * x
      row[1] = -1
      add(normal, right, row, 0, 2, out[i], w)
    } else if (parts[i] === FACE) {
      row[4] = ex * z - ez * x
      row[5] = -1
      add(normal, right, row, 4, 6, out[i], w)
    } else {
      const dx = x - cx
      const dz = z - cz
      const d = Math.sqrt(dx * dx + dz * dz) || 1
      const ux = dx / d
      const uz = dz / d
      row[0] = -(ux * turnX + uz * turnZ)
      row[1] = -(ux * fx + uz * fz)
      row[2] = ux * fz - uz * fx
      row[3] = ux * fx + uz * fz - seenSlope
      add(normal, right, row, 0, 4, out[i], w)
    }
  }
  return flankSeen
}

interface Scaled {
  readonly units: Float64Array
  readonly normal: number[][]
  readonly right: number[]
}

/** All unknowns of one size, so that a part without points stays where it is, whatever its unit. */
function scaleDown(normalSum: Float64Array, rightSum: Float64Array, { units, normal, right }: Scaled): void {
  const size = units.length
  for (let k = 0; k < size; k++) {
    units[k] = Math.sqrt(normalSum[k * size + k]) || 1
    right[k] = rightSum[k] / units[k]
  }
  for (let a = 0; a < size; a++)
    for (let b = 0; b < size; b++) normal[a][b] = normalSum[size * a + b] / (units[a] * units[b]) + (a === b ? 1e-9 : 0)
}

/** Adds one observation, whose row is zero but between `from` and `to`. */
function add(
  normal: Float64Array,
  right: Float64Array,
  row: Float64Array,
  from: number,
  to: number,
  out: number,
  w: number,
): void {
  const size = row.length
  for (let a = from; a < to; a++) {
    const wa = w * row[a]
    right[a] -= wa * out
    for (let b = from; b < to; b++) normal[a * size + b] += wa * row[b]
  }
}

/** The face as one more observation: tangent to the arc but for a small kink. */
function tangency(shape: Shape, normal: Float64Array, right: Float64Array, row: Float64Array): void {
  const face = shape.face!
  const e = direction(face.angle)
  const f = direction(shape.flankAngle)
  const reach = shape.flankOffset - shape.radius
  const c = { x: f.x * reach - f.z * shape.along, z: f.z * reach + f.x * shape.along }
  row[0] = e.x * (-f.z * reach - f.x * shape.along) + e.z * (f.x * reach - f.z * shape.along)
  row[1] = e.x * f.x + e.z * f.z
  row[2] = -e.x * f.z + e.z * f.x
  row[3] = 1 - (e.x * f.x + e.z * f.z)
  row[4] = -e.z * c.x + e.x * c.z
  row[5] = -1
  const sigma = KINK_SHARE * shape.radius + 1e-6
  add(normal, right, row, 0, 6, e.x * c.x + e.z * c.z + shape.radius - face.offset, 1 / (sigma * sigma))
}
