import { describe, expect, it } from 'vitest'
import { chipShiftMm, clearanceGainedMm, twoEdgesDifferMm, widestAfterS } from './index'

describe('things to try', () => {
  // 10 µm under one side of a 63 mm face, 120 mm long: 19.05 µm at the tip (derived)
  it('a chip on the face moves the tip', () => expect(chipShiftMm(0.01, 63, 120)).toBeCloseTo(0.01905, 5))
  it('a long heat helps no more: the bore is widest after some seconds, and a steel shank closes it again', () => {
    const hss = widestAfterS(12, 'HSS')
    expect(hss).toBeGreaterThan(2)
    expect(hss).toBeLessThan(20)
    expect(clearanceGainedMm(60, 12, 'HSS')).toBeLessThan(0.4 * clearanceGainedMm(hss, 12, 'HSS'))
    expect(clearanceGainedMm(10, 12, 'carbide')).toBeGreaterThan(clearanceGainedMm(10, 12, 'HSS'))
  })
  it('two edges show all of an offset, or nothing of it', () => {
    expect(twoEdgesDifferMm(0.01, 0)).toBeCloseTo(0.02, 9)
    expect(twoEdgesDifferMm(0.01, Math.PI / 2)).toBeCloseTo(0, 9)
  })
})
