import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { ToolProfile } from '@/core/tool'
import { CHORD_MM, encodeStl, sidesFor, type StlPart } from './stl'

const profile = (points: readonly (readonly [number, number])[], of: 'cutter' | 'holder' = 'cutter'): ToolProfile => ({
  parts: [{ part: 'cut', points, of }],
  ...{ lowMm: 0, highMm: 0, edges: 1, cutRadiusMm: 1, cornerRadiusMm: 0 },
})

/** Read back as the format says: facets of twelve floats. */
function read(bytes: Uint8Array) {
  const view = new DataView(bytes.buffer)
  const count = view.getUint32(80, true)
  expect(bytes).toHaveLength(84 + 50 * count)
  return Array.from({ length: count }, (_, i) =>
    [0, 1, 2, 3].map((corner) => [0, 1, 2].map((k) => view.getFloat32(84 + 50 * i + 12 * corner + 4 * k, true))),
  )
}
/** By the divergence theorem; above 0 where every facet looks outwards. */
const volume = (facets: ReturnType<typeof read>) =>
  facets.reduce((sum, [, a, b, c]) => {
    const cross = [b[1] * c[2] - b[2] * c[1], b[2] * c[0] - b[0] * c[2], b[0] * c[1] - b[1] * c[0]]
    return sum + (a[0] * cross[0] + a[1] * cross[1] + a[2] * cross[2]) / 6
  }, 0)

describe('a tool as STL', () => {
  it('is a closed body whose facets look outwards: each edge is used once in each direction', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 1, max: 20 })), { minLength: 2, maxLength: 8 }),
        (steps) => {
          let z = 0
          const points = steps.map(([r, dz]) => [r, (z += dz)] as const)
          if (points.every(([r]) => r === 0)) return
          const facets = read(encodeStl(profile(points), 'all', 0.5))
          const edges = new Map<string, number>()
          const name = (p: readonly number[]) => p.map((v) => v.toFixed(4).replace('-0.0000', '0.0000')).join(' ')
          for (const [, a, b, c] of facets)
            for (const [p, q] of [
              [a, b],
              [b, c],
              [c, a],
            ])
              edges.set(`${name(p)}|${name(q)}`, (edges.get(`${name(p)}|${name(q)}`) ?? 0) + 1)
          for (const [edge, count] of edges) {
            const [p, q] = edge.split('|')
            expect(edges.get(`${q}|${p}`)).toBe(count)
          }
          expect(volume(facets)).toBeGreaterThan(0)
        },
      ),
      { numRuns: 40 },
    )
  })
  it('has the volume of its outline, to its chord error', () => {
    const facets = read(
      encodeStl(
        profile([
          [10, 0],
          [10, 50],
        ]),
        'all',
      ),
    )
    const real = Math.PI * 100 * 50
    expect(volume(facets)).toBeLessThan(real)
    // inside by at most the chord error all over its side
    expect(real - volume(facets)).toBeLessThan(2 * Math.PI * 10 * CHORD_MM * 50)
  })
  it.each([1, 5, 20, 60])('chords of Ø%i stay within 0.01 mm', (radius) => {
    expect(radius * (1 - Math.cos(Math.PI / sidesFor(radius)))).toBeLessThanOrEqual(CHORD_MM)
  })
  it('gives cutter and holder apart', () => {
    const both: ToolProfile = {
      ...profile([
        [5, 50],
        [5, 80],
      ]),
      parts: [
        ...profile([
          [5, 50],
          [5, 80],
        ]).parts,
        ...profile(
          [
            [20, 0],
            [20, 50],
          ],
          'holder',
        ).parts,
      ],
    }
    const count = (part: StlPart) => read(encodeStl(both, part)).length
    expect(count('cutter') + count('holder')).toBe(count('all'))
    expect(count('cutter')).toBeGreaterThan(0)
  })
})
