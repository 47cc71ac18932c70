/** Worked examples computed outside this project (least squares and discrete Fourier sums). */
import fc from 'fast-check'
import { Matrix, solve } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { judge, splitRunout, worst } from '@/core/judge'

const edges = (radii: readonly number[], angles?: readonly number[]) =>
  radii.map((radiusMm, i) => ({ edge: i + 1, angleDeg: angles?.[i] ?? (360 * i) / radii.length, radiusMm }))
const pattern = (n: number, r0: number, e: number, deg: number) =>
  Array.from({ length: n }, (_, i) => r0 + e * Math.cos(((360 * i) / n - deg) * (Math.PI / 180)))

describe('runout told apart', () => {
  it('four edges: only the alternating part of the seats shows', () => {
    const r = splitRunout(edges([5.006196, 5.001, 4.994804, 4.998]), 0.001)!
    expect(r.eccentricity!.eMm * 1000).toBeCloseTo(5.8903, 3)
    expect(r.eccentricity!.angleDeg).toBeCloseTo(14.7531, 2)
    expect(r.own!.map((o) => Math.round(o.mm * 1e4) / 10)).toEqual([0.5, -0.5, 0.5, -0.5])
    expect(r.spreadMm * 1000).toBeCloseTo(11.392, 3)
    expect(r.sweptDiameterMm).toBeCloseTo(10.012392, 6)
    expect(r.known).toBe('alternating-only')
  })
  it.each([3, 5, 6])('%d edges without seat errors: exact', (n) => {
    const r = splitRunout(edges(pattern(n, 8, 0.01, 100)), 0.001)!
    expect(r.eccentricity!.eMm).toBeCloseTo(0.01, 9)
    expect(r.eccentricity!.angleDeg).toBeCloseTo(100, 6)
    expect(r.own === null).toBe(n === 3)
  })
  it('unequal pitch needs least squares', () => {
    const r = splitRunout(edges([6.005142, 6.006709, 5.994858, 5.993291], [0, 83, 180, 263]), 0.001)!
    expect(r.eccentricity!.eMm * 1000).toBeCloseTo(8, 3)
    expect(r.eccentricity!.angleDeg).toBeCloseTo(50, 2)
  })
  it('says what two edges and one edge cannot tell', () => {
    expect(splitRunout(edges([7.99826, 8.00174]), 0.001)).toMatchObject({ eccentricity: null, own: null, known: 'one-component' })
    expect(splitRunout(edges([8]), 0.001)).toMatchObject({ eccentricity: null, known: 'nothing' })
    expect(splitRunout([], 0.001)).toBeNull()
  })
  it('knows from where on it is proven: σ·√(2/z)·2.4477', () => {
    expect(splitRunout(edges(pattern(4, 5, 0.01, 0)), 0.001)!.eccentricity!.provenAboveMm * 1000).toBeCloseTo(1.7308, 3)
  })
  it('gives the one component that two edges show, and says no more', () => {
    const r = splitRunout(edges([7.99826, 8.00174]), 0.001)!
    expect(r.component!.mm * 1000).toBeCloseTo(-1.74, 2) // e·cos(φ0 − φ1) of 10 µm at 100°: −1.7365 before rounding
    expect(r.feed.find((f) => f.edge === 2)!.mm * 1000).toBeCloseTo(3.48, 3)
  })
  it('gives each edge its share of the feed: f_z + (r_i − r_(i−1))', () => {
    const r = splitRunout(edges([5.01, 5]), 0.001)!
    expect(r.feed.map(({ mm }) => 0.05 + mm)).toEqual([expect.closeTo(0.06, 9), expect.closeTo(0.04, 9)])
  })
  it('agrees with a separate least-squares library on random radii and angles', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ r: fc.double({ min: 4.9, max: 5.1, noNaN: true }), gap: fc.double({ min: 20, max: 90, noNaN: true }) }),
          {
            minLength: 3,
            maxLength: 12,
          },
        ),
        (given) => {
          const total = given.reduce((s, g) => s + g.gap, 0)
          let at = 0
          const angles = given.map(({ gap }) => ((at += gap) * 360) / total)
          const r = splitRunout(
            edges(
              given.map((g) => g.r),
              angles,
            ),
            0.001,
          )!
          const rows = angles.map((deg) => [1, Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)])
          const x = solve(new Matrix(rows), Matrix.columnVector(given.map((g) => g.r)), true).to1DArray()
          expect(r.meanRadiusMm).toBeCloseTo(x[0], 9)
          expect(r.eccentricity!.eMm).toBeCloseTo(Math.hypot(x[1], x[2]), 9)
        },
      ),
    )
  })
  it('turns with the tool', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 8 }),
        fc.double({ min: 0.001, max: 0.02, noNaN: true }),
        fc.double({ min: 0, max: 359, noNaN: true }),
        (n, e, deg) => {
          expect(splitRunout(edges(pattern(n, 10, e, deg)), 0.001)!.eccentricity!.eMm).toBeCloseTo(e, 9)
        },
      ),
    )
  })
})

describe('judging by ISO 14253-1', () => {
  const limits = { min: 9.98, max: 10.02 }
  it.each([
    [10, 0.002, 'holds'],
    [10.016, 0.002, 'holds'],
    [10.017, 0.002, 'unsure'],
    [10.023, 0.002, 'unsure'],
    [10.0241, 0.002, 'off'],
    [9.975, 0.002, 'off'],
  ] as const)('%d with σ %d', (value, sigma, verdict) => expect(judge(value, limits, sigma)).toBe(verdict))
  it('has no lower side for a spread', () => expect(judge(0, { min: null, max: 0.01 }, 0.001)).toBe('holds'))
  it('takes the worst', () => {
    expect(worst(['holds', 'unsure', 'off', 'holds'])).toBe('off')
    expect(worst([])).toBe('holds')
  })
})
