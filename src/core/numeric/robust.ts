/** Median of the values; NaN when there are none. The input is not changed. */
export function median(values: ArrayLike<number>): number {
  return middle(new Float64Array(values).sort())
}

function middle(sorted: Float64Array): number {
  const n = sorted.length
  if (n === 0) return NaN
  return n % 2 ? sorted[(n - 1) / 2] : (sorted[n / 2 - 1] + sorted[n / 2]) / 2
}

/** The value below which `share` (0…1) of the values lie, nearest rank. */
export function quantile(values: ArrayLike<number>, share: number): number {
  const sorted = new Float64Array(values).sort()
  if (sorted.length === 0) return NaN
  return sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(share * (sorted.length - 1))))]
}

/** Standard deviation from the median absolute value about 0 (1.4826 makes it agree for a normal law). */
export function robustSigma(residuals: ArrayLike<number>): number {
  const sizes = new Float64Array(residuals.length)
  for (let i = 0; i < sizes.length; i++) sizes[i] = Math.abs(residuals[i])
  return 1.4826 * middle(sizes.sort())
}

/** Tukey's biweight: 1 at 0, 0 from |u| = 4.685 (95 % efficient for a normal law; Beaton & Tukey 1974). */
export function tukeyWeight(residual: number, sigma: number): number {
  const u = residual / (4.685 * sigma)
  return Math.abs(u) >= 1 ? 0 : (1 - u * u) ** 2
}
