/** The light of a picture: how dark the tool and how bright the field is at each place. */
import { solveLinear } from '../numeric'
import { fail, ok, type Result } from '../units'
import type { Frame } from './frame'

export type LightError = { readonly code: 'NO_EDGE' } | { readonly code: 'TOO_DARK' } | { readonly code: 'BURNT_OUT' }

export interface Light {
  /** Grey level of the tool. */
  readonly dark: number
  /** The level half way between tool and field in each cell of 8×8 pixels, row by row, for the first rough outline. */
  readonly halfWay: Float32Array
  /** Quadratic surface of the field's grey level over u/width and v/height; null when it could not be fitted. */
  readonly surface: readonly number[] | null
  /** Median brightness of the field minus `dark`. */
  readonly contrast: number
}

/** Side of a cell, px. */
export const CELL = 8
/** In a large picture every third row and every second column of cells is looked at: light changes slowly. */
const rowStep = ({ height }: Frame): number => (height > 300 ? 3 * CELL : CELL)
const columnStep = ({ width }: Frame): number => (width > 400 ? 2 * CELL : CELL)
/** Least step between tool and field, in grey levels, that can be told from uneven light. */
const LEAST_CONTRAST = 25
/** A field darker than this carries too few grey levels to place an edge. */
const LEAST_FIELD = 45

/** Mean grey of 3×3 pixels at each place looked at, row by row. */
interface Cells {
  readonly across: number
  readonly u: Float64Array
  readonly v: Float64Array
  readonly grey: Float64Array
}

/**
 * Separates tool and field: small patches are split by Otsu's threshold (IEEE SMC 9 (1979) 62), the bright ones
 * carry a quadratic surface, so that light falling off across the picture does not move the outline.
 */
export function readLight(frame: Frame): Result<Light, LightError> {
  const cells = look(frame)
  const { grey } = cells
  const levels = histogramOf(grey)
  const low = levelAt(levels, 0, 256, 0.01)
  const high = levelAt(levels, 0, 256, 0.99)
  if (high < LEAST_FIELD) return fail({ code: 'TOO_DARK' })
  if (high - low < LEAST_CONTRAST) return low >= 254 ? fail({ code: 'BURNT_OUT' }) : fail({ code: 'NO_EDGE' })
  const split = otsu(levels)
  const first = Math.ceil(split)
  const dark = levelAt(levels, 0, first, 0.5)
  const bright = levelAt(levels, first, 256, 0.5)
  if (!(bright - dark >= LEAST_CONTRAST)) return fail({ code: 'NO_EDGE' })
  const fieldShare = countOf(levels, first, 256) / grey.length
  if (countAt255(frame) > 0.5 * fieldShare * frame.data.length) return fail({ code: 'BURNT_OUT' })
  const surface = fieldSurface(cells, split, dark, bright)
  return ok({ dark, halfWay: halfWay(frame, surface, dark, bright), surface, contrast: bright - dark })
}

/** How many patches have each whole grey level. */
function histogramOf(greys: Float64Array): Float64Array {
  const histogram = new Float64Array(256)
  for (let i = 0; i < greys.length; i++) histogram[(greys[i] + 0.5) | 0]++
  return histogram
}

function countOf(histogram: Float64Array, from: number, to: number): number {
  let count = 0
  for (let level = from; level < to; level++) count += histogram[level]
  return count
}

/** The level below which a share of the patches between two levels lie; NaN without any. */
function levelAt(histogram: Float64Array, from: number, to: number, share: number): number {
  const wanted = share * countOf(histogram, from, to)
  let below = 0
  for (let level = from; level < to; level++) {
    if (histogram[level] > 0 && below + histogram[level] >= wanted)
      return level - 0.5 + Math.max(0, wanted - below) / histogram[level]
    below += histogram[level]
  }
  return NaN
}

function look(frame: Frame): Cells {
  const { width, height, data } = frame
  const step = rowStep(frame)
  const wide = columnStep(frame)
  const across = Math.ceil((width - CELL / 2) / wide)
  const down = Math.ceil((height - CELL / 2) / step)
  const u = new Float64Array(across * down)
  const v = new Float64Array(across * down)
  const grey = new Float64Array(across * down)
  let i = 0
  for (let row = CELL / 2; row < height; row += step) {
    for (let col = CELL / 2; col < width; col += wide) {
      const left = Math.min(width - 3, col - 1)
      let sum = 0
      for (let k = Math.min(height - 3, row - 1) * width + left, line = 0; line < 3; line++, k += width)
        sum += data[k] + data[k + 1] + data[k + 2]
      u[i] = col / width
      v[i] = row / height
      grey[i++] = sum / 9
    }
  }
  return { across, u, v, grey }
}

