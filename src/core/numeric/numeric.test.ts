import fc from 'fast-check'
import { Matrix, solve } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { cumulativeNormal, invert, leastSquares, median, robustSigma, seededRandom, solveLinear, tukeyWeight } from './index'

describe('linear', () => {
  it('solves as a separate library does (ml-matrix)', () => {
    const random = seededRandom(5)
    for (let trial = 0; trial < 50; trial++) {
      const n = 1 + (trial % 6)
      const a = Array.from({ length: n }, () => Array.from({ length: n }, () => random.normal()))
      const b = Array.from({ length: n }, () => random.normal())
      const reference = solve(new Matrix(a), Matrix.columnVector(b)).to1DArray()
      solveLinear(a, b)!.forEach((x, i) => expect(x).toBeCloseTo(reference[i], 7))
    }
  })
  it('says when there is no answer', () => {
    const flat = [
      [1, 2],
      [2, 4],
    ]
    expect(solveLinear(flat, [1, 2])).toBeNull()
    expect(invert(flat)).toBeNull()
    expect(leastSquares([[1, 1]], [2])).toBeNull()
  })
  it('fits a line and its cofactor', () => {
    const fit = leastSquares(
      [0, 1, 2, 3].map((t) => [1, t]),
      [1, 3, 5, 7],
    )!
    expect(fit.x[0]).toBeCloseTo(1, 12)
    expect(fit.x[1]).toBeCloseTo(2, 12)
    expect(fit.cofactor[1][1]).toBeCloseTo(1 / 5, 12) // 1/Σ(t−mean)²
  })
})

describe('robust', () => {
  it('takes the middle, whatever the order', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ noNaN: true, min: -1e6, max: 1e6 }), { minLength: 1 }), (values) => {
        const m = median(values)
        expect(values.filter((v) => v < m).length).toBeLessThanOrEqual(values.length / 2)
        expect(values.filter((v) => v > m).length).toBeLessThanOrEqual(values.length / 2)
      }),
    )
  })
  it('gives an outlier no weight and keeps the noise level', () => {
    expect(tukeyWeight(0, 1)).toBe(1)
    expect(tukeyWeight(5, 1)).toBe(0)
    const random = seededRandom(1)
    const noise = Array.from({ length: 4000 }, (_, i) => (i % 10 ? random.normal() : 50))
    expect(robustSigma(noise)).toBeGreaterThan(0.95)
    expect(robustSigma(noise)).toBeLessThan(1.25)
  })
})

describe('cumulativeNormal', () => {
  // Abramowitz & Stegun, Handbook of Mathematical Functions, table 26.1
  it.each([
    [0, 0.5],
    [1, 0.841344746068543],
    [2, 0.977249868051821],
    [3, 0.99865010196837],
    [-1, 0.158655253931457],
    [4, 0.999968328758167],
  ])('at %d', (x, p) => expect(cumulativeNormal(x)).toBeCloseTo(p, 14))
})
