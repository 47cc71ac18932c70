import { describe, expect, it } from 'vitest'
import { isTip, machineTip, noseCodeOf, radiiOf, TIP_TOWARDS } from './index'

// ISO 1832: radius = code / 10 mm; inch inserts are n/64 in (table: 02 → 0.1984, 08 → 0.7937, 32 → 3.1750 mm)
describe('nose codes', () => {
  it.each([
    ['02', 0.1984],
    ['04', 0.3969],
    ['08', 0.7937],
    ['12', 1.1906],
    ['24', 2.3812],
    ['32', 3.175],
  ] as const)('%s stands for an inch insert of %f mm too', (code, inch) => {
    expect(radiiOf(code)[1]).toBeCloseTo(inch, 3)
    expect(noseCodeOf(inch)).toBe(code)
    expect(noseCodeOf(Number(code) / 10)).toBe(code)
  })
  it('a radius between two codes is of neither', () => {
    expect([0.1, 0.6, 1, 2.2 + 0.4, 5].map(noseCodeOf)).toEqual([null, null, null, null, null])
    expect(noseCodeOf(0.41)).toBe('04')
  })
})

describe('where a tip points in the machine', () => {
  it('is as seen on the bench, each axis the same way or the other way round', () => {
    // common practice, no source: a tool over the chuck points to X− and Z−, on the bench outwards and up
    expect(machineTip(1, { x: -1, z: -1 })).toBe(3)
    expect(machineTip(1, { x: 1, z: -1 })).toBe(2)
    expect(machineTip(5, { x: -1, z: -1 })).toBe(7)
    expect(machineTip(6, { x: -1, z: 1 })).toBe(8)
    expect(machineTip(9, { x: -1, z: -1 })).toBe(9)
    for (const q of [1, 2, 3, 4, 5, 6, 7, 8] as const) {
      const turned = machineTip(q, { x: -1, z: 1 })
      expect(isTip(turned)).toBe(true)
      expect([TIP_TOWARDS[turned].x + TIP_TOWARDS[q].x, TIP_TOWARDS[turned].z - TIP_TOWARDS[q].z]).toEqual([0, 0])
      expect(machineTip(turned, { x: -1, z: 1 })).toBe(q)
    }
  })
})
