/**
 * How far a corner is rounded, from the grey levels around it: the light that its rounding lets past is there whatever
 * the blur, while the outline of a blurred corner is rounded by the blur as well.
 */
import { invert, solveLinear } from '../numeric'
import { cumulativeAt, densityAt } from './edge'
import type { Frame, Pixel } from './frame'

/** A straight side of the tool beside the corner. */
export interface CornerSide {
  /** Outward unit normal, picture axes. */
  readonly nu: number
  readonly nv: number
  /** Standard deviation of its place at the tip, px. */
  readonly sigmaPx: number
}

export interface Corner {
  /** Where the sides cross. */
  readonly tip: Pixel
  readonly sides: readonly [CornerSide, CornerSide]
  /** What a rounding of radius 1 takes away, as many small pieces: place from the tip, px, and area, px². */
  readonly missing: readonly { readonly du: number; readonly dv: number; readonly area: number }[]
}

/** The square of the radius, px²: below zero where noise fills the corner more than a sharp one would. */
export interface Rounding {
  readonly square: number
  readonly sigma: number
  /** Whether the corner alone explains the grey levels about it: no chip, no dust. */
  readonly alone: boolean
}

/** What the outline of the same picture says of it. */
export interface Blurred {
  /** Standard deviation of the blurred step, the pixel's own width included, px. */
  readonly widthPx: number
  /** Standard deviation of the grey levels, and the step from tool to field in them. */
  readonly noise: number
  readonly contrast: number
}

/** Reach of the window beyond the rounding, in widths of the blurred step. */
const WINDOW_WIDTHS = 3.2
/** Of the window at least so much must lie in the picture beside the tip, in widths. */
const LEAST_WIDTHS = 1.5
/** The blur is known to this share of itself. */
const WIDTH_SHARE = 0.04
/** Below this radius, in widths, what is missing is only seen by its amount. */
const SHAPELESS = 0.5
/** Sides whose normals have a larger cosine between them make no corner that can be told from a bend. */
const MOST_COSINE = 0.8
const STEPS = 8
/** Scatter about a corner that is alone, in standard deviations of the noise, or as a share of the step from tool to field. */
const MOST_SCATTER = 1.5
const MOST_SHARE = 0.02
/** A corner that something covers shows no field: less than this share of the step elsewhere. */
const LEAST_STEP = 0.4

/** Unknowns: radius squared, both sides outwards, width, level of the field and its slopes, level of the tool. */
const SQUARE = 0
const SIDE = 1
const WIDTH = 3
const FIELD = 4
const DARK = 7
const UNKNOWNS = 8

/**
 * Gauss and Newton on the grey levels of a window: two crossed blurred steps, less the blurred rounding, over a field
 * that slopes evenly; sides and width are held where the outline has them, within their standard deviations.
 * @param reachPx how far beyond the blur the rounding is looked for
 * @returns null where the corner lies too near the border, or is none
 */
