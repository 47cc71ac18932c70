/** A tool's result: each feature with its value, uncertainty, limits and verdict, and one sentence of what to do. */
import { judge, lengthSigma, worst, type BenchUncertainty, type Verdict } from './judge'
import { type Feature, FEATURES, keyOf, rowOf, type SpecLimits, type ValueKey } from '../features'
import type { SetMeasurement } from '../sets'
import type { Definition } from '../tool'
import { asMeant } from './stepped'
import { splitRunout, type Runout } from './runout'

/** What a result tells of a tool: what was asked of its pictures, and how its edges agree. */
export type FeatureKey = Feature | 'radialRunout' | 'axialRunout'
/** In the order in which they are told. */
export const FEATURE_KEYS = [...FEATURES, 'radialRunout', 'axialRunout'] as const satisfies readonly FeatureKey[]

export interface FeatureResult {
  readonly key: FeatureKey
  /** Name of the program's step that it belongs to; null for the tool itself. */
  readonly step: string | null
  /** mm; angles in degrees. */
  readonly value: number
  /** One standard deviation. */
  readonly sigma: number
  readonly limits: SpecLimits | null
  /** null where no limits are set. */
  readonly verdict: Verdict | null
  /** When it was measured, where that was before this measurement (ISO 8601): it was not measured again. */
  readonly carried?: string
}

export type LimitSet = Readonly<Partial<Record<FeatureKey, SpecLimits>>>

export interface ToolResult {
  readonly features: readonly FeatureResult[]
  readonly runout: Runout | null
  /** Worst of the features; null where nothing is judged. */
  readonly verdict: Verdict | null
  readonly missing: readonly Missing[]
}

export type Missing = Pick<FeatureResult, 'key' | 'step'>

/** Another step of a tool's program, measured. */
export interface StepMeasured {
  readonly name: string
  readonly set: SetMeasurement
  readonly limits: LimitSet
}

/**
 * What an earlier measurement judged and this one did not measure keeps its verdict: typed lengths do not make a tool's
 * runout forgotten.
 * @param before with when it was measured, ISO 8601
 */
export function carryOver(before: { readonly result: ToolResult; readonly at: string }, now: ToolResult): ToolResult {
  const has = (f: Missing) => now.features.some((g) => g.key === f.key && g.step === f.step)
  const carried = before.result.features
    .filter((f) => f.verdict !== null && !has(f) && !now.missing.some((m) => m.key === f.key && m.step === f.step))
    .map((f) => ({ carried: before.at, ...f }))
  if (!carried.length) return now
  const verdicts = [now.verdict, ...carried.map((f) => f.verdict)].filter((v) => v !== null)
  return { ...now, features: [...now.features, ...carried], verdict: worst(verdicts) }
}

/**
 * Puts values, uncertainty and limits together: of the tool itself, and of the further steps of its program.
 * @param stepped inserts that are set back on purpose count as runout only as far as they are not as meant
 */
export function judgeTool(
  set: SetMeasurement,
  limits: LimitSet,
  bench: BenchUncertainty,
  steps: readonly StepMeasured[] = [],
  stepped: Definition['stepped'] | null = null,
): ToolResult {
  const parts = [
    judgeStep({ name: null, set: asMeant(set, stepped), limits }, bench),
    ...steps.map((step) => judgeStep(step, bench)),
  ]
  const features = parts.flatMap((p) => p.features)
  const missing = parts.flatMap((p) => p.missing)
  const verdicts = features.map((f) => f.verdict).filter((v) => v !== null)
  const radii = set.edges.flatMap((e) => (e.x ? [{ edge: e.edge, angleDeg: e.spindleDeg, radiusMm: e.x.value }] : []))
  return {
    features,
    runout: stepped ? null : splitRunout(radii, Math.max(0, ...set.edges.map((e) => e.x?.sigma ?? 0))),
    verdict: verdicts.length || missing.length ? worst([...verdicts, ...(missing.length ? (['off'] as const) : [])]) : null,
    missing,
  }
}

function judgeStep(
  { name: step, set, limits }: Omit<StepMeasured, 'name'> & { readonly name: string | null },
  bench: BenchUncertainty,
) {
  const features: FeatureResult[] = []
  const missing: Missing[] = []
  for (const key of FEATURE_KEYS) {
    // how the edges of a further step agree is told only where it is asked
    if (step !== null && (key === 'radialRunout' || key === 'axialRunout') && !limits[key]) continue
    const value = set.summary[key]
    if (value === null) {
      if (limits[key]) missing.push({ key, step })
      continue
    }
    const wanted = limits[key] ?? null
    const sigma = sigmaOf(key, set, bench)
    features.push({ key, step, value, sigma, limits: wanted, verdict: wanted && judge(value, wanted, sigma, bench.guardSigmas) })
  }
  return { features, missing }
}

/** Share of a warm tool's excess that goes while its edges are measured: common practice, no source. */
const COOLED_MEANWHILE = 0.3

/** One standard deviation of a value of the summary. */
function sigmaOf(key: FeatureKey, { edges }: SetMeasurement, bench: BenchUncertainty): number {
  const top = (of: 'x' | 'z') => edges.reduce((s, e) => ((e[of]?.value ?? -1) > (s?.value ?? -1) ? e[of] : s), edges[0]?.[of])
  const largest = (of: ValueKey) => Math.max(0, ...edges.map((e) => e[of]?.sigma ?? 0))
  const across = { ...bench, warmMm: 0 }
  switch (key) {
    case 'LF':
      return lengthSigma(top('z')?.sigma ?? 0, top('z')?.value ?? 0, bench)
    case 'DC':
      return 2 * lengthSigma(top('x')?.sigma ?? 0, top('x')?.value ?? 0, across)
    case 'radialRunout':
      return Math.SQRT2 * largest('x')
    case 'axialRunout':
      // a warm tool gets shorter from edge to edge
      return Math.hypot(Math.SQRT2 * largest('z'), COOLED_MEANWHILE * bench.warmMm)
    case 'SCX':
      return lengthSigma(largest('scx'), edges[0]?.scx?.value ?? 0, across)
    case 'SCZ':
      return lengthSigma(largest('scz'), edges[0]?.scz?.value ?? 0, bench)
    // a mean of fits that share one blur and one light: no surer than a single one
    case 'RE':
    case 'SIG':
    case 'KAPR':
    case 'CHW':
    case 'KCH':
      return largest(keyOf(key))
  }
}

export const isAngle = (key: FeatureKey): boolean => FEATURES.some((f) => f === key && rowOf(f).angle)
