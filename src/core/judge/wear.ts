/** Wear: a tool measured again while it cuts, against what it was when it was new. */
import type { FeatureKey, ToolResult } from './result'
import { judge, type Verdict } from './judge'

/** What is looked at: what a cutting edge loses. */
export const WEARS = ['LF', 'DC', 'RE'] as const satisfies readonly FeatureKey[]
export type WearKey = (typeof WEARS)[number]

export interface WearReading {
  /** ISO 8601 */
  readonly at: string
  /** Minutes that it had cut then. */
  readonly cutMin: number
  readonly result: ToolResult
}

export interface WearPoint {
  readonly at: string
  readonly cutMin: number
  /** Against the first reading, mm. */
  readonly changeMm: number
  readonly sigmaMm: number
}

export interface Wear {
  readonly key: WearKey
  /** The first one is 0. */
  readonly points: readonly WearPoint[]
  readonly changeMm: number
  /** Whether it is still within the allowed change, by ISO 14253-1. */
  readonly verdict: Verdict
  /** Change in an hour of cutting, mm, one standard deviation; null with fewer than two minutes that differ. */
  readonly perHourMm: { readonly value: number; readonly sigma: number } | null
  /**
   * Minutes of cutting until the allowed change; `least` and `most` with twice the uncertainty of the trend. null where no trend can be
   * told from chance.
   */
  readonly leftMin: { readonly value: number; readonly least: number; readonly most: number } | null
}

/** Readings of the life under way: an insert turned or changed begins another one. @param readings oldest first */
export function lifeUnderWay(readings: readonly WearReading[]): readonly WearReading[] {
  const begins = readings.reduce((from, reading, i) => (i > 0 && reading.cutMin < readings[i - 1].cutMin ? i : from), 0)
  return readings.slice(begins)
}

/**
 * @param readings oldest first, of one life
 * @param allowedMm what may change, above 0
 * @returns null with fewer than two readings of this feature
 */
export function wearOf(readings: readonly WearReading[], key: WearKey, allowedMm: number): Wear | null {
  const read = readings.flatMap(({ at, cutMin, result }) => {
    const f = result.features.find((g) => g.key === key && g.step === null && g.carried === undefined)
    return f ? [{ at, cutMin, value: f.value, sigma: f.sigma }] : []
  })
  if (read.length < 2) return null
  const [first] = read
  const points = read.map(({ at, cutMin, value, sigma }, i) => ({
    ...{ at, cutMin, changeMm: value - first.value },
    // both of them are uncertain; the first is compared with itself
    sigmaMm: i === 0 ? 0 : Math.hypot(sigma, first.sigma),
  }))
  const last = points[points.length - 1]
  const verdict = judge(Math.abs(last.changeMm), { min: null, max: allowedMm }, last.sigmaMm)
  const trend = slope(read)
  const perHourMm = trend && { value: 60 * trend.value, sigma: 60 * trend.sigma }
  return { key, points, changeMm: last.changeMm, verdict, perHourMm, leftMin: trend && leftOf(trend, last, allowedMm) }
}

/** A straight line through the values over the minutes, each with its own uncertainty: weighted least squares. Per minute. */
function slope(read: readonly { readonly cutMin: number; readonly value: number; readonly sigma: number }[]) {
  const weight = (sigma: number) => 1 / Math.max(sigma, 1e-6) ** 2
  const sum = (of: (r: (typeof read)[number]) => number) => read.reduce((s, r) => s + weight(r.sigma) * of(r), 0)
  const [w, t, v] = [sum(() => 1), sum((r) => r.cutMin), sum((r) => r.value)]
  const across = sum((r) => (r.cutMin - t / w) ** 2)
  if (!(across > 1e-9)) return null
  return { value: sum((r) => (r.cutMin - t / w) * (r.value - v / w)) / across, sigma: 1 / Math.sqrt(across) }
}

function leftOf(trend: { readonly value: number; readonly sigma: number }, last: WearPoint, allowedMm: number): Wear['leftMin'] {
  const rate = Math.abs(trend.value)
  // as good as none: it could as well grow
  if (rate <= 2 * trend.sigma) return null
  const rest = Math.max(0, allowedMm - last.changeMm * Math.sign(trend.value))
  return { value: rest / rate, least: rest / (rate + 2 * trend.sigma), most: rest / (rate - 2 * trend.sigma) }
}
