import { describe, expect, it } from 'vitest'
import { targetOf, toGo } from './adjust'

describe('what is left to go', () => {
  const limits = { min: 117.98, max: 118.02 }
  it('counts to the middle of the limits, in divisions', () => {
    const left = toGo(117.95, limits, 0.01, 0.001)
    expect(left.mm).toBeCloseTo(0.05, 9)
    expect(left.divisions).toBeCloseTo(5, 9)
    expect(left.there).toBe(false)
    expect(toGo(118.03, limits, 0.02, 0.001).divisions).toBeCloseTo(-1.5, 9)
  })
  it('is there only inside by the uncertainty (ISO 14253-1)', () => {
    expect(toGo(118.017, limits, 0.01, 0.001).there).toBe(true)
    expect(toGo(118.019, limits, 0.01, 0.001).there).toBe(false)
    expect(toGo(117.981, limits, 0.01, 0.001).there).toBe(false)
  })
  it('aims at the largest where there is no least', () => expect(targetOf({ min: null, max: 0.01 })).toBe(0.01))
})