export function readRounding(
  frame: Frame,
  corner: Corner,
  reachPx: number,
  { widthPx, noise, contrast }: Blurred,
): Rounding | null {
  const { tip, sides } = corner
  const cosine = sides[0].nu * sides[1].nu + sides[0].nv * sides[1].nv
  const least = LEAST_WIDTHS * widthPx
  const inPicture = tip.u > least && tip.v > least && tip.u < frame.width - least && tip.v < frame.height - least
  if (!inPicture || Math.abs(cosine) > MOST_COSINE) return null
  const window = windowAround(frame, tip, Math.ceil(WINDOW_WIDTHS * widthPx + reachPx))
  const held = heldBy(sides, widthPx, noise)
  const p = startOf(window, sides, widthPx)
  const normal = new Float64Array(UNKNOWNS * UNKNOWNS)
  const right = new Float64Array(UNKNOWNS)
  let cofactor: number[][] | null = null
  let squares = 0
  for (let step = 0; step < STEPS; step++) {
    normal.fill(0)
    right.fill(0)
    held.forEach(({ at, weight }, k) => {
      normal[k * (UNKNOWNS + 1)] += weight
      right[k] += weight * (at - p[k])
    })
    squares = observe(window, corner, cosine, p, normal, right)
    const rows = Array.from({ length: UNKNOWNS }, (_, a) => [...normal.subarray(UNKNOWNS * a, UNKNOWNS * (a + 1))])
    const move = solveLinear(rows, [...right])
    if (!move || !move.every(Number.isFinite)) return null
    cofactor = step === STEPS - 1 || Math.abs(move[SQUARE]) < 0.01 * widthPx * widthPx ? invert(rows) : null
    const most = Math.max(widthPx * widthPx, Math.abs(p[SQUARE]))
    move[SQUARE] = Math.max(-most, Math.min(most, move[SQUARE]))
    move.forEach((m, k) => (p[k] += m))
    if (cofactor) break
  }
  if (!cofactor) return null
  const scatter = Math.sqrt(squares / Math.max(1, window.grey.length - UNKNOWNS))
  const step = p[FIELD] - p[DARK]
  return {
    square: p[SQUARE],
    sigma: Math.max(noise, scatter) * Math.sqrt(cofactor[SQUARE][SQUARE]),
    alone: scatter < Math.max(MOST_SCATTER * noise, MOST_SHARE * step) && step > LEAST_STEP * contrast,
  }
}

/** The pixels about a tip: their centres counted from it, px. */
interface Window {
  readonly u: Float64Array
  readonly v: Float64Array
  readonly grey: Float64Array
  readonly reach: number
}

function windowAround({ width, height, data }: Frame, tip: Pixel, reach: number): Window {
  const from = { u: Math.max(0, Math.floor(tip.u) - reach), v: Math.max(0, Math.floor(tip.v) - reach) }
  const to = { u: Math.min(width - 1, Math.floor(tip.u) + reach), v: Math.min(height - 1, Math.floor(tip.v) + reach) }
  const columns = to.u - from.u + 1
  const rows = to.v - from.v + 1
  const grey = new Float64Array(columns * rows)
  for (let row = 0; row < rows; row++) {
    const first = (from.v + row) * width + from.u
    for (let column = 0; column < columns; column++) grey[row * columns + column] = data[first + column]
  }
  return {
    u: Float64Array.from({ length: columns }, (_, i) => from.u + i + 0.5 - tip.u),
    v: Float64Array.from({ length: rows }, (_, i) => from.v + i + 0.5 - tip.v),
    grey,
    reach,
  }
}

/** What is known beforehand, by unknown. */
function heldBy(sides: Corner['sides'], widthPx: number, noise: number): Map<number, { at: number; weight: number }> {
  const weight = (sigma: number) => (noise / sigma) ** 2
  return new Map([
    [SIDE, { at: 0, weight: weight(sides[0].sigmaPx) }],
    [SIDE + 1, { at: 0, weight: weight(sides[1].sigmaPx) }],
    [WIDTH, { at: widthPx, weight: weight(WIDTH_SHARE * widthPx) }],
  ])
}

/** Levels from the pixels well outside and well inside of both sides. */
function startOf({ u, v, grey }: Window, [a, b]: Corner['sides'], widthPx: number): number[] {
  let [field, fields, dark, darks] = [0, 0, 0, 0]
  for (let row = 0, i = 0; row < v.length; row++) {
    for (let column = 0; column < u.length; column++, i++) {
      const out = Math.max(a.nu * u[column] + a.nv * v[row], b.nu * u[column] + b.nv * v[row])
      if (out > 2 * widthPx) {
        field += grey[i]
        fields++
      } else if (out < -2 * widthPx) {
        dark += grey[i]
        darks++
      }
    }
  }
  return [0, 0, 0, widthPx, field / Math.max(1, fields), 0, 0, dark / Math.max(1, darks)]
}

/**
 * Adds every pixel of the window to the normal equations.
 * @returns the sum of the squares of what is left, grey levels²
 */
