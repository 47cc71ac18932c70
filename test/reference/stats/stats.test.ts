/**
 * NIST StRD univariate: NumAcc1 to NumAcc4 (certified values). Individuals and moving range, Pp and Ppk: Montgomery, Introduction to
 * Statistical Quality Control (constants, from memory), the numbers by hand. Gauge R&R: the 10 × 3 × 3 example of AIAG's MSA manual as
 * recalled; its sums of squares agree with those remembered independently. χ² and F: tables of Abramowitz and Stegun 26 (from memory).
 */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  betaI,
  capability,
  chiSquareQuantile,
  describe as described,
  ENOUGH,
  fAbove,
  gaugeStudy,
  histogram,
  individuals,
  lag1,
  limitFor,
  quantile,
} from '@/core/stats'
import { seededRandom } from '@/core/numeric'

const alternating = (base: number, step: number) =>
  Array.from({ length: 1001 }, (_, i) => (i === 0 ? base : i % 2 ? base - step : base + step))

describe('mean and spread keep their digits', () => {
  it.each([
    ['NumAcc1', [10_000_001, 10_000_003, 10_000_002], 10_000_002, 1, -0.5, 12],
    ['NumAcc2', alternating(1.2, 0.1), 1.2, 0.1, -0.999, 10],
    ['NumAcc3', alternating(1_000_000.2, 0.1), 1_000_000.2, 0.1, -0.999, 8],
    ['NumAcc4', alternating(10_000_000.2, 0.1), 10_000_000.2, 0.1, -0.999, 7],
  ])('%s', (_, values, mean, sd, lag, digits) => {
    const found = described(values)
    expect(found.mean).toBeCloseTo(mean, Math.min(digits, 8))
    expect(found.sd).toBeCloseTo(sd, digits)
    expect(lag1(values)).toBeCloseTo(lag, digits)
  })
  it('a histogram counts every reading once', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 1, maxLength: 80 }), (values) => {
        const bins = histogram(values)
        expect(bins.reduce((s, b) => s + b.count, 0)).toBe(values.length)
      }),
    )
    expect(histogram([])).toEqual([])
    expect(quantile([1, 2, 4], 0.5)).toBe(2)
    expect(quantile([1, 2, 4], 0.75)).toBe(3)
  })
})

describe('distributions', () => {
  it('χ² quantiles as tabled', () => {
    expect(chiSquareQuantile(0.95, 1)).toBeCloseTo(3.841459, 5)
    expect(chiSquareQuantile(0.975, 24)).toBeCloseTo(39.364077, 5)
    expect(chiSquareQuantile(0.025, 24)).toBeCloseTo(12.40115, 4)
    expect(chiSquareQuantile(0.5, 100)).toBeCloseTo(99.33413, 4)
  })
  it('F as tabled: 5 % points', () => {
    expect(fAbove(4.964603, 1, 10)).toBeCloseTo(0.05, 6)
    expect(fAbove(2.978237, 10, 10)).toBeCloseTo(0.05, 6)
    expect(fAbove(1.835, 30, 30.0001)).toBeCloseTo(0.0508, 3)
    expect(betaI(2, 3, 0.4)).toBeCloseTo(0.5248, 10)
  })
})

describe('whether limits are kept', () => {
  const data = [10.002, 10.005, 9.998, 10.001, 10.004, 9.999, 10.003, 10.0, 9.997, 10.006]
  const limits = { min: 9.985, max: 10.015 }
  it('Pp, Ppk and the chart of individuals to the printed digits', () => {
    const found = capability(data, limits)!
    expect(found.mean).toBeCloseTo(10.0015, 9)
    expect(found.sd).toBeCloseTo(0.0030277, 7)
    expect(found.pp!.value).toBeCloseTo(1.65145, 5)
    expect(found.ppk.value).toBeCloseTo(1.4863, 4)
    const chart = individuals(data, 1.128)
    expect(chart.meanRange).toBeCloseTo(0.0044444, 7)
    expect(chart.sigma).toBeCloseTo(0.0039401, 7)
    expect((limits.max - limits.min) / (6 * chart.sigma)).toBeCloseTo(1.269, 4)
    // 2.66·MR̄ is 3/1.128
    expect(chart.low).toBeCloseTo(9.98968, 4)
    expect(chart.high).toBeCloseTo(10.01332, 4)
  })
  it('is too few below 25, and says nothing of one reading or of none that differ', () => {
    expect(limitFor(capability(data, limits)!, limits)).toEqual({ type: 'too few' })
    expect(capability([10], limits)).toBeNull()
    expect(capability([10, 10, 10], limits)).toBeNull()
    expect(ENOUGH).toBe(25)
  })
  it('names a limit that is never needed, and one that is not kept, with what would fit', () => {
    const { normal } = seededRandom(4)
    const values = Array.from({ length: 80 }, () => 10 + 0.001 * normal())
    const wide = { min: 9.97, max: 10.03 }
    expect(limitFor(capability(values, wide)!, wide)).toMatchObject({ type: 'never needed' })
    const tight = { min: 9.999, max: 10.001 }
    const found = limitFor(capability(values, tight)!, tight)
    expect(found).toMatchObject({ type: 'not kept' })
    expect('fits' in found && found.fits.max - found.fits.min!).toBeCloseTo(0.008, 2)
    const right = { min: 9.995, max: 10.005 }
    expect(limitFor(capability(values, right)!, right)).toEqual({ type: 'fits' })
  })
  it('its interval holds the true Ppk in about 95 of 100 processes', () => {
    const { normal } = seededRandom(11)
    let inside = 0
    const runs = 1500
    for (let i = 0; i < runs; i++) {
      const values = Array.from({ length: 50 }, () => normal())
      const { ppk } = capability(values, { min: -4, max: 4.5 })!
      if (ppk.low <= 4 / 3 && ppk.high >= 4 / 3) inside++
    }
    expect(inside / runs).toBeGreaterThan(0.93)
    expect(inside / runs).toBeLessThan(0.975)
  })
})

