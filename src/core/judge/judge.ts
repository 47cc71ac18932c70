/** Judging against a tolerance with the result's own uncertainty: ISO 14253-1. */
import type { SpecLimits } from '../features'

export type Verdict = 'holds' | 'unsure' | 'off'

export const around = (nominal: number, lower: number, upper: number): SpecLimits => ({
  min: nominal + lower,
  max: nominal + upper,
})

/**
 * Inside only when inside by more than U, outside only when outside by more than U.
 * @param guardSigmas U in standard deviations; 2 is the expanded uncertainty with k = 2
 */
export function judge(value: number, limits: SpecLimits, sigma: number, guardSigmas = 2): Verdict {
  const U = guardSigmas * sigma
  const min = limits.min ?? -Infinity
  if (value >= min + U && value <= limits.max - U) return 'holds'
  if (value < min - U || value > limits.max + U) return 'off'
  return 'unsure'
}

const RANK: Record<Verdict, number> = { holds: 0, unsure: 1, off: 2 }

export const worst = (verdicts: readonly Verdict[]): Verdict => verdicts.reduce((a, b) => (RANK[b] > RANK[a] ? b : a), 'holds')

/** Parts of a standard uncertainty that are not in the picture. */
export interface BenchUncertainty {
  /** Zero check in each direction, mm. */
  readonly zeroSigmaMm: number
  /** Scale, as a share of the distance from the master's own size. */
  readonly scaleSigma: number
  /** Temperature of the tool not known better than this, K, as a standard deviation. */
  readonly temperatureSigmaK: number
  /** How much longer the tool reads because it is still warm, mm (0 when cold). */
  readonly warmMm: number
  /** Guard band in standard deviations: inside only when inside by more than that. */
  readonly guardSigmas: number
}

/** Of a bench checked with its master this shift, in a tool room kept to ±1 K: common practice, no source. */
export const USUAL_BENCH: BenchUncertainty = {
  zeroSigmaMm: 0.0006,
  scaleSigma: 5e-6,
  temperatureSigmaK: 0.5,
  warmMm: 0,
  guardSigmas: 2,
}

const STEEL_PER_K = 11.5e-6

/** One standard deviation of a length of `lengthMm` that its picture gives with `pictureSigma`. */
export function lengthSigma(pictureSigma: number, lengthMm: number, bench: BenchUncertainty): number {
  const heat = STEEL_PER_K * bench.temperatureSigmaK * lengthMm
  // a warm tool's excess is known only as an upper bound: treated as its own standard deviation
  return Math.hypot(pictureSigma, bench.zeroSigmaMm, bench.scaleSigma * lengthMm, heat, bench.warmMm)
}
