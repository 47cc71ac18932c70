import { describe, expect, it } from 'vitest'
import { pocketPlaces } from './pocket-places'

const apart = (a: { x: number; y: number }, b: { x: number; y: number }) => Math.hypot(a.x - b.x, a.y - b.y)

describe('where pockets are drawn', () => {
  it.each([
    ['chain', 60],
    ['drum', 24],
    ['rack', 12],
  ] as const)('a %s: neighbours one pitch apart, everything inside its frame', (form, pockets) => {
    const { at, widthMm, heightMm } = pocketPlaces({ form, pitchMm: 90, gapMm: 2 }, pockets, 80)
    expect(at).toHaveLength(pockets)
    for (let i = 1; i < pockets; i++) {
      // along a bend the chord is a little shorter than the chain
      expect(apart(at[i], at[i - 1])).toBeGreaterThan(87)
      expect(apart(at[i], at[i - 1])).toBeLessThan(90.001)
    }
    if (form !== 'rack') expect(apart(at[0], at[pockets - 1])).toBeGreaterThan(87)
    for (const { x, y, away } of at) {
      expect(Math.hypot(away.x, away.y)).toBeCloseTo(1, 9)
      expect(x).toBeGreaterThan(79.99)
      expect(y).toBeGreaterThan(79.99)
      expect(x).toBeLessThan(widthMm - 79.99)
      expect(y).toBeLessThan(heightMm - 79.99)
    }
  })
})
