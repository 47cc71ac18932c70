/** Of each hour, day and week the newest copy is kept, for so long; common practice, no source. */
export interface Rotation {
  readonly hours: number
  readonly days: number
  readonly weeks: number
}

export const USUAL_ROTATION: Rotation = { hours: 24, days: 14, weeks: 8 }

const HOUR_MS = 3_600_000
const DAY_MS = 24 * HOUR_MS
const WEEK_MS = 7 * DAY_MS

/**
 * Which copies may go.
 * @param takenMs when each was taken, ms since 1970
 * @returns their places in `takenMs`; never the newest, nor one from after now
 */
export function outdated(takenMs: readonly number[], nowMs: number, { hours, days, weeks }: Rotation): readonly number[] {
  const newest = takenMs.reduce((best, at, i) => (best < 0 || at > takenMs[best] ? i : best), -1)
  const kept = new Set([newest])
  for (const [lengthMs, count] of [
    [HOUR_MS, hours],
    [DAY_MS, days],
    [WEEK_MS, weeks],
  ]) {
    const best = new Map<number, number>()
    takenMs.forEach((at, i) => {
      const back = Math.floor(nowMs / lengthMs) - Math.floor(at / lengthMs)
      if (back < 0) kept.add(i)
      else if (back < count && at > (takenMs[best.get(back) ?? -1] ?? -Infinity)) best.set(back, i)
    })
    for (const i of best.values()) kept.add(i)
  }
  return takenMs.flatMap((_, i) => (kept.has(i) ? [] : [i]))
}
