/** What each cause does to the readings: its forward model, with the variants that nobody knows beforehand. */
import { degToRad } from '../units'
import { middle, type CauseCase, type CauseCode } from './case'
import type { Block, Effect, Unknown } from './evidence'

/** mm; common practice, no source. */
const UM = 1e-3
export const SIZES = {
  offCentre: [5 * UM, 100 * UM],
  /** rad about the gauge line */
  tilt: [0.05e-3, 0.5e-3],
  edge: [5 * UM, 60 * UM],
  worn: [5 * UM, 50 * UM],
  length: [0.05, 3],
  crept: [0.02, 1],
  zero: [3 * UM, 50 * UM],
} as const

/** 1/K, steel: what is warm of a tool is its holder. */
const STEEL_PER_K = 11.7e-6
/** The least step from one standard nose radius, or diameter, to the next, mm. */
const [LEAST_NOSE_STEP, LEAST_RADIUS_STEP] = [0.05, 0.04]

/** Scatter of edges as they were ground or seated, one standard deviation, mm: from … to. */
export const groundScatter = ({ kind }: CauseCase): readonly [number, number] =>
  kind === 'solid' || kind === 'drill' ? [1 * UM, 3 * UM] : [2 * UM, 6 * UM]

const CREEPS = ['collet', 'hydraulic', 'side-lock']

/** Causes that are possible at all with this tool. */
export function possibleCauses({ clamping, limits, before, warmK, heatedMm, minutesCut }: CauseCase): readonly CauseCode[] {
  const all: CauseCode[] = ['NOTHING', 'OFF_CENTRE', 'TILTED', 'EDGE_HIGH', 'EDGE_LOW']
  if (limits.RE) all.push('WRONG_NOSE')
  if (minutesCut !== 0) all.push('WORN')
  if ((warmK ?? 0) > 0 && (heatedMm ?? 0) > 0) all.push('WARM')
  all.push('LENGTH_NOT_SET')
  if (clamping !== null && CREEPS.includes(clamping) && before) all.push('CREPT')
  all.push('WRONG_CUTTER', 'ZERO_MOVED')
  return all
}

/** What nobody knows of how tools scatter; each is as likely as its weight. */
export interface Nuisance {
  /** mm, of a radius. */
  readonly ground: number
  /** Whether lengths scatter like radii. */
  readonly lengthsToo: boolean
  /** Whether an edge is as high at another height as it is at its tip. */
  readonly sameBelow: boolean
  readonly weight: number
}

export function nuisances(given: CauseCase): readonly Nuisance[] {
  const [from, to] = groundScatter(given)
  const steps = 4
  const grounds = Array.from({ length: steps }, (_, i) => from + ((to - from) * (i + 0.5)) / steps)
  const below = given.second ? [true, false] : [true]
  return grounds.flatMap((ground) =>
    [true, false].flatMap((lengthsToo) =>
      below.map((sameBelow) => ({ ground, lengthsToo, sameBelow, weight: 1 / (steps * 2 * below.length) })),
    ),
  )
}

/** Readings against what was wanted, in blocks of one kind each. */
export interface Readings {
  readonly x: Block
  readonly below: Block
  readonly z: Block
  readonly re: Block
  readonly beforeLF: Block
  readonly beforeDC: Block
  readonly beforeRE: Block
  /** Share of an edge's own error that shows below as well. */
  readonly share: number
  /** For each reading below, which of the edges it is. */
  readonly edgeBelow: readonly number[]
}
export const BLOCKS = ['x', 'below', 'z', 're', 'beforeLF', 'beforeDC', 'beforeRE'] as const
export type BlockName = (typeof BLOCKS)[number]

/** How much of a mean of `n` readings counts where all of them share something of this scatter, mm. */
const kept = (variance: number, n: number, shared: number) => Math.sqrt(variance / (variance + n * shared ** 2))

/** What the zero of a bench may move between two measurements of a tool without a fault of anybody, mm. */
const DRIFT_MM = 0.003

