/**
 * Type-1 study against simple-statistics and against the certified data of NIST's StRD univariate set NumAcc4.
 */
import { mean, sampleStandardDeviation } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { type1Study } from '@/core/judge'

describe('a type-1 study', () => {
  const readings = Array.from({ length: 50 }, (_, i) => 20.0007 + 0.0009 * Math.sin(1.7 * i))
  it('agrees with a separate library', () => {
    const study = type1Study(readings, 20, 0.04)!
    expect(study.meanMm).toBeCloseTo(mean(readings), 12)
    expect(study.sMm).toBeCloseTo(sampleStandardDeviation(readings), 12)
    expect(study.Cg).toBeCloseTo(0.008 / (6 * sampleStandardDeviation(readings)), 9)
    expect(study.Cgk).toBeCloseTo((0.004 - Math.abs(mean(readings) - 20)) / (3 * sampleStandardDeviation(readings)), 9)
  })
  it('keeps its digits where values are long and close: NumAcc4, mean 10000000.2, s 0.1', () => {
    const values = [10000000.2, ...Array.from({ length: 1000 }, (_, i) => (i % 2 ? 10000000.3 : 10000000.1))]
    const study = type1Study(values, 10000000.2, 1)!
    expect(study.meanMm).toBeCloseTo(10000000.2, 6)
    expect(study.sMm).toBeCloseTo(0.1, 8)
  })
  it('says nothing of too little, or of no scatter', () => {
    expect(type1Study([20], 20, 0.04)).toBeNull()
    expect(type1Study([20, 20, 20], 20, 0.04)).toBeNull()
  })
})
