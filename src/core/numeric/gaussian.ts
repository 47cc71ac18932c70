const SQRT_2PI = Math.sqrt(2 * Math.PI)

/** Density of the standard normal law. */
export const phi = (x: number): number => Math.exp(-0.5 * x * x) / SQRT_2PI

/**
 * Cumulative standard normal, absolute error below 1e-15 in use: series near 0, continued fraction in the tails
 * (Abramowitz & Stegun 26.2.10 and 26.2.14).
 */
export function cumulativeNormal(x: number): number {
  const a = Math.abs(x)
  if (a > 38) return x > 0 ? 1 : 0
  if (a < 3) {
    let term = x
    let sum = x
    for (let k = 1; Math.abs(term) > 1e-17 * Math.abs(sum); k++) {
      term *= (x * x) / (2 * k + 1)
      sum += term
    }
    return 0.5 + sum * phi(x)
  }
  let fraction = 0
  for (let k = 60; k >= 1; k--) fraction = k / (a + fraction)
  const tail = phi(a) / (a + fraction)
  return x > 0 ? 1 - tail : tail
}
