import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { firstDial, learnShare, nextDial, noseShift, type BoringHead } from './index'

const INCH = 25.4
const HEAD: BoringHead = {
  ...{ zeroMm: 20, noseMm: 0.2, divisionMm: 0.01, backlashMm: null, seat: { KAPR: 90, EPSR: 80 } },
  range: { min: 20, max: 30 },
}

describe('a nose of another radius', () => {
  // factors from brute-force geometry: an insert of angle ε turned to κ, its nose laid into both walls; dD for 0.4 → 0.8 and 0.4 → 0.2
  it.each([
    [90, 90, 0, 0],
    [90, 60, -0.58564, 0.29282],
    [91, 60, -0.57147, 0.28573],
    [95, 80, -0.08005, 0.04003],
    [90, 80, -0.1534, 0.0767],
    [93, 55, -0.69281, 0.34641],
    [75, 90, -0.1798, 0.0899],
    [45, 90, -0.33137, 0.16569],
  ])('κ %i°, ε %i°: 0.4 → 0.8 changes the bore by %f, 0.4 → 0.2 by %f mm', (KAPR, EPSR, larger, smaller) => {
    expect(noseShift({ KAPR, EPSR }, 0.4, 0.8)).toBeCloseTo(larger, 4)
    expect(noseShift({ KAPR, EPSR }, 0.4, 0.2)).toBeCloseTo(smaller, 4)
  })

  it('is what a search over the nose’s own points finds', () => {
    // the corner at the origin, its walls by κ and ε; the farthest point outwards (the radius) of a nose tangent to both
    const farthest = (KAPR: number, EPSR: number, r: number) => {
      const [major, minor] = [KAPR, KAPR + EPSR].map((deg) => (deg * Math.PI) / 180)
      const toCorner = r / Math.sin((EPSR * Math.PI) / 360)
      const inwards = (major + minor) / 2
      // x outwards, y along the feed backwards from the corner
      const c = { x: -toCorner * Math.sin(inwards), y: toCorner * Math.cos(inwards) }
      let most = -Infinity
      for (let a = 0; a < 20_000; a++) most = Math.max(most, c.x + r * Math.cos((a * Math.PI) / 10_000))
      return most
    }
    fc.assert(
      fc.property(fc.integer({ min: 85, max: 100 }), fc.integer({ min: 55, max: 78 }), (KAPR, EPSR) => {
        const found = 2 * (farthest(KAPR, EPSR, 0.8) - farthest(KAPR, EPSR, 0.4))
        expect(noseShift({ KAPR, EPSR }, 0.4, 0.8)).toBeCloseTo(found, 5)
      }),
      { numRuns: 30 },
    )
  })
})

