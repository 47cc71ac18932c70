/** Mean, spread and what hangs together in a row of readings. */

export interface Described {
  readonly count: number
  readonly mean: number
  /** Of all readings, with n − 1; NaN of one reading. */
  readonly sd: number
  readonly min: number
  readonly max: number
}

export const meanOf = (values: readonly number[]): number => {
  // the first reading is taken off: large readings that differ little keep their last digits
  const [first = NaN] = values
  return first + values.reduce((sum, v) => sum + (v - first), 0) / values.length
}

/** Sum of squares about the mean, in two passes, with what the first pass rounded taken off (Chan, Golub and LeVeque 1983, from memory). */
export function squaresOf(values: readonly number[]): number {
  const mean = meanOf(values)
  let [squares, rest] = [0, 0]
  for (const v of values) {
    squares += (v - mean) ** 2
    rest += v - mean
  }
  return squares - rest ** 2 / values.length
}

export const describe = (values: readonly number[]): Described => ({
  count: values.length,
  mean: meanOf(values),
  sd: Math.sqrt(squaresOf(values) / (values.length - 1)),
  min: values.reduce((a, b) => Math.min(a, b), Infinity),
  max: values.reduce((a, b) => Math.max(a, b), -Infinity),
})

/** How much a reading goes with the one before it, −1 … 1: NIST's lag-1 autocorrelation. */
export function lag1(values: readonly number[]): number {
  const mean = meanOf(values)
  let [along, all] = [0, 0]
  for (let i = 0; i < values.length; i++) {
    if (i > 0) along += (values[i] - mean) * (values[i - 1] - mean)
    all += (values[i] - mean) ** 2
  }
  return along / all
}

/** @param sorted ascending, at least one; @param share 0…1 */
export function quantile(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1)
  const low = Math.floor(at)
  return sorted[low] + (at - low) * ((sorted[low + 1] ?? sorted[low]) - sorted[low])
}

export interface Bin {
  readonly from: number
  readonly to: number
  readonly count: number
}

/** A histogram of equal bins, as many as Sturges asks for, 5 to 20. */
export function histogram(
  values: readonly number[],
  bins = Math.min(20, Math.max(5, Math.ceil(Math.log2(values.length) + 1))),
): Bin[] {
  if (values.length === 0) return []
  const { min, max } = describe(values)
  const wide = (max - min) / bins || 1
  const counts = new Array<number>(bins).fill(0)
  for (const v of values) counts[Math.min(bins - 1, Math.floor((v - min) / wide))]++
  return counts.map((count, i) => ({ from: min + i * wide, to: min + (i + 1) * wide, count }))
}
