import { describe, expect, it } from 'vitest'
import type { EdgeMeasurement, SetMeasurement } from '../sets'
import { asMeant } from './stepped'

const edge = (n: number, x: number, z: number) =>
  ({
    edge: n,
    spindleDeg: 0,
    focus: 1,
    debris: [],
    x: { value: x, sigma: 0 },
    z: { value: z, sigma: 0 },
  }) as unknown as EdgeMeasurement
const spread = (v: readonly number[]) => Math.max(...v) - Math.min(...v)
const set = (edges: readonly (readonly [number, number])[]): SetMeasurement =>
  ({
    measure: ['LF', 'DC'],
    edges: edges.map(([x, z], i) => edge(i + 1, x, z)),
    summary: { radialRunout: spread(edges.map(([x]) => x)), axialRunout: spread(edges.map(([, z]) => z)) },
    warnings: [],
  }) as unknown as SetMeasurement
const STEPPED = { radialMm: 0.5, axialMm: 0.2 }

describe('inserts set back on purpose', () => {
  it.each([
    [
      'the second one back',
      [
        [20, 100],
        [19.5, 99.8],
      ],
    ],
    [
      'the first one back',
      [
        [19.5, 99.8],
        [20, 100],
      ],
    ],
    [
      'every second of four',
      [
        [20, 100],
        [19.5, 99.8],
        [20, 100],
        [19.5, 99.8],
      ],
    ],
  ] as const)('%s: nothing runs out', (_, edges) => {
    const { radialRunout, axialRunout } = asMeant(set(edges), STEPPED).summary
    expect(radialRunout).toBeCloseTo(0, 9)
    expect(axialRunout).toBeCloseTo(0, 9)
  })
  it('what is not as meant is left, and equal ones are wrong then', () => {
    expect(
      asMeant(
        set([
          [20, 100],
          [19.53, 99.79],
        ]),
        STEPPED,
      ).summary.radialRunout,
    ).toBeCloseTo(0.03, 9)
    expect(
      asMeant(
        set([
          [20, 100],
          [20, 100],
        ]),
        STEPPED,
      ).summary.radialRunout,
    ).toBeCloseTo(0.5, 9)
  })
  it('without a step, or with an odd number, nothing is taken off', () => {
    const three = set([
      [20, 100],
      [19.5, 99.8],
      [20, 100],
    ])
    expect(asMeant(three, STEPPED)).toBe(three)
    expect(asMeant(three, null)).toBe(three)
  })
})