/** What another nose or another cutter may move besides, mm. */
const FREE_MM = 0.2
export const freed = (block: Block): Block => ({ ...block, keep: kept(block.variance, block.y.length, FREE_MM) })

export function readingsOf(given: CauseCase, { ground, lengthsToo, sameBelow }: Nuisance): Readings {
  const { edges, sigma, limits, second, before, scatter } = given
  const [LF, R] = [middle(limits.LF), middle(limits.DC) / 2]
  const RE = limits.RE ? middle(limits.RE) : 0
  const vx = ground ** 2 + sigma.x ** 2
  const vz = (lengthsToo ? ground ** 2 : 0) + sigma.z ** 2
  const vre = ground ** 2 + (sigma.re ?? sigma.x) ** 2
  const share = sameBelow ? ground ** 2 / vx : 0
  const pairs = (second?.edges ?? []).flatMap(({ edge, x }) => {
    const i = edges.findIndex((e) => e.edge === edge)
    return i < 0 ? [] : [{ i, y: x - R - share * (edges[i].x - R) }]
  })
  const re = limits.RE ? edges.flatMap((e) => (e.re === undefined ? [] : [e.re - RE])) : []
  const single = (y: number | undefined, variance: number): Block => ({ y: y === undefined ? [] : [y], variance, keep: 1 })
  const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length
  // one tool that stands anywhere in its limits stands there now as it did before
  const [meanLF, meanDC] = scatter ? [mean(edges.map((e) => e.z)), 2 * mean(edges.map((e) => e.x))] : [LF, 2 * R]
  const [vLF, vDC] = scatter ? [DRIFT_MM ** 2 + vz / edges.length, 4 * (DRIFT_MM ** 2 + vx / edges.length)] : [0, 0]
  return {
    x: { y: edges.map((e) => e.x - R), variance: vx, keep: kept(vx, edges.length, (scatter?.DC ?? 0) / 2) },
    below: { y: pairs.map((p) => p.y), variance: vx * (1 - share ** 2), keep: 0 },
    z: { y: edges.map((e) => e.z - LF), variance: vz, keep: kept(vz, edges.length, scatter?.LF ?? 0) },
    re: { y: re, variance: vre, keep: 1 },
    beforeLF: single(before && before.LF - meanLF, sigma.z ** 2 + ground ** 2 + vLF),
    beforeDC: single(before && before.DC - meanDC, 4 * (sigma.x ** 2 + 2 * ground ** 2) + vDC),
    beforeRE: single(before?.RE !== undefined && limits.RE ? before.RE - RE : undefined, vre),
    share,
    edgeBelow: pairs.map((p) => p.i),
  }
}

/** What a cause does to a figure of before, where that is held against what is read now. */
function since(before: Effect | undefined, now: Effect | undefined, times: number): Effect {
  const mean = (values: readonly number[] | undefined) =>
    values?.length ? values.reduce((sum, v) => sum + v, 0) / values.length : 0
  const count = Math.max(before?.columns?.length ?? 0, now?.columns?.length ?? 0)
  return {
    fixed: [(before?.fixed?.[0] ?? 0) - times * mean(now?.fixed)],
    columns: Array.from({ length: count }, (_, c) => [(before?.columns?.[c]?.[0] ?? 0) - times * mean(now?.columns?.[c])]),
  }
}

/** The same way to show, where figures of before are held against those of now. */
export function againstBefore({ before, scatter }: CauseCase, variant: Variant): Variant {
  if (!before || !scatter) return variant
  const { effects, free = [] } = variant
  return {
    ...variant,
    effects: { ...effects, beforeLF: since(effects.beforeLF, effects.z, 1), beforeDC: since(effects.beforeDC, effects.x, 2) },
    // what moved besides has moved since
    free: [
      ...free,
      ...(free.includes('z') ? (['beforeLF'] as const) : []),
      ...(free.includes('x') ? (['beforeDC'] as const) : []),
    ],
  }
}