const A = [
  [0.29, -0.56, 1.34, 0.47, -0.8, 0.02, 0.59, -0.31, 2.26, -1.36],
  [0.41, -0.68, 1.17, 0.5, -0.92, -0.11, 0.75, -0.2, 1.99, -1.25],
  [0.64, -0.58, 1.27, 0.64, -0.84, -0.21, 0.66, -0.17, 2.01, -1.31],
]
const B = [
  [0.08, -0.47, 1.19, 0.01, -0.56, -0.2, 0.47, -0.63, 1.8, -1.68],
  [0.25, -1.22, 0.94, 1.03, -1.2, 0.22, 0.55, 0.08, 2.12, -1.62],
  [0.07, -0.68, 1.34, 0.2, -1.28, 0.06, 0.83, -0.34, 2.19, -1.5],
]
const C = [
  [0.04, -1.38, 0.88, 0.14, -1.46, -0.29, 0.02, -0.46, 1.77, -1.49],
  [-0.11, -1.13, 1.09, 0.2, -1.07, -0.67, 0.01, -0.56, 1.45, -1.77],
  [-0.15, -0.96, 0.67, 0.11, -1.45, -0.49, 0.21, -0.49, 1.87, -2.16],
]
/** From [repeat][part] of each person to [person][part][repeat]. */
const study = [A, B, C].map((person) => person[0].map((_, part) => person.map((repeat) => repeat[part])))

describe('gauge repeatability and reproducibility', () => {
  it('the recalled example by analysis of variance', () => {
    const found = gaugeStudy(study)
    if (!found.ok) throw new Error(found.error.code)
    const { people, parts, interaction, repeats, total, pooled, ev, av, grr, pv, tv, percentOfTotal, ndc } = found.value
    expect(people.ss).toBeCloseTo(3.1673, 4)
    expect(parts.ss).toBeCloseTo(88.3619, 4)
    expect(interaction.ss).toBeCloseTo(0.359, 4)
    expect(repeats.ss).toBeCloseTo(2.7589, 4)
    expect(total.ss).toBeCloseTo(94.6471, 4)
    expect(interaction.f).toBeCloseTo(0.4337, 4)
    expect(interaction.p).toBeCloseTo(0.9741, 4)
    expect(pooled).toBe(true)
    expect([ev, av, grr, pv, tv]).toEqual([0.199933, 0.226838, 0.302372, 1.042327, 1.0853].map((v) => expect.closeTo(v, 5)))
    expect(percentOfTotal).toBeCloseTo(27.86, 2)
    expect(ndc).toBe(4)
  })
  it('keeps an interaction that is none of chance', () => {
    const { normal } = seededRandom(2)
    const turned = [0, 1, 2].map((person) =>
      Array.from({ length: 8 }, (_, part) => [0, 1, 2].map(() => part + (person === 1 ? -2 * part : 0) + 0.05 * normal())),
    )
    const found = gaugeStudy(turned, 10)
    expect(found.ok && found.value.pooled).toBe(false)
    expect(found.ok && found.value.percentOfTolerance).toBeGreaterThan(100)
  })
  it('what cannot be computed says why', () => {
    expect(gaugeStudy([study[0]])).toEqual({ ok: false, error: { code: 'TOO_SMALL', people: 1, parts: 10, repeats: 3 } })
    expect(gaugeStudy([study[0], study[1].slice(1)])).toMatchObject({ error: { code: 'NOT_WHOLE' } })
    expect(
      gaugeStudy([
        [
          [1, 1],
          [1, 1],
        ],
        [
          [1, 1],
          [1, 1],
        ],
      ]),
    ).toMatchObject({ error: { code: 'NO_SPREAD' } })
  })
})
