/** The stand-in of a boring head behaves as heads do, and Boulder's dial copes with it. */
import { describe, expect, it } from 'vitest'
import { boreOf, makeHead, turned, type OnHead } from '@/devices/world/head-truth'
import { secondCut } from '../support/head-room'

const ON: OnHead = { zeroMm: 20, nominalNoseMm: 0.4, noseMm: 0.4, KAPR: 95, EPSR: 80 }

describe('a simulated boring head', () => {
  it('keeps its play: the same dial from above and from below cuts two bores', () => {
    const head = { ...makeHead(5), backlashMm: 0.02, share: 1, zeroOffMm: 0, lockMm: 0.004 }
    const below = turned(head, 5)
    const above = turned(turned(head, 5.5), 5)
    expect(boreOf(below, ON, 0)).toBeCloseTo(24.984, 9)
    expect(boreOf(above, ON, 0) - boreOf(below, ON, 0)).toBeCloseTo(0.02, 9)
    // back past its play and out again is the same as from below
    expect(boreOf(turned(turned(above, 4.9), 5), ON, 0)).toBeCloseTo(boreOf(below, ON, 0), 9)
  })
  it('bores smaller with a larger nose: κ 95°, ε 80°, 0.4 → 0.8 takes 0.080 mm off (brute-force geometry)', () => {
    const head = turned(makeHead(5), 5)
    expect(boreOf(head, { ...ON, noseMm: 0.8 }, 0) - boreOf(head, ON, 0)).toBeCloseTo(-0.08005, 4)
  })
  it('is brought within 0.01 mm by its second test cut, of forty heads all but two', () => {
    const off = Array.from({ length: 40 }, (_, i) => Math.abs(secondCut(i + 1)))
    expect(off.filter((mm) => mm <= 0.01).length).toBeGreaterThanOrEqual(38)
  })
})