/** One way in which a cause shows. */
export interface Variant {
  readonly weight: number
  readonly effects: Readonly<Partial<Record<BlockName, Effect>>>
  readonly unknown: Unknown
  /** Blocks of which all readings may share something besides, of about a fifth of a millimetre. */
  readonly free?: readonly BlockName[]
}

const NONE: Unknown = { type: 'none' }
const size = ([lo, hi]: readonly [number, number], sign: 1 | -1 | 0): Unknown => ({ type: 'size', lo, hi, sign })

/**
 * What is smaller than so many standard deviations of its own estimate is what scatter makes by itself: nobody calls it a fault, and nobody
 * could mend it. With six of them fewer than one good tool in a hundred is blamed (`npm run bench -- causes`).
 */
const MATTERS_FROM = 6
const mattering = ([lo, hi]: readonly [number, number], variance: number): readonly [number, number] => [
  Math.min(0.9 * hi, Math.max(lo, MATTERS_FROM * Math.sqrt(variance))),
  hi,
]

/** What the ways in which causes show are made of. */
interface Shown {
  readonly given: CauseCase
  readonly readings: Readings
  readonly LF: number
  readonly R: number
  /** One for each edge. */
  readonly all: readonly number[]
  /** 1 for the edge in question, 0 for the others. */
  readonly one: readonly number[]
  /** Columns of the radii: `x` at the tip, and what of it shows below, less what an edge's own reading has told already. */
  readonly radii: (
    ...columns: readonly { readonly x: readonly number[]; readonly below: readonly number[] }[]
  ) => Variant['effects']
}

const scaled = (column: readonly number[], by: number) => column.map((v) => v * by)

/** The tool's axis beside the spindle's, or leaning to it. */
function seat({ given, readings, LF, R, radii }: Shown, tilted: boolean): readonly Variant[] {
  const { edges, second } = given
  const cos = edges.map((e) => Math.cos(degToRad(e.deg)))
  const sin = edges.map((e) => Math.sin(degToRad(e.deg)))
  const below = tilted ? (LF - (second?.heightMm ?? 0)) / LF : 1
  const degBelow = edges.map((e) => degToRad(second?.edges.find(({ edge }) => edge === e.edge)?.deg ?? e.deg))
  const effects = radii(
    { x: cos, below: degBelow.map((rad) => below * Math.cos(rad)) },
    { x: sin, below: degBelow.map((rad) => below * Math.sin(rad)) },
  )
  const range = tilted ? ([SIZES.tilt[0] * LF, SIZES.tilt[1] * LF] as const) : SIZES.offCentre
  const [lo, hi] = mattering(range, (2 * readings.x.variance) / Math.max(2, edges.length))
  const unknown: Unknown = { type: 'direction', lo, hi }
  if (!tilted) return [{ weight: 1, effects, unknown }]
  // a leaning face is low where it leans to; how much of it an edge shows depends on its form
  const axial = { columns: [scaled(cos, -R / LF), scaled(sin, -R / LF)] }
  return [
    { weight: 0.5, effects, unknown },
    { weight: 0.5, effects: { ...effects, z: axial }, unknown },
  ]
}

function oneEdge({ given, readings, all, one, radii }: Shown, sign: 1 | -1): readonly Variant[] {
  const unknown = size(mattering(SIZES.edge, readings.x.variance), sign)
  const whole = radii({ x: one, below: one })
  const tip = radii({ x: one, below: scaled(all, 0) })
  const ways = given.second ? [whole, tip] : [whole]
  return ways.flatMap((effects) => [
    { weight: 0.9 / ways.length, effects, unknown },
    { weight: 0.1 / ways.length, effects: { ...effects, z: { columns: [one] } }, unknown },
  ])
}

/** Another part than the one that was meant: it was so before, or it is so since; and it may move something besides. */
function otherPart(
  effects: Variant['effects'],
  unknown: Unknown,
  before: Variant['effects'] | null,
  free: readonly BlockName[],
): readonly Variant[] {
  const was = before ? [{}, before] : [{}]
  return was.flatMap((then) => [
    { weight: 0.7 / was.length, effects: { ...effects, ...then }, unknown },
    { weight: 0.3 / was.length, effects: { ...effects, ...then }, unknown, free },
  ])
}

