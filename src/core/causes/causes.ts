/** What is wrong with a measured tool, each cause with how likely it is. */
import { againstBefore, possibleCauses, BLOCKS, freed, nuisances, readingsOf, variantsOf } from './hypotheses'
import { middle, type CauseCase, type CauseCode, type CauseCounts } from './case'
import { evidenceOf, logSum } from './evidence'

export interface Cause {
  readonly code: CauseCode
  /** Of one edge that is high or low: its number. */
  readonly edge?: number
  readonly p: number
  /** About how large it is, mm (mm of a lean at the tip); 0 where nothing has a size. */
  readonly sizeMm: number
}

/** As likely as everything else together (formats.md); the rest share alike. */
const NOTHING_PRIOR = 0.5
/** The shop's own record counts as much as the start values once it has so many cases. */
const PRIOR_CASES = 40

/** How likely each possible cause is before anything was measured. */
export function priorsOf(possible: readonly CauseCode[], counts: CauseCounts = {}): ReadonlyMap<CauseCode, number> {
  const others = Math.max(1, possible.length - 1)
  const start = (code: CauseCode) => (code === 'NOTHING' ? NOTHING_PRIOR : (1 - NOTHING_PRIOR) / others)
  const weight = (code: CauseCode) => PRIOR_CASES * start(code) + Math.max(0, counts[code] ?? 0)
  const all = possible.reduce((sum, code) => sum + weight(code), 0)
  return new Map(possible.map((code) => [code, weight(code) / all]))
}

interface Told {
  readonly log: number
  readonly size: number
}

interface Weighed extends Told {
  readonly code: CauseCode
  readonly edge?: number
}

/** How likely the readings are with this cause, over everything that nobody knows. */
function toldBy(code: CauseCode, given: CauseCase, edge: number): Told {
  const logs: number[] = []
  let best: Told = { log: -Infinity, size: 0 }
  for (const nuisance of nuisances(given)) {
    const readings = readingsOf(given, nuisance)
    for (const variant of variantsOf(code, given, readings, edge)) {
      const { weight, effects, unknown, free = [] } = againstBefore(given, variant)
      const blocks = BLOCKS.map((name) => (free.includes(name) ? freed(readings[name]) : readings[name]))
      const found = evidenceOf(
        blocks,
        BLOCKS.map((name) => effects[name] ?? {}),
        unknown,
      )
      const log = found.log + Math.log(weight * nuisance.weight)
      logs.push(log)
      if (log > best.log) best = { log, size: found.size }
    }
  }
  return { log: logSum(logs), size: best.size }
}

/** @returns every possible cause, the most likely first; their sum is 1 */
export function causesOf(given: CauseCase, counts: CauseCounts = {}): readonly Cause[] {
  const possible = possibleCauses(given)
  const priors = priorsOf(possible, counts)
  const told = possible.flatMap((code): readonly Weighed[] => {
    const prior = priors.get(code)!
    if (code !== 'EDGE_HIGH' && code !== 'EDGE_LOW') {
      const { log, size } = toldBy(code, given, 0)
      return [{ code, log: log + Math.log(prior), size }]
    }
    return given.edges.map(({ edge }, i) => {
      const { log, size } = toldBy(code, given, i)
      return { code, edge, log: log + Math.log(prior / given.edges.length), size }
    })
  })
  const all = logSum(told.map((t) => t.log))
  return told
    .map(({ log, size, ...cause }): Cause => ({ ...cause, p: Math.exp(log - all), sizeMm: size }))
    .sort((a, b) => b.p - a.p)
}

/** The first is told from the rest: at least so many times as likely as the second. */
export const TELLABLE_RATIO = 3
export const isTellable = ([first, second]: readonly Cause[]): boolean => !second || first.p >= TELLABLE_RATIO * second.p

export type CaseVerdict = 'in' | 'borderline' | 'out'

/** Inside by more than the expanded uncertainty 2σ, outside by more than it, or neither (ISO 14253-1). */
export function verdictOf({ edges, sigma, limits }: CauseCase): CaseVerdict {
  const xs = edges.map((e) => e.x)
  const res = edges.flatMap((e) => e.re ?? [])
  const [most, least] = [Math.max(...xs), Math.min(...xs)]
  const rows: { readonly value: number; readonly min: number; readonly max: number; readonly U: number }[] = [
    { value: Math.max(...edges.map((e) => e.z)), min: limits.LF[0], max: limits.LF[1], U: 2 * sigma.z },
    { value: 2 * most, min: limits.DC[0], max: limits.DC[1], U: 4 * sigma.x },
  ]
  // the nose that is farthest from what was wanted
  const wanted = limits.RE && middle(limits.RE)
  const nose = wanted === undefined ? undefined : res.toSorted((a, b) => Math.abs(b - wanted) - Math.abs(a - wanted))[0]
  if (limits.RE && nose !== undefined)
    rows.push({ value: nose, min: limits.RE[0], max: limits.RE[1], U: 2 * (sigma.re ?? sigma.x) })
  if (edges.length > 1) rows.push({ value: most - least, min: -Infinity, max: limits.runout, U: 2 * Math.SQRT2 * sigma.x })
  if (rows.some(({ value, min, max, U }) => value > max + U || value < min - U)) return 'out'
  return rows.every(({ value, min, max, U }) => value <= max - U && value >= min + U) ? 'in' : 'borderline'
}
