import { describe, expect, it } from 'vitest'
import { seededRandom } from '../numeric'
import { outdated, USUAL_ROTATION } from './rotation'

const HOUR = 3_600_000
const NOW = Date.UTC(2026, 10, 29, 10, 30)

describe('copies that may go', () => {
  it('none of a day of hourly ones, and never the newest, however old', () => {
    const day = Array.from({ length: 24 }, (_, i) => NOW - i * HOUR)
    expect(outdated(day, NOW, USUAL_ROTATION)).toEqual([])
    expect(outdated([NOW - 2000 * 24 * HOUR], NOW, USUAL_ROTATION)).toEqual([])
    expect(outdated([], NOW, USUAL_ROTATION)).toEqual([])
  })
  it('of two in one hour the older goes', () => {
    expect(outdated([NOW - 60_000, NOW - 30_000], NOW, USUAL_ROTATION)).toEqual([0])
  })
  it('a year of hourly copies comes down to hours, days and weeks, newest first in each', () => {
    const year = Array.from({ length: 24 * 365 }, (_, i) => NOW - i * HOUR)
    const gone = new Set(outdated(year, NOW, USUAL_ROTATION))
    const left = year.filter((_, i) => !gone.has(i))
    expect(left.length).toBeLessThanOrEqual(24 + 14 + 8)
    expect(left.length).toBeGreaterThanOrEqual(24 + 12 + 5)
    // whoever looks for yesterday, last week or last month finds something near
    for (const days of [1, 3, 7, 13]) expect(left.some((at) => Math.abs(NOW - days * 24 * HOUR - at) <= 24 * HOUR)).toBe(true)
    for (const weeks of [2, 4, 7])
      expect(left.some((at) => Math.abs(NOW - weeks * 7 * 24 * HOUR - at) <= 7 * 24 * HOUR)).toBe(true)
  })
  it('one that a clock set wrong put into the future stays', () => {
    expect(outdated([NOW + 5 * HOUR, NOW, NOW - 1], NOW, USUAL_ROTATION)).not.toContain(0)
  })
  it('what went need not be asked for again: doing it twice changes nothing', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const { uniform } = seededRandom(seed)
      const taken = Array.from(
        { length: 1 + Math.floor(uniform() * 80) },
        () => NOW - Math.floor(uniform() * 90 * 24) * HOUR * uniform(),
      )
      const once = new Set(outdated(taken, NOW, USUAL_ROTATION))
      const left = taken.filter((_, i) => !once.has(i))
      expect(outdated(left, NOW, USUAL_ROTATION)).toEqual([])
      expect(left).toContain(Math.max(...taken))
    }
  })
})
