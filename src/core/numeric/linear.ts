/**
 * Solves A·x = b by Gaussian elimination with row exchange.
 * @param a n rows of n; not changed
 * @param b n values
 * @returns x, or null when the system is singular to working accuracy
 */
export function solveLinear(a: readonly (readonly number[])[], b: readonly number[]): number[] | null {
  const n = b.length
  const m: number[][] = []
  let scale = 1e-300
  for (let row = 0; row < n; row++) {
    const copy = a[row].slice()
    copy.push(b[row])
    for (const x of copy) if (Math.abs(x) > scale) scale = Math.abs(x)
    m.push(copy)
  }
  for (let col = 0; col < n; col++) {
    let pivot = col
    for (let row = col + 1; row < n; row++) if (Math.abs(m[row][col]) > Math.abs(m[pivot][col])) pivot = row
    if (Math.abs(m[pivot][col]) < 1e-14 * scale) return null
    ;[m[col], m[pivot]] = [m[pivot], m[col]]
    for (let row = col + 1; row < n; row++) {
      const f = m[row][col] / m[col][col]
      if (f !== 0) for (let k = col; k <= n; k++) m[row][k] -= f * m[col][k]
    }
  }
  const x = new Array<number>(n)
  for (let row = n - 1; row >= 0; row--) {
    let sum = m[row][n]
    for (let k = row + 1; k < n; k++) sum -= m[row][k] * x[k]
    x[row] = sum / m[row][row]
  }
  return x
}

/** The inverse of a square matrix, or null when it is singular. */
export function invert(a: readonly (readonly number[])[]): number[][] | null {
  const columns = a.map((_, i) =>
    solveLinear(
      a,
      a.map((__, j) => (i === j ? 1 : 0)),
    ),
  )
  if (columns.some((column) => column === null)) return null
  return a.map((_, i) => columns.map((column) => (column as number[])[i]))
}

export interface LeastSquares {
  readonly x: readonly number[]
  /** (JᵀWJ)⁻¹: multiply by the variance of one observation of weight 1. */
  readonly cofactor: readonly (readonly number[])[]
}

/**
 * Weighted linear least squares by normal equations: right for the few, well-scaled unknowns used here.
 * @param rows one row of the design matrix per observation
 * @param y observations
 * @param weights 1/variance up to a common factor; all 1 when left out
 */
export function leastSquares(
  rows: readonly (readonly number[])[],
  y: readonly number[],
  weights?: readonly number[],
): LeastSquares | null {
  const n = rows[0]?.length ?? 0
  const normal = Array.from({ length: n }, () => new Array<number>(n).fill(0))
  const right = new Array<number>(n).fill(0)
  rows.forEach((row, k) => {
    const w = weights?.[k] ?? 1
    if (w === 0) return
    for (let i = 0; i < n; i++) {
      right[i] += w * row[i] * y[k]
      for (let j = 0; j <= i; j++) normal[i][j] += w * row[i] * row[j]
    }
  })
  for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) normal[j][i] = normal[i][j]
  const x = solveLinear(normal, right)
  const cofactor = invert(normal)
  return x && cofactor ? { x, cofactor } : null
}
