import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lifeUnderWay, wearOf, type WearReading } from './wear'

const reading = (cutMin: number, DC: number, sigma = 0.001): WearReading => ({
  at: new Date(Date.UTC(2026, 10, 1) + cutMin * 60_000).toISOString(),
  cutMin,
  result: {
    features: [{ key: 'DC', step: null, value: DC, sigma, limits: null, verdict: null }],
    ...{ runout: null, verdict: null, missing: [] },
  },
})

describe('wear', () => {
  it('is the change since it was new, with what is left by its trend', () => {
    const wear = wearOf([reading(0, 10), reading(30, 9.99), reading(60, 9.98)], 'DC', 0.05)!
    expect(wear.changeMm).toBeCloseTo(-0.02, 9)
    expect(wear.perHourMm?.value).toBeCloseTo(-0.02, 9)
    expect(wear.leftMin?.value).toBeCloseTo(90, 6)
    expect(wear.leftMin!.least).toBeLessThan(90)
    expect(wear.leftMin!.most).toBeGreaterThan(90)
    expect(wear.verdict).toBe('holds')
  })
  it('is worn beyond what is allowed, and borderline within the uncertainty', () => {
    expect(wearOf([reading(0, 10), reading(60, 9.94)], 'DC', 0.05)!.verdict).toBe('off')
    expect(wearOf([reading(0, 10), reading(60, 9.951)], 'DC', 0.05)!.verdict).toBe('unsure')
    expect(wearOf([reading(0, 10), reading(60, 9.94)], 'DC', 0.05)!.leftMin?.value).toBe(0)
  })
  it('says no trend where the values scatter as much as they change, or nobody knows the minutes', () => {
    expect(wearOf([reading(0, 10), reading(30, 10.001), reading(60, 9.9995)], 'DC', 0.05)!.leftMin).toBeNull()
    expect(wearOf([reading(0, 10), reading(0, 9.98)], 'DC', 0.05)!.perHourMm).toBeNull()
  })
  it('needs two readings, and begins anew with another insert', () => {
    expect(wearOf([reading(0, 10)], 'DC', 0.05)).toBeNull()
    expect(wearOf([reading(0, 10), reading(9, 10)], 'LF', 0.05)).toBeNull()
    const all = [reading(0, 10), reading(60, 9.95), reading(0, 10.002), reading(20, 9.99)]
    expect(lifeUnderWay(all).map((r) => r.cutMin)).toEqual([0, 20])
  })
  it('its interval holds the true time in 95 of 100 tools', () => {
    let inside = 0
    let told = 0
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        let s = seed
        const uniform = () => ((s = (Math.imul(s, 1103515245) + 12345) >>> 0), s / 2 ** 32)
        const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform())
        const rate = 0.0006
        const points = [0, 15, 30, 45, 60].map((m) => reading(m, 10 - rate * m + 0.002 * normal(), 0.002))
        const wear = wearOf(points, 'DC', 0.06)!
        if (!wear.leftMin) return
        told++
        // from what the last reading showed
        const rest = (0.06 + wear.changeMm) / rate
        if (rest >= wear.leftMin.least && rest <= wear.leftMin.most) inside++
      }),
      { numRuns: 400 },
    )
    expect(told).toBeGreaterThan(300)
    expect(inside / told).toBeGreaterThan(0.92)
  })
})
