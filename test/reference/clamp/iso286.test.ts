/** ISO 286-2:2010, limits of shanks, µm. Typed from the standard's table for h5, h6, h7, g6, n6 over the ranges to 50 mm. */
import { describe, expect, it } from 'vitest'
import { SHANK_CLASSES, shankLimits, type ShankClass } from '@/core/tool'

const TABLE: [number, Record<ShankClass, [number, number]>][] = [
  [3, { h5: [0, -4], h6: [0, -6], h7: [0, -10], g6: [-2, -8], n6: [10, 4] }],
  [6, { h5: [0, -5], h6: [0, -8], h7: [0, -12], g6: [-4, -12], n6: [16, 8] }],
  [10, { h5: [0, -6], h6: [0, -9], h7: [0, -15], g6: [-5, -14], n6: [19, 10] }],
  [18, { h5: [0, -8], h6: [0, -11], h7: [0, -18], g6: [-6, -17], n6: [23, 12] }],
  [30, { h5: [0, -9], h6: [0, -13], h7: [0, -21], g6: [-7, -20], n6: [28, 15] }],
  [50, { h5: [0, -11], h6: [0, -16], h7: [0, -25], g6: [-9, -25], n6: [33, 17] }],
]

const deviations = (d: number, c: ShankClass) => {
  const limits = shankLimits(d, c)
  if (!limits.ok) throw new Error(`${d} ${c}`)
  return [Math.round((limits.value.max - d) * 1000), Math.round((limits.value.min - d) * 1000)]
}

describe('ISO 286-2', () => {
  it.each(TABLE)('the range up to and including %d mm', (upTo, row) => {
    for (const c of SHANK_CLASSES) expect(deviations(upTo, c)).toEqual(row[c])
  })
  it('belongs to the next range just above a boundary', () => {
    expect(deviations(10, 'h6')).toEqual([0, -9])
    expect(deviations(10.001, 'h6')).toEqual([0, -11])
    expect(deviations(3, 'h6')).toEqual([0, -6])
  })
  it.each([0, -1, 50.1, NaN])('refuses %d mm', (d) => expect(shankLimits(d, 'h6').ok).toBe(false))
  it('follows the standard’s formula for IT grades to 1 µm (7i, 10i, 16i; the table governs up to 3 mm)', () => {
    const RANGES: [number, number][] = [
      [3, 6],
      [6, 10],
      [10, 18],
      [18, 30],
      [30, 50],
    ]
    for (const [over, upTo] of RANGES) {
      const D = Math.sqrt(over * upTo)
      const i = 0.45 * Math.cbrt(D) + 0.001 * D
      for (const [c, factor] of [
        ['h5', 7],
        ['h6', 10],
        ['h7', 16],
      ] as const) {
        const [upper, lower] = deviations(upTo, c)
        expect(Math.abs(upper - lower - factor * i)).toBeLessThanOrEqual(1)
      }
    }
  })
})
