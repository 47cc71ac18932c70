/** A measured tool as a case to judge. */
import { temperatureAt } from '../clamp'
import type { Clamping } from '../fits'
import type { LimitSet, ProgramStep } from '../judge'
import type { EdgeMeasurement } from '../sets'
import type { Heat } from '../tool'
import type { CauseCase, CauseClamping, CauseCounts, CauseKind } from './case'

/** What is known of a tool besides what its pictures say. */
export interface CauseKnown {
  readonly kind: CauseKind
  readonly clamping: CauseClamping | null
  readonly before: CauseCase['before'] | null
  readonly minutesCut: number | null
  readonly heat: Heat | null
  /** What the shop's own record says of each cause. */
  readonly counts: CauseCounts
}

/** A radius is known no better than this, mm, whatever its picture says. */
const LEAST_SIGMA_MM = 0.0004
/** Warmer than this is told, K. */
const WARM_K = 0.5
/** Limits are what a process that keeps them needs: six of its standard deviations. */
const LIMITS_IN_SIGMAS = 6
/** Where no runout is limited, mm. */
const ANY_RUNOUT = 1

export const clampingFor = (clamping: Clamping | null): CauseClamping | null => {
  switch (clamping) {
    case 'shrink':
    case 'collet':
    case 'hydraulic':
    case 'side-lock':
    case 'arbor':
      return clamping
    case 'single-size collet':
    case 'drill chuck':
      return 'collet'
    case 'boring':
      return 'head'
    default:
      return null
  }
}

/** How warm it still is, K over the room. @param at ISO 8601 */
function warmth({ fromC, ambientC, tauS, endedAt }: Heat, at: string): number {
  const seconds = (Date.parse(at) - Date.parse(endedAt)) / 1000
  return temperatureAt(tauS, fromC, ambientC, Math.max(0, seconds)) - ambientC
}

interface StepRead {
  readonly name: string
  readonly edges: readonly EdgeMeasurement[]
}

/** The first further step of a routine whose radii were read below the tip; null where there is none. */
export function belowTip(
  steps: readonly ProgramStep[],
  measured: readonly StepRead[],
): { readonly heightMm: number; readonly edges: readonly EdgeMeasurement[] } | null {
  for (const { name, edges } of measured) {
    const at = steps.find((s) => s.name === name)?.at
    if (at && at.downMm > 0 && edges.filter((e) => e.x).length > 1) return { heightMm: at.downMm, edges }
  }
  return null
}

/**
 * @param at ISO 8601, when it was measured
 * @param below its radii at a second height, so far below the tip, mm
 * @returns null where its limits, or one of its edges, are not known: then nobody can say what is wrong with it
 */
export function caseOf(
  edges: readonly EdgeMeasurement[],
  limits: LimitSet,
  { kind, clamping, before, minutesCut, heat }: CauseKnown,
  at: string,
  below: { readonly heightMm: number; readonly edges: readonly EdgeMeasurement[] } | null = null,
): CauseCase | null {
  const { LF, DC, RE } = limits
  if (!LF || LF.min === null || !DC || DC.min === null || !(LF.min < LF.max) || !(DC.min < DC.max)) return null
  const read = edges.flatMap(({ edge, spindleDeg, x, z, re, nose }) =>
    x && z && !nose ? [{ edge, deg: spindleDeg, x, z, re }] : [],
  )
  if (read.length === 0 || read.length < edges.length) return null
  const most = (sigmas: readonly number[]) => Math.max(LEAST_SIGMA_MM, ...sigmas)
  const noses = read.flatMap(({ re }) => (re ? [re.sigma] : []))
  const radii = (below?.edges ?? []).flatMap(({ edge, spindleDeg, x }) => (x ? [{ edge, x: x.value, deg: spindleDeg }] : []))
  const warmK = heat ? warmth(heat, at) : 0
  const wanted = RE?.min != null && RE.min < RE.max ? ([RE.min, RE.max] as const) : undefined
  return {
    ...{ kind, clamping },
    edges: read.map(({ edge, deg, x, z, re }) => ({ edge, deg, x: x.value, z: z.value, ...(re && { re: re.value }) })),
    sigma: {
      x: most(read.map(({ x }) => x.sigma)),
      z: most(read.map(({ z }) => z.sigma)),
      ...(noses.length > 0 && { re: most(noses) }),
    },
    ...(below && radii.length > 1 && { second: { heightMm: below.heightMm, edges: radii } }),
    limits: {
      LF: [LF.min, LF.max],
      DC: [DC.min, DC.max],
      ...(wanted && { RE: wanted }),
      runout: limits.radialRunout?.max ?? ANY_RUNOUT,
    },
    ...(before && { before }),
    ...(heat && warmK > WARM_K && { warmK, heatedMm: heat.heatedMm }),
    ...(minutesCut !== null && { minutesCut }),
    scatter: { LF: (LF.max - LF.min) / LIMITS_IN_SIGMAS, DC: (DC.max - DC.min) / LIMITS_IN_SIGMAS },
  }
}
