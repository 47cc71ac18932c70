/** Inserts of a rough head: all equal, or every second one set back on purpose. */
import type { SetMeasurement } from '../sets'
import type { Definition } from '../tool'

type Stepped = NonNullable<Definition['stepped']>

const spread = (values: readonly number[]) => Math.max(...values) - Math.min(...values)

/**
 * How the edges agree once what is meant is taken off: their runouts are then those of a head whose inserts are all equal. Which
 * half is set back is told by the edges themselves, in the order in which they come past.
 * @param stepped null: all are equal. An odd number of edges cannot alternate, and stays as it is
 */
export function asMeant(set: SetMeasurement, stepped: Stepped | null): SetMeasurement {
  const { edges, summary } = set
  if (!stepped || edges.length < 2 || edges.length % 2 === 1) return set
  const values = edges.map((edge) => ({ x: edge.x?.value ?? null, z: edge.z?.value ?? null }))
  const left = ([0, 1] as const).map((first) => {
    const back = (i: number) => ((i + first) % 2 === 1 ? 1 : 0)
    const all = (of: 'x' | 'z', by: number) => values.flatMap((v, i) => (v[of] === null ? [] : [v[of] + by * back(i)]))
    return { radial: spread(all('x', stepped.radialMm)), axial: spread(all('z', stepped.axialMm)) }
  })
  const best = left[0].radial + left[0].axial <= left[1].radial + left[1].axial ? left[0] : left[1]
  return {
    ...set,
    summary: {
      ...summary,
      radialRunout: summary.radialRunout === null ? null : best.radial,
      axialRunout: summary.axialRunout === null ? null : best.axial,
    },
  }
}
