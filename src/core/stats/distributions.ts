/** Normal, χ² and F: what confidence intervals and an analysis of variance ask for. Series and continued fractions as in Abramowitz and Stegun 6.5, 26.5 (from memory). */

/** Lanczos, g = 7, nine terms: relative error below 1e-14 (from memory). */
const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905,
  -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
]

export function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x)
  const y = x - 1
  const sum = LANCZOS.reduce((s, c, i) => (i === 0 ? c : s + c / (y + i)), 0)
  const t = y + 7.5
  return 0.5 * Math.log(2 * Math.PI) + (y + 0.5) * Math.log(t) - t + Math.log(sum)
}

const TINY = 1e-300
const CLOSE = 1e-15

/** Regularized lower incomplete gamma. @param a above 0, x at least 0 */
export function gammaP(a: number, x: number): number {
  if (x <= 0) return 0
  const scale = Math.exp(-x + a * Math.log(x) - logGamma(a))
  if (x < a + 1) {
    let term = 1 / a
    let sum = term
    for (let n = 1; n < 10_000 && Math.abs(term) > CLOSE * Math.abs(sum); n++) sum += term *= x / (a + n)
    return sum * scale
  }
  let b = x + 1 - a
  let c = 1 / TINY
  let d = 1 / b
  let h = d
  for (let i = 1; i < 10_000; i++) {
    const an = -i * (i - a)
    b += 2
    d = 1 / (an * d + b || TINY)
    c = b + an / c || TINY
    h *= d * c
    if (Math.abs(d * c - 1) < CLOSE) break
  }
  return 1 - scale * h
}

/** Regularized incomplete beta. @param a, b above 0; x 0…1 */
export function betaI(a: number, b: number, x: number): number {
  if (x <= 0) return 0
  if (x >= 1) return 1
  const scale = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x))
  return x < (a + 1) / (a + b + 2) ? (scale * betaFraction(a, b, x)) / a : 1 - (scale * betaFraction(b, a, 1 - x)) / b
}

function betaFraction(a: number, b: number, x: number): number {
  let c = 1
  let d = 1 / (1 - ((a + b) * x) / (a + 1) || TINY)
  let h = d
  for (let m = 1; m < 10_000; m++) {
    for (const term of [
      (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m)),
      (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1)),
    ]) {
      d = 1 / (1 + term * d || TINY)
      c = 1 + term / c || TINY
      h *= d * c
    }
    if (Math.abs(d * c - 1) < CLOSE) break
  }
  return h
}

/** Share of a χ² with so many degrees of freedom below x. */
export const chiSquareBelow = (x: number, freedom: number): number => gammaP(freedom / 2, x / 2)

/** Below it lies this share of a χ². @param share 0…1, without its ends */
export function chiSquareQuantile(share: number, freedom: number): number {
  let [low, high] = [0, freedom + 10]
  while (chiSquareBelow(high, freedom) < share) high *= 2
  for (let i = 0; i < 200 && high - low > 1e-12 * high; i++) {
    const middle = (low + high) / 2
    if (chiSquareBelow(middle, freedom) < share) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** Probability of an F at least so large by chance. */
export const fAbove = (f: number, over: number, under: number): number =>
  f <= 0 ? 1 : betaI(under / 2, over / 2, under / (under + over * f))
