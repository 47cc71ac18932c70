import { describe, expect, it } from 'vitest'
import { compareResults } from './compare'
import type { FeatureKey, ToolResult } from './result'

const result = (values: Partial<Record<FeatureKey, number>>, sigma = 0.001): ToolResult => ({
  features: Object.entries(values).map(([key, value]) => ({
    key: key as FeatureKey,
    step: null,
    value,
    sigma,
    limits: null,
    verdict: null,
  })),
  runout: null,
  verdict: 'holds',
  missing: [],
})

describe('a measurement beside the one before', () => {
  const before = result({ LF: 118, DC: 10, RE: 1 })
  it.each([
    [{ LF: 118.0028, DC: 10, RE: 1 }, 'same'], // 2·√2·1 µm = 2.83 µm
    [{ LF: 118.0029, DC: 10, RE: 1 }, 'moved'],
    [{ LF: 118.05, DC: 10, RE: 1 }, 'moved'],
    [{ LF: 118, DC: 9.949, RE: 1 }, 'jump'],
    [{ LF: 118, DC: 10 }, 'moved'],
    [{}, 'moved'],
  ] as const)('%o is %s', (after, change) => expect(compareResults(before, result(after)).change).toBe(change))
  it('names what changed most', () => {
    expect(compareResults(before, result({ LF: 118.01, DC: 9.9, RE: 1 })).most).toEqual({
      key: 'DC',
      byMm: expect.closeTo(-0.1, 9) as number,
    })
  })
  it('a wide uncertainty makes no jump of what it covers', () => {
    expect(compareResults(result({ LF: 118 }, 0.05), result({ LF: 118.2 }, 0.05)).change).toBe('moved')
    expect(compareResults(result({ LF: 118 }, 0.05), result({ LF: 118.3 }, 0.05)).change).toBe('jump')
  })
})