function warm({ given, readings, all }: Shown): readonly Variant[] {
  const grown = STEEL_PER_K * (given.heatedMm ?? 0) * (given.warmK ?? 0)
  if (grown < MATTERS_FROM * Math.sqrt(readings.z.variance / all.length)) return []
  return [{ weight: 1, effects: { z: { fixed: scaled(all, grown) } }, unknown: NONE }]
}

const nextNose = ({ given: { edges, limits, before }, all }: Shown): readonly Variant[] => {
  const RE = limits.RE ? middle(limits.RE) : 1
  const shown = { re: { columns: [all.slice(0, edges.filter((e) => e.re !== undefined).length)] } }
  const unknown = size([LEAST_NOSE_STEP, Math.max(1, 1.5 * RE)], 0)
  return otherPart(shown, unknown, before?.RE === undefined ? null : { beforeRE: { columns: [[1]] } }, ['x', 'z'])
}

function common(code: 'WORN' | 'LENGTH_NOT_SET' | 'CREPT' | 'ZERO_MOVED', { given, readings, all }: Shown): readonly Variant[] {
  const n = all.length
  const [x, z] = [{ x: { columns: [all] } }, { z: { columns: [all] } }]
  const along = readings.x.variance / n
  switch (code) {
    case 'WORN': {
      const unknown = size(mattering(SIZES.worn, along), -1)
      return [
        { weight: 0.5, effects: x, unknown },
        { weight: 0.5, effects: { ...x, ...z }, unknown },
      ]
    }
    case 'LENGTH_NOT_SET': {
      const unknown = size(SIZES.length, 0)
      if (!given.before) return [{ weight: 1, effects: z, unknown }]
      return [
        { weight: 0.5, effects: z, unknown },
        { weight: 0.5, effects: { ...z, beforeLF: { columns: [[1]] } }, unknown },
      ]
    }
    case 'CREPT':
      return [{ weight: 1, effects: z, unknown: size(SIZES.crept, 1) }]
    case 'ZERO_MOVED':
      return [
        { weight: 0.5, effects: x, unknown: size(mattering(SIZES.zero, along), 0) },
        { weight: 0.5, effects: z, unknown: size(mattering(SIZES.zero, readings.z.variance / n), 0) },
      ]
  }
}

/** @param edge of `EDGE_HIGH` and `EDGE_LOW`: its place among the edges */
export function variantsOf(code: CauseCode, given: CauseCase, readings: Readings, edge: number): readonly Variant[] {
  const { share, edgeBelow } = readings
  const all = given.edges.map(() => 1)
  const shown: Shown = {
    ...{ given, readings, all, LF: middle(given.limits.LF), R: middle(given.limits.DC) / 2 },
    one: all.map((_, i) => (i === edge ? 1 : 0)),
    radii: (...columns) => ({
      x: { columns: columns.map((c) => c.x) },
      below: { columns: columns.map(({ x, below }) => edgeBelow.map((i) => below[i] - share * x[i])) },
    }),
  }
  switch (code) {
    case 'NOTHING':
      return [{ weight: 1, effects: {}, unknown: NONE }]
    case 'OFF_CENTRE':
      return seat(shown, false)
    case 'TILTED':
      return seat(shown, true)
    case 'EDGE_HIGH':
      return oneEdge(shown, 1)
    case 'EDGE_LOW':
      return oneEdge(shown, -1)
    case 'WRONG_NOSE':
      return nextNose(shown)
    case 'WRONG_CUTTER': {
      const unknown = size([LEAST_RADIUS_STEP, Math.max(1, 0.6 * shown.R)], 0)
      return otherPart({ x: { columns: [all] } }, unknown, given.before ? { beforeDC: { columns: [[2]] } } : null, ['z'])
    }
    case 'WARM':
      return warm(shown)
    case 'WORN':
    case 'LENGTH_NOT_SET':
    case 'CREPT':
    case 'ZERO_MOVED':
      return common(code, shown)
  }
}