function otsu(histogram: Float64Array): number {
  let count = 0
  let total = 0
  for (let level = 0; level < 256; level++) {
    count += histogram[level]
    total += level * histogram[level]
  }
  let below = 0
  let sumBelow = 0
  let best = 0
  let first = 0
  let last = 0
  for (let level = 0; level < 256; level++) {
    below += histogram[level]
    sumBelow += level * histogram[level]
    const above = count - below
    if (below === 0 || above === 0) continue
    const between = below * above * (sumBelow / below - (total - sumBelow) / above) ** 2
    if (between > best * (1 + 1e-9)) {
      best = between
      first = last = level
    } else if (between >= best * (1 - 1e-9)) last = level // an empty gap in the histogram: take its middle
  }
  return (first + last) / 2 + 0.5
}

/** Counted on every 23rd pixel, which is share enough and never keeps to one column. */
function countAt255({ data }: Frame): number {
  let count = 0
  for (let i = 0; i < data.length; i += 23) if (data[i] === 255) count += 23
  return count
}

/** Grey level of the field at a place, whatever stands there; NaN without a surface. */
export function fieldAt({ surface }: Light, { width, height }: Frame, u: number, v: number): number {
  return surface ? level(surface, u / width, v / height) : NaN
}

/** @returns null when too little of the field is seen */
function fieldSurface(cells: Cells, split: number, dark: number, bright: number): readonly number[] | null {
  const { across, u, v, grey } = cells
  // a patch beside the tool may straddle the outline: only those in the midst of the field tell its level
  const clear = new Uint8Array(grey.length)
  for (let i = 0; i < grey.length; i++) {
    const col = i % across
    if (
      grey[i] > split &&
      !(col > 0 && grey[i - 1] <= split) &&
      !(col < across - 1 && grey[i + 1] <= split) &&
      !(i >= across && grey[i - across] <= split) &&
      !(i + across < grey.length && grey[i + across] <= split)
    )
      clear[i] = 1
  }
  const first = surfaceThrough(cells, clear)
  if (!first) return null
  // dust on the glass is greyer than the field: once more without it
  const limit = 0.15 * (bright - dark)
  let left = 0
  for (let i = 0; i < grey.length; i++)
    if (clear[i] && !(Math.abs(grey[i] - level(first, u[i], v[i])) < limit)) {
      clear[i] = 0
      left++
    }
  return left ? (surfaceThrough(cells, clear) ?? first) : first
}

const TERMS = 6
const LEAST_PATCHES = 20

function surfaceThrough({ u, v, grey }: Cells, counts: Uint8Array): readonly number[] | null {
  const normal = new Float64Array(TERMS * TERMS)
  const right = new Float64Array(TERMS)
  const row = new Float64Array(TERMS)
  let n = 0
  for (let i = 0; i < grey.length; i++) {
    if (!counts[i]) continue
    n++
    row[0] = 1
    row[1] = u[i]
    row[2] = v[i]
    row[3] = u[i] * u[i]
    row[4] = u[i] * v[i]
    row[5] = v[i] * v[i]
    for (let a = 0; a < TERMS; a++) {
      right[a] += row[a] * grey[i]
      for (let b = 0; b <= a; b++) normal[TERMS * a + b] += row[a] * row[b]
    }
  }
  if (n < LEAST_PATCHES) return null
  const rows = Array.from({ length: TERMS }, (_, a) =>
    Array.from({ length: TERMS }, (__, b) => normal[TERMS * Math.max(a, b) + Math.min(a, b)]),
  )
  return solveLinear(rows, [...right])
}

const level = (s: readonly number[], a: number, b: number): number =>
  s[0] + s[1] * a + s[2] * b + s[3] * a * a + s[4] * a * b + s[5] * b * b

function halfWay({ width, height }: Frame, surface: readonly number[] | null, dark: number, bright: number): Float32Array {
  const across = Math.ceil(width / CELL)
  const down = Math.ceil(height / CELL)
  const least = dark + 0.3 * (bright - dark)
  const most = dark + 1.5 * (bright - dark)
  const levels = new Float32Array(across * down)
  let i = 0
  for (let row = 0; row < down; row++) {
    for (let col = 0; col < across; col++) {
      const grey = surface ? level(surface, ((col + 0.5) * CELL) / width, ((row + 0.5) * CELL) / height) : bright
      levels[i++] = (dark + Math.min(most, Math.max(least, grey))) / 2
    }
  }
  return levels
}
