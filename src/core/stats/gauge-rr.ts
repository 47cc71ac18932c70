/** Gauge repeatability and reproducibility by analysis of variance: people × tools × repeats, crossed. */
import { fail, ok, type Result } from '../units'
import { fAbove } from './distributions'
import { meanOf } from './describe'

export type BadStudy =
  | { readonly code: 'TOO_SMALL'; readonly people: number; readonly parts: number; readonly repeats: number }
  /** Not everybody measured everything equally often. */
  | { readonly code: 'NOT_WHOLE' }
  | { readonly code: 'NO_SPREAD' }

interface Line {
  readonly ss: number
  readonly freedom: number
}

export interface GaugeStudy {
  readonly people: Line
  readonly parts: Line
  readonly interaction: Line & { readonly f: number; readonly p: number }
  readonly repeats: Line
  readonly total: Line
  /** Whether the interaction could be chance, and was counted with the repeats. */
  readonly pooled: boolean
  /** Standard deviations: of the equipment, of people (with the interaction), both, the parts, all. */
  readonly ev: number
  readonly av: number
  readonly grr: number
  readonly pv: number
  readonly tv: number
  /** Share of the total spread, and of the tolerance where there is one (6σ), in %. */
  readonly percentOfTotal: number
  readonly percentOfTolerance: number | null
  /** Number of distinct categories, 1.41·PV/GRR, rounded down. */
  readonly ndc: number
}

/** With a p above it the interaction is taken for chance: common practice (AIAG MSA, from memory). */
const POOL_P = 0.25

/**
 * @param readings [person][part][repeat]; at least two of each
 * @param tolerance width of the limits in the readings' unit; null: not known
 */
export function gaugeStudy(
  readings: readonly (readonly (readonly number[])[])[],
  tolerance: number | null = null,
): Result<GaugeStudy, BadStudy> {
  const [o, p, r] = [readings.length, readings[0]?.length ?? 0, readings[0]?.[0]?.length ?? 0]
  if (o < 2 || p < 2 || r < 2) return fail({ code: 'TOO_SMALL', people: o, parts: p, repeats: r })
  if (readings.some((person) => person.length !== p || person.some((part) => part.length !== r)))
    return fail({ code: 'NOT_WHOLE' })
  const all = readings.flat(2)
  const grand = meanOf(all)
  const ssOf = (means: readonly number[], weight: number) => weight * means.reduce((s, m) => s + (m - grand) ** 2, 0)
  const personMeans = readings.map((person) => meanOf(person.flat()))
  const partMeans = Array.from({ length: p }, (_, j) => meanOf(readings.flatMap((person) => person[j])))
  const people: Line = { ss: ssOf(personMeans, p * r), freedom: o - 1 }
  const parts: Line = { ss: ssOf(partMeans, o * r), freedom: p - 1 }
  const cells = readings.flatMap((person, i) =>
    person.map((part, j) => r * (meanOf(part) - personMeans[i] - partMeans[j] + grand) ** 2),
  )
  const both: Line = { ss: cells.reduce((a, b) => a + b, 0), freedom: (o - 1) * (p - 1) }
  const within = readings.flatMap((person) => person.flatMap((part) => part.map((v) => (v - meanOf(part)) ** 2)))
  const repeats: Line = { ss: within.reduce((a, b) => a + b, 0), freedom: o * p * (r - 1) }
  const total: Line = { ss: people.ss + parts.ss + both.ss + repeats.ss, freedom: o * p * r - 1 }
  if (!(total.ss > 0)) return fail({ code: 'NO_SPREAD' })
  const ms = ({ ss, freedom }: Line) => ss / freedom
  const f = repeats.ss > 0 ? ms(both) / ms(repeats) : Infinity
  const chance = fAbove(f, both.freedom, repeats.freedom)
  const pooled = chance > POOL_P
  const error = pooled ? (both.ss + repeats.ss) / (both.freedom + repeats.freedom) : ms(repeats)
  const against = pooled ? error : ms(both)
  const variance = (v: number) => Math.max(0, v)
  const ev2 = error
  const interaction2 = pooled ? 0 : variance((ms(both) - error) / r)
  const av2 = variance((ms(people) - against) / (p * r)) + interaction2
  const pv2 = variance((ms(parts) - against) / (o * r))
  const [ev, av, pv] = [ev2, av2, pv2].map(Math.sqrt)
  const grr = Math.hypot(ev, av)
  const tv = Math.hypot(grr, pv)
  return ok({
    ...{ people, parts, interaction: { ...both, f, p: chance }, repeats, total, pooled, ev, av, grr, pv, tv },
    percentOfTotal: (100 * grr) / tv,
    percentOfTolerance: tolerance === null ? null : (100 * 6 * grr) / tolerance,
    ndc: Math.floor((Math.SQRT2 * pv) / grr),
  })
}
