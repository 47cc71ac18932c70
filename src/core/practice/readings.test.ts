import { describe, expect, it } from 'vitest'
import { causesOf, isTellable } from '../causes'
import { drawReadings, READ_CAUSES } from './index'

describe('readings to learn by', () => {
  it.each(READ_CAUSES)('%s shows, small and large, in most of its tools', (code) => {
    let named = 0
    for (let seed = 1; seed <= 20; seed++) {
      const { given, edge } = drawReadings(code, (seed % 5) / 4, seed)
      const [first] = causesOf(given)
      if (first.code === code && (edge === null || first.edge === edge)) named++
    }
    // worn and a zero that moved look alike, and so do a length that was never set and one that crept
    expect(named).toBeGreaterThanOrEqual(['WORN', 'ZERO_MOVED', 'LENGTH_NOT_SET', 'CREPT'].includes(code) ? 8 : 18)
  })
  it('good tools are told good', () => {
    const good = Array.from({ length: 30 }, (_, i) => causesOf(drawReadings(null, 0, 100 + i).given))
    expect(good.filter((causes) => causes[0].code === 'NOTHING' && isTellable(causes)).length).toBeGreaterThanOrEqual(28)
  })
  it('are the same for the same seed', () => expect(drawReadings('TILTED', 0.3, 7)).toEqual(drawReadings('TILTED', 0.3, 7)))
})
