/**
 * How likely readings are when something of unknown size and direction is wrong: readings are normal about what a cause makes of them, and its
 * size is averaged over everything that it may be (Bayes; log-uniform sizes).
 */

/** Readings of one kind, as what is left after what was wanted is taken off. mm */
export interface Block {
  readonly y: readonly number[]
  /** Of each reading by itself, mm². */
  readonly variance: number
  /** How much of what all of them share counts: 1 all of it, 0 nothing (nobody knows what it should be). */
  readonly keep: number
}

/** What a cause does to one block: `fixed` whatever its size is, and `columns` times what is unknown of it. */
export interface Effect {
  readonly fixed?: readonly number[]
  readonly columns?: readonly (readonly number[])[]
}

/** What is unknown of a cause: nothing; a size with a sign; or a size with any direction. mm */
export type Unknown =
  | { readonly type: 'none' }
  | { readonly type: 'size'; readonly lo: number; readonly hi: number; readonly sign: 1 | -1 | 0 }
  | { readonly type: 'direction'; readonly lo: number; readonly hi: number }

/** So many standard deviations from the best fit everything is over. */
const REACH = 7
const [POINTS, MANY_POINTS] = [25, 61]
const TINY = 1e-12

/** What all share is softened, so that sums of squares are as likely as it is uncertain. */
const soften = (values: readonly number[], keep: number, scale: number): number[] => {
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length
  return values.map((v) => (v - mean + keep * mean) * scale)
}

export interface Evidence {
  /** Natural logarithm of the likelihood. */
  readonly log: number
  /** The size that fits best, mm; 0 where nothing is unknown. */
  readonly size: number
}

/** @param effects one for each block */
export function evidenceOf(blocks: readonly Block[], effects: readonly Effect[], unknown: Unknown): Evidence {
  const count = unknown.type === 'none' ? 0 : unknown.type === 'size' ? 1 : 2
  const rest: number[] = []
  const columns: number[][] = Array.from({ length: count }, () => [])
  let log = 0
  blocks.forEach(({ y, variance, keep }, i) => {
    if (y.length === 0) return
    const { fixed, columns: own } = effects[i]
    const scale = 1 / Math.sqrt(variance)
    rest.push(
      ...soften(
        y.map((v, k) => v - (fixed?.[k] ?? 0)),
        keep,
        scale,
      ),
    )
    for (let c = 0; c < count; c++) columns[c].push(...soften(own?.[c] ?? y.map(() => 0), keep, scale))
    log += -0.5 * y.length * Math.log(2 * Math.PI * variance) + (keep > 0 ? Math.log(keep) : 0)
  })
  const square = dot(rest, rest)
  if (unknown.type === 'none') return { log: log - 0.5 * square, size: 0 }
  if (unknown.type === 'size') {
    const found = overSize(columns[0], rest, unknown)
    return { log: log - 0.5 * square + found.log, size: found.size }
  }
  const found = overDirection(columns, rest, unknown)
  return { log: log - 0.5 * square + found.log, size: found.size }
}

const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, v, i) => sum + v * b[i], 0)

/** Logarithm of a sum of exponentials. */
export function logSum(logs: readonly number[]): number {
  const most = logs.reduce((a, b) => Math.max(a, b), -Infinity)
  return most === -Infinity ? -Infinity : most + Math.log(logs.reduce((sum, l) => sum + Math.exp(l - most), 0))
}

/** exp(b·t − a·t²/2) averaged over log-uniform sizes t. */
function overSize(
  column: readonly number[],
  rest: readonly number[],
  { lo, hi, sign }: Extract<Unknown, { type: 'size' }>,
): Evidence {
  const a = dot(column, column)
  const b = dot(column, rest)
  if (a < TINY) return { log: 0, size: 0 }
  const best = b / a
  const sd = 1 / Math.sqrt(a)
  const branch = (s: 1 | -1): number => {
    // sizes along this sign, near the best fit
    const from = Math.min(hi * 0.999, Math.max(lo, s * best - REACH * sd))
    const to = Math.max(from * 1.001, Math.min(hi, s * best + REACH * sd))
    const step = Math.log(to / from) / (MANY_POINTS - 1)
    const logs = Array.from({ length: MANY_POINTS }, (_, i) => {
      const t = s * from * Math.exp(i * step)
      const half = i === 0 || i === MANY_POINTS - 1 ? 0.5 : 1
      return b * t - 0.5 * a * t * t + Math.log(half)
    })
    return logSum(logs) + Math.log(step / Math.log(hi / lo))
  }
  const log = sign === 0 ? logSum([branch(1), branch(-1)]) - Math.LN2 : branch(sign)
  return { log, size: Math.min(hi, Math.abs(best)) }
}

/** The same over sizes in any direction: density 1/(2π·e²·ln(hi/lo)) in the plane. */
function overDirection(
  [c, s]: readonly (readonly number[])[],
  rest: readonly number[],
  { lo, hi }: Extract<Unknown, { type: 'direction' }>,
): Evidence {
  const [aa, ab, bb] = [dot(c, c), dot(c, s), dot(s, s)]
  const [ra, rb] = [dot(c, rest), dot(s, rest)]
  // the direction that readings tell most of, and the one across it
  const turn = 0.5 * Math.atan2(2 * ab, aa - bb)
  const [u, v] = [Math.cos(turn), Math.sin(turn)]
  const along = [
    { l: Math.max(0, u * u * aa + 2 * u * v * ab + v * v * bb), r: u * ra + v * rb },
    { l: Math.max(0, v * v * aa - 2 * u * v * ab + u * u * bb), r: -v * ra + u * rb },
  ]
  const most = Math.max(along[0].l, along[1].l)
  if (most < TINY) return { log: 0, size: 0 }
  const axes = along.map(({ l, r }) => axis(l < 1e-9 * most ? 0 : l, r, lo, hi))
  const logs: number[] = []
  const norm = Math.log(2 * Math.PI * Math.log(hi / lo))
  for (const p of axes[0].points)
    for (const q of axes[1].points) {
      const e2 = p.at * p.at + q.at * q.at
      if (e2 < lo * lo || e2 > hi * hi) continue
      logs.push(p.log + q.log - Math.log(e2) - norm)
    }
  return { log: logSum(logs), size: Math.min(hi, Math.hypot(axes[0].best, axes[1].best)) }
}

/** Points along one direction, dense near nothing, each with what it weighs and how well it fits. */
function axis(l: number, r: number, lo: number, hi: number) {
  const best = l > 0 ? r / l : 0
  const sd = l > 0 ? 1 / Math.sqrt(l) : Infinity
  const from = Math.min(hi * 0.999, Math.max(-hi, best - REACH * sd))
  const to = Math.max(from + lo * 1e-3, Math.min(hi, best + REACH * sd))
  const scale = lo / 2
  const n = to - from > 4 * lo ? MANY_POINTS : POINTS
  const [a, b] = [Math.asinh(from / scale), Math.asinh(to / scale)]
  const step = (b - a) / (n - 1)
  const points = Array.from({ length: n }, (_, i) => {
    const t = a + i * step
    const at = scale * Math.sinh(t)
    const weight = scale * Math.cosh(t) * step * (i === 0 || i === n - 1 ? 0.5 : 1)
    return { at, log: r * at - 0.5 * l * at * at + Math.log(weight) }
  })
  return { best, points }
}
