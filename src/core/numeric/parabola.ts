/** A parabola through values over one variable, by least squares. */
import { leastSquares } from './linear'

export interface Parabola {
  readonly at: (t: number) => number
  /** Where it is highest, and how high; null when it opens upwards. */
  readonly top: { readonly t: number; readonly value: number } | null
}

/**
 * @param t at least three different places
 * @param values as many
 * @returns null when the places do not carry a parabola
 */
export function fitParabola(t: readonly number[], values: readonly number[]): Parabola | null {
  // counted from the middle and from the first value: squares of large numbers would lose the small ones
  const middle = t.reduce((a, b) => a + b, 0) / t.length
  const base = values[0]
  const fit = leastSquares(
    t.map((place) => [1, place - middle, (place - middle) ** 2]),
    values.map((value) => value - base),
  )
  if (!fit) return null
  const [c0, c1, c2] = fit.x
  return {
    at: (place) => base + c0 + c1 * (place - middle) + c2 * (place - middle) ** 2,
    top: c2 < 0 ? { t: middle - c1 / (2 * c2), value: base + c0 - (c1 * c1) / (4 * c2) } : null,
  }
}
