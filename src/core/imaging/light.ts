/** The light of a picture: how dark the tool and how bright the field is at each place. */
import { leastSquares, median, quantile } from '../numeric'
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
/** Least step between tool and field, in grey levels, that can be told from uneven light. */
const LEAST_CONTRAST = 25
/** A field darker than this carries too few grey levels to place an edge. */
const LEAST_FIELD = 45

/**
 * Separates tool and field: cells of 8×8 pixels are split by Otsu's threshold (IEEE SMC 9 (1979) 62), the bright ones
 * carry a quadratic surface, so that light falling off across the picture does not move the outline.
 */
export function readLight(frame: Frame): Result<Light, LightError> {
  const { width, height, data } = frame
  const cells: { u: number; v: number; grey: number }[] = []
  for (let v = CELL / 2; v < height; v += CELL) {
    for (let u = CELL / 2; u < width; u += CELL) {
      let sum = 0
      for (let dv = -1; dv <= 1; dv++) {
        for (let du = -1; du <= 1; du++) {
          sum += data[Math.min(height - 1, v + dv) * width + Math.min(width - 1, u + du)]
        }
      }
      cells.push({ u: u / width, v: v / height, grey: sum / 9 })
    }
  }
  const greys = cells.map((cell) => cell.grey)
  const low = quantile(greys, 0.01)
  const high = quantile(greys, 0.99)
  if (high < LEAST_FIELD) return fail({ code: 'TOO_DARK' })
  if (high - low < LEAST_CONTRAST) return low >= 254 ? fail({ code: 'BURNT_OUT' }) : fail({ code: 'NO_EDGE' })
  const split = otsu(greys)
  const field = cells.filter((cell) => cell.grey > split)
  const tool = greys.filter((grey) => grey <= split)
  const dark = median(tool)
  const bright = median(field.map((cell) => cell.grey))
  if (bright - dark < LEAST_CONTRAST) return fail({ code: 'NO_EDGE' })
  if (countAt255(frame) > 0.5 * (field.length / cells.length) * data.length) return fail({ code: 'BURNT_OUT' })
  const surface = fieldSurface(field, dark, bright)
  return ok({ dark, halfWay: halfWay(frame, surface, dark, bright), surface, contrast: bright - dark })
}

function otsu(greys: readonly number[]): number {
  const histogram = new Array<number>(256).fill(0)
  for (const grey of greys) histogram[Math.min(255, Math.round(grey))]++
  const total = greys.reduce((a, b) => a + b, 0)
  let below = 0
  let sumBelow = 0
  let best = 0
  let first = 0
  let last = 0
  for (let level = 0; level < 256; level++) {
    below += histogram[level]
    sumBelow += level * histogram[level]
    const above = greys.length - below
    if (below === 0 || above === 0) continue
    const between = below * above * (sumBelow / below - (total - sumBelow) / above) ** 2
    if (between > best * (1 + 1e-9)) {
      best = between
      first = last = level
    } else if (between >= best * (1 - 1e-9)) last = level // an empty gap in the histogram: take its middle
  }
  return (first + last) / 2 + 0.5
}

/** Counted on every fifth pixel, which is share enough. */
function countAt255({ data }: Frame): number {
  let count = 0
  for (let i = 0; i < data.length; i += 5) if (data[i] === 255) count += 5
  return count
}

/** Terms of the surface at a place given as shares of the picture's width and height. */
const terms = (a: number, b: number): number[] => [1, a, b, a * a, a * b, b * b]

/** Grey level of the field at a place, whatever stands there; NaN without a surface. */
export function fieldAt({ surface }: Light, { width, height }: Frame, u: number, v: number): number {
  const a = u / width
  const b = v / height
  return surface
    ? surface[0] + surface[1] * a + surface[2] * b + surface[3] * a * a + surface[4] * a * b + surface[5] * b * b
    : NaN
}

function fieldSurface(
  field: readonly { readonly u: number; readonly v: number; readonly grey: number }[],
  dark: number,
  bright: number,
): readonly number[] | null {
  const rows = field.map((cell) => terms(cell.u, cell.v))
  const values = field.map((cell) => cell.grey)
  const fit = field.length > 30 ? leastSquares(rows, values) : null
  if (!fit) return null
  // cells that straddle the outline are greyer than the field: once more without them
  const limit = 0.15 * (bright - dark)
  const weights = rows.map((r, i) => (Math.abs(values[i] - r.reduce((s, c, k) => s + c * fit.x[k], 0)) < limit ? 1 : 0))
  const enough = weights.reduce<number>((a, b) => a + b, 0) > 30
  return ((enough && leastSquares(rows, values, weights)) || fit).x
}

function halfWay({ width, height }: Frame, surface: readonly number[] | null, dark: number, bright: number): Float32Array {
  const across = Math.ceil(width / CELL)
  const down = Math.ceil(height / CELL)
  const least = dark + 0.3 * (bright - dark)
  const most = dark + 1.5 * (bright - dark)
  const levels = new Float32Array(across * down)
  for (let i = 0; i < levels.length; i++) {
    const at = terms((((i % across) + 0.5) * CELL) / width, ((Math.floor(i / across) + 0.5) * CELL) / height)
    const grey = surface ? at.reduce((sum, term, k) => sum + term * surface[k], 0) : bright
    levels[i] = (dark + Math.min(most, Math.max(least, grey))) / 2
  }
  return levels
}
