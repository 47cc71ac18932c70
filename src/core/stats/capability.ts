/** Whether a process keeps its limits: ISO 22514-2 for a normal distribution, performance by the overall spread. */
import type { SpecLimits } from '../features'
import { chiSquareQuantile } from './distributions'
import { describe, type Described } from './describe'

/** Fewer readings than that say too little: common practice, no source. */
export const ENOUGH = 25

export interface Interval {
  readonly value: number
  readonly low: number
  readonly high: number
}

export interface Capability extends Described {
  /** null without a lower limit. */
  readonly pp: Interval | null
  readonly ppk: Interval
  /** Share of readings outside of the limits. */
  readonly outside: number
}

/** z of a two-sided 95 %. */
const Z95 = 1.959963984540054

/**
 * @param values at least two that are not all equal
 * @param limits with both sides, or with an upper one alone
 * @returns null where nothing can be said: fewer than two readings, or no spread
 */
export function capability(values: readonly number[], { min, max }: SpecLimits): Capability | null {
  const all = describe(values)
  const { count, mean, sd } = all
  if (count < 2 || !(sd > 0)) return null
  const freedom = count - 1
  const sides = [(max - mean) / (3 * sd), ...(min === null ? [] : [(mean - min) / (3 * sd)])]
  const ppk = Math.min(...sides)
  // Bissell's approximation (1990, from memory)
  const half = Z95 * Math.sqrt(1 / (9 * count) + ppk ** 2 / (2 * freedom))
  const pp = min === null ? null : (max - min) / (6 * sd)
  return {
    ...all,
    pp:
      pp === null
        ? null
        : {
            value: pp,
            low: pp * Math.sqrt(chiSquareQuantile(0.025, freedom) / freedom),
            high: pp * Math.sqrt(chiSquareQuantile(0.975, freedom) / freedom),
          },
    ppk: { value: ppk, low: ppk - half, high: ppk + half },
    outside: values.filter((v) => v > max || (min !== null && v < min)).length / count,
  }
}

export type LimitVerdict =
  /** Half the limits would do as well. */
  | { readonly type: 'never needed'; readonly fits: SpecLimits }
  /** The process does not keep them. */
  | { readonly type: 'not kept'; readonly fits: SpecLimits }
  | { readonly type: 'fits' }
  | { readonly type: 'too few' }

/** The Ppk that a limit is to leave: common practice, no source. */
const WANTED_PPK = 1.33
/** Beyond it a limit is never needed, below it not kept. */
const [NEVER_PPK, KEPT_PPK] = [2.66, 1]

/** What a limit should be for what the process does. */
export function limitFor(found: Capability, limits: SpecLimits): LimitVerdict {
  if (found.count < ENOUGH) return { type: 'too few' }
  const { mean, sd, ppk } = found
  const reach = 3 * WANTED_PPK * sd
  const fits = { min: limits.min === null ? null : mean - reach, max: mean + reach }
  // told only where the interval leaves no doubt
  if (ppk.low > NEVER_PPK) return { type: 'never needed', fits }
  if (ppk.high < KEPT_PPK) return { type: 'not kept', fits }
  return { type: 'fits' }
}

/** d₂ of two readings, exactly: 2/√π. */
const D2_OF_TWO = 2 / Math.sqrt(Math.PI)

/** Individuals and moving range: spread from one reading to the next, and the limits of their chart. */
export function individuals(values: readonly number[], d2 = D2_OF_TWO) {
  const ranges = values.slice(1).map((v, i) => Math.abs(v - values[i]))
  const meanRange = ranges.reduce((a, b) => a + b, 0) / ranges.length
  const { mean } = describe(values)
  const sigma = meanRange / d2
  return { mean, meanRange, sigma, low: mean - 3 * sigma, high: mean + 3 * sigma }
}