describe('the dial', () => {
  it('common practice, no source: zero 20 mm, wanted 0.800 in, 0.005 in left; the nose took 0.0035, the second move 0.0085', () => {
    const plain = { ...HEAD, seat: null }
    const first = firstDial(plain, { wantedMm: 0.8 * INCH, noseMm: 0.2, leaveMm: 0.005 * INCH })
    // 0.0126 in to go, less 0.005
    expect(first.ok && first.value.dialMm / INCH).toBeCloseTo(0.0076, 4)
    // whoever dialled 0.012 instead, for a nose that was guessed, measured 0.7915
    const step = { dialMm: 0.012 * INCH, boreMm: 0.7915 * INCH }
    const limits = { min: 0.7995 * INCH, max: 0.8005 * INCH }
    const next = nextDial(plain, step, 0.8 * INCH, limits, { share: 1, moves: 0 })
    expect(next.ok && next.value).toMatchObject({ type: 'larger' })
    expect(next.ok && 'byMm' in next.value && next.value.byMm / INCH).toBeCloseTo(0.0085, 9)
  })
  it('a test cut of 49.912 for 50.0125 wanted: 10.05 divisions of 0.01 more', () => {
    const head = { ...HEAD, zeroMm: 45, range: { min: 45, max: 60 } }
    const limits = { min: 50, max: 50.025 }
    const next = nextDial(head, { dialMm: 4.9, boreMm: 49.912 }, 50.0125, limits, { share: 1, moves: 0 })
    expect(next.ok && 'byDivisions' in next.value && next.value.byDivisions).toBeCloseTo(10.05, 9)
  })
  it('asks more of the dial for a larger nose, and less for a smaller one', () => {
    const dial = (noseMm: number) => {
      const first = firstDial(HEAD, { wantedMm: 25, noseMm, leaveMm: 0 })
      return first.ok ? first.value.dialMm : NaN
    }
    expect([dial(0.4) > dial(0.2), dial(0.1) < dial(0.2)]).toEqual([true, true])
    expect(dial(0.2)).toBeCloseTo(5, 9)
  })
  it('does not leave its range, and not go below zero', () => {
    expect(firstDial(HEAD, { wantedMm: 31, noseMm: 0.2, leaveMm: 0 })).toMatchObject({ error: { code: 'OUT_OF_RANGE', max: 30 } })
    expect(firstDial(HEAD, { wantedMm: 20.05, noseMm: 0.1, leaveMm: 0.045 })).toMatchObject({ error: { code: 'BELOW_ZERO' } })
  })
  it('is done inside of its limits; past them it goes back past its play first', () => {
    const limits = { min: 24.99, max: 25.01 }
    const after = (boreMm: number, backlashMm: number | null = 0.05) =>
      nextDial({ ...HEAD, backlashMm }, { dialMm: 5, boreMm }, 25, limits, { share: 1, moves: 0 })
    expect(after(25.01)).toMatchObject({ value: { type: 'done' } })
    expect(after(25.02)).toMatchObject({ value: { type: 'too large', backMm: 0.05 } })
    expect(after(25.02, null)).toMatchObject({ value: { backMm: 0.1 } })
  })
})

describe('how far a head really moves', () => {
  it('is learned from its moves, and drawn to what the dial says while they are few and small', () => {
    const at = (share: number, dials: readonly number[]) => dials.map((dialMm) => ({ dialMm, boreMm: 20 + share * dialMm }))
    expect(learnShare([])).toEqual({ share: 1, moves: 0 })
    const small = learnShare([at(0.9, [1, 1.01])])
    const large = learnShare([at(0.9, [1, 2]), at(0.9, [1, 1.5])])
    expect(small.share).toBeGreaterThan(0.98)
    expect(large.share).toBeCloseTo(0.9, 3)
    expect(large.moves).toBe(2)
    // inwards, without a bore, or beyond belief: not learned from
    const none = [...at(1, [2, 1]), { dialMm: 3, boreMm: null }, { dialMm: 4, boreMm: 29 }, { dialMm: 4.1, boreMm: 29.5 }]
    expect(learnShare([none])).toEqual({ share: 1, moves: 0 })
  })
  it('brings any head of steady steps into its limits in three bores', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.85, max: 1.15, noNaN: true }),
        fc.double({ min: -0.05, max: 0.05, noNaN: true }),
        (share, off) => {
          const cut = (dialMm: number) => 20 + off + share * dialMm
          const limits = { min: 24.985, max: 25.015 }
          const first = firstDial(HEAD, { wantedMm: 25, noseMm: 0.2, leaveMm: 0.9 })
          const steps = [{ dialMm: first.ok ? first.value.dialMm : NaN, boreMm: NaN }]
          for (let i = 0; i < 3; i++) {
            const last = steps[steps.length - 1]
            last.boreMm = cut(last.dialMm)
            const next = nextDial(HEAD, last, 25, limits, learnShare([steps]))
            if (!next.ok || next.value.type === 'done') break
            steps.push({ dialMm: next.value.dialMm, boreMm: NaN })
          }
          expect(Math.abs(steps[steps.length - 1].boreMm - 25)).toBeLessThan(0.0151)
        },
      ),
    )
  })
})
