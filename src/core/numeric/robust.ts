/** Median of the values; NaN when there are none. The input is not changed. */
export function median(values: ArrayLike<number>): number {
  return middle(new Float64Array(values))
}

/** The middle of values that may be put in another order. */
function middle(values: Float64Array): number {
  const n = values.length
  if (n === 0) return NaN
  const upper = select(values, n >> 1)
  if (n % 2) return upper
  let lower = -Infinity
  for (let i = 0; i < n >> 1; i++) if (values[i] > lower) lower = values[i]
  return (lower + upper) / 2
}

/** The k-th smallest value; smaller ones end up before it, larger ones after it (Hoare, Comm. ACM 4 (1961) 321). */
function select(values: Float64Array, k: number): number {
  let from = 0
  let to = values.length - 1
  while (from < to) {
    const pivot = values[(from + to) >> 1]
    let i = from
    let j = to
    while (i <= j) {
      while (values[i] < pivot) i++
      while (values[j] > pivot) j--
      if (i > j) break
      const swap = values[i]
      values[i++] = values[j]
      values[j--] = swap
    }
    if (k <= j) to = j
    else if (k >= i) from = i
    else break
  }
  return values[k]
}

/** Standard deviation from the median absolute value about 0 (1.4826 makes it agree for a normal law). */
export function robustSigma(residuals: ArrayLike<number>): number {
  const sizes = new Float64Array(residuals.length)
  for (let i = 0; i < sizes.length; i++) sizes[i] = Math.abs(residuals[i])
  return 1.4826 * middle(sizes)
}

/** Tukey's biweight: 1 at 0, 0 from |u| = 4.685 (95 % efficient for a normal law; Beaton & Tukey 1974). */
export function tukeyWeight(residual: number, sigma: number): number {
  const u = residual / (4.685 * sigma)
  return Math.abs(u) >= 1 ? 0 : (1 - u * u) ** 2
}