function observe(
  { u, v, grey, reach }: Window,
  { sides: [a, b], missing }: Corner,
  cosine: number,
  p: readonly number[],
  normal: Float64Array,
  right: Float64Array,
): number {
  const width = p[WIDTH]
  const least = (SHAPELESS * width) ** 2
  const square = Math.max(p[SQUARE], least)
  const taken = blurred(missing, Math.sqrt(square), width, u, v)
  const more = p[SQUARE] > least ? blurred(missing, Math.sqrt(1.1 * square), width, u, v) : null
  const amount = p[SQUARE] > least ? 1 : p[SQUARE] / least
  const nodes = nodesOf(cosine)
  const spread = 1 / Math.sqrt(1 - cosine * cosine)
  const row = new Float64Array(UNKNOWNS)
  let squares = 0
  for (let line = 0, i = 0; line < v.length; line++) {
    for (let column = 0; column < u.length; column++, i++) {
      const h = -(a.nu * u[column] + a.nv * v[line] - p[SIDE]) / width
      const k = -(b.nu * u[column] + b.nv * v[line] - p[SIDE + 1]) / width
      let inside = cumulativeAt(h) * cumulativeAt(k)
      if (h * h + k * k < FLAT) for (const n of nodes) inside += n.weight * Math.exp(n.cross * h * k - n.square * (h * h + k * k))
      const byA = (densityAt(h) * cumulativeAt((k - cosine * h) * spread)) / width
      const byB = (densityAt(k) * cumulativeAt((h - cosine * k) * spread)) / width
      const x = u[column] / reach
      const y = v[line] / reach
      const step = p[FIELD] + p[FIELD + 1] * x + p[FIELD + 2] * y - p[DARK]
      const light = 1 - inside + amount * taken[i]
      row[SQUARE] = step * (more ? (more[i] - taken[i]) / (0.1 * square) : taken[i] / least)
      row[SIDE] = -step * byA
      row[SIDE + 1] = -step * byB
      row[WIDTH] = step * (byA * h + byB * k)
      row[FIELD] = light
      row[FIELD + 1] = light * x
      row[FIELD + 2] = light * y
      row[DARK] = 1 - light
      const left = grey[i] - p[DARK] - step * light
      squares += left * left
      for (let m = 0; m < UNKNOWNS; m++) {
        right[m] += row[m] * left
        for (let n = 0; n < UNKNOWNS; n++) normal[UNKNOWNS * m + n] += row[m] * row[n]
      }
    }
  }
  return squares
}

/** Beyond this, in widths², what two crossed steps share is below 1e-7. */
const FLAT = 40

/** Gauss and Legendre's places and weights for six points on −1…1 (Abramowitz & Stegun 25.4.30). */
const LEGENDRE = [
  [0.2386191860831969, 0.467913934572691],
  [0.6612093864662645, 0.3607615730481386],
  [0.9324695142031521, 0.1713244923791704],
].flatMap(([x, w]) => [
  { x, w },
  { x: -x, w },
])

/**
 * What the share of two normal laws with a correlation below both limits h and k has beyond the product of their own,
 * as a sum of weight·exp(cross·h·k − square·(h² + k²)) (Drezner & Wesolowsky, J. Stat. Comput. Simul. 35 (1990) 101).
 */
function nodesOf(correlation: number) {
  const most = Math.asin(correlation)
  return LEGENDRE.map(({ x, w }) => {
    const sine = Math.sin((most * (1 + x)) / 2)
    const cosine2 = 1 - sine * sine
    return { weight: (w * most) / (4 * Math.PI), cross: sine / cosine2, square: 0.5 / cosine2 }
  })
}

/** What a rounding of a radius takes from each pixel when it is blurred. */
function blurred(missing: Corner['missing'], radius: number, width: number, us: Float64Array, vs: Float64Array): Float64Array {
  const sum = new Float64Array(us.length * vs.length)
  const across = new Float64Array(us.length)
  for (const { du, dv, area } of missing) {
    for (let i = 0; i < us.length; i++) across[i] = densityAt((us[i] - radius * du) / width) / width
    const whole = radius * radius * area
    for (let line = 0, i = 0; line < vs.length; line++) {
      const share = (whole * densityAt((vs[line] - radius * dv) / width)) / width
      for (let column = 0; column < us.length; column++, i++) sum[i] += share * across[column]
    }
  }
  return sum
}
