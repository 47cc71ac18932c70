/** A tool's result: each feature with its value, uncertainty, limits and verdict, and one sentence of what to do. */
import { formatDeviation, formatLength, unitMark, type LengthUnit } from '../units'
import { judge, lengthSigma, worst, type BenchUncertainty, type SpecLimits, type Verdict } from './judge'
import { ANGLES, featureName, FEATURES, KEY_OF, type Feature, type ValueKey } from './features'
import type { SetMeasurement } from './measure-set'
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

/** Puts values, uncertainty and limits together: of the tool itself, and of the further steps of its program. */
export function judgeTool(
  set: SetMeasurement,
  limits: LimitSet,
  bench: BenchUncertainty,
  steps: readonly StepMeasured[] = [],
): ToolResult {
  const parts = [judgeStep({ name: null, set, limits }, bench), ...steps.map((step) => judgeStep(step, bench))]
  const features = parts.flatMap((p) => p.features)
  const missing = parts.flatMap((p) => p.missing)
  const verdicts = features.map((f) => f.verdict).filter((v) => v !== null)
  const radii = set.edges.flatMap((e) => (e.x ? [{ edge: e.edge, angleDeg: e.spindleDeg, radiusMm: e.x.value }] : []))
  return {
    features,
    runout: splitRunout(radii, Math.max(0, ...set.edges.map((e) => e.x?.sigma ?? 0))),
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
    features.push({ key, step, value, sigma, limits: wanted, verdict: wanted && judge(value, wanted, sigma) })
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
      return largest(KEY_OF[key])
  }
}

export interface Advice {
  readonly tone: Verdict | 'todo'
  readonly lead: string
  readonly rest: string
  /** The edge to look at, where there is one. */
  readonly edge: number | null
}

/** What to do next about a result: the most telling thing first, in a sentence. */
export function advise(set: SetMeasurement, result: ToolResult, unit: LengthUnit): Advice {
  const size = (mm: number) => `${formatLength(mm, unit)} ${unitMark(unit)}`
  const small = (mm: number) => formatDeviation(mm, unit)
  const sizeOf = (key: FeatureKey, value: number) => (isAngle(key) ? `${value.toFixed(2)}°` : size(value))
  const dirty = set.warnings.find((w) => w.warning.code === 'DEBRIS')
  if (dirty && dirty.warning.code === 'DEBRIS')
    return {
      tone: 'off',
      edge: dirty.edge,
      lead: `Wipe edge ${dirty.edge} and measure it again.`,
      rest: `Something ${size(dirty.warning.high)} high sits on it. Stop the spindle first; no gloves near it while it turns.`,
    }
  const blurred = set.warnings.find((w) => w.warning.code === 'NOT_SHARP')
  if (blurred)
    return {
      tone: 'off',
      edge: blurred.edge,
      lead: `Edge ${blurred.edge} is out of focus.`,
      rest: 'Nothing of it counts. Turn it into the plane of the light, wipe the lens, then measure again.',
    }
  if (result.missing.length)
    return {
      tone: 'off',
      edge: null,
      lead: `${result.missing.map(named).join(' and ')} could not be measured.`,
      rest: 'Move the carriage so that the whole corner is in the picture, then measure again.',
    }
  const feature = (key: FeatureKey) => result.features.find((f) => f.key === key && f.step === null)
  const runout = feature('radialRunout')
  if (runout?.verdict === 'off') return runoutAdvice(result, small)
  const off = result.features.find((f) => f.verdict === 'off')
  if (off?.limits) {
    const { min, max } = off.limits
    const mid = min === null ? max : (min + max) / 2
    if (off.key === 'LF' && off.step === null) {
      const by = off.value - mid
      return {
        tone: 'off',
        edge: null,
        lead: `Set the length ${size(Math.abs(by))} ${by > 0 ? 'shorter' : 'longer'}.`,
        rest: `It should be ${size(mid)} from the gauge line. Then measure again.`,
      }
    }
    return {
      tone: 'off',
      edge: null,
      lead: `${named(off)} is ${sizeOf(off.key, Math.abs(off.value - (off.value > max ? max : (min ?? max))))} outside.`,
      rest:
        off.key === 'DC' || off.key === 'RE'
          ? 'Compare the cutter’s mark with the parts list: a wrong or reground cutter measures like this.'
          : 'Check the seat of the edges, then measure again.',
    }
  }
  const unsure = result.features.find((f) => f.verdict === 'unsure')
  if (unsure)
    return {
      tone: 'unsure',
      edge: null,
      lead: `${named(unsure)} is too near its limit to call.`,
      rest: `It is known to ± ${sizeOf(unsure.key, 2 * unsure.sigma)}. Measure again, or a lead may release it with a reason.`,
    }
  const pattern = result.runout?.eccentricity
  const axis =
    pattern && pattern.eMm > pattern.provenAboveMm
      ? ` The tool’s axis stands ${small(pattern.eMm).replace('+', '')} off centre, ${small(2 * pattern.eMm).replace('+', '')} on an indicator.`
      : ''
  if (result.verdict === null)
    return { tone: 'todo', edge: null, lead: 'Measured without limits.', rest: `Nothing was asked, so nothing is judged.${axis}` }
  return { tone: 'holds', edge: null, lead: 'Everything asked for holds.', rest: `Scan the holder again to save it.${axis}` }
}

function runoutAdvice(result: ToolResult, small: (mm: number) => string): Advice {
  const { runout } = result
  const own = runout?.own ? [...runout.own].sort((a, b) => Math.abs(b.mm) - Math.abs(a.mm))[0] : null
  const e = runout?.eccentricity
  const plain = (mm: number) => small(Math.abs(mm)).replace('+', '')
  if (own && e && Math.abs(own.mm) > e.eMm)
    return {
      tone: 'off',
      edge: own.edge,
      lead: `Edge ${own.edge} stands ${plain(own.mm)} ${own.mm > 0 ? 'out' : 'back'} of its own.`,
      rest: `The seat explains only ${plain(e.eMm)}. Look at that edge: wear, a chip off it, or the grinding.`,
    }
  if (e && e.eMm > e.provenAboveMm)
    return {
      tone: 'off',
      edge: null,
      lead: `The tool sits ${plain(e.eMm)} off centre, ${plain(2 * e.eMm)} on an indicator.`,
      rest: 'Clean taper and bore and clamp again; if it stays, take it apart and look for a chip in the seat.',
    }
  return {
    tone: 'off',
    edge: null,
    lead: 'The edges do not agree.',
    rest: 'Wipe all edges and the taper, clamp again and measure once more.',
  }
}

export const featureWord = (key: FeatureKey): string =>
  key === 'radialRunout' ? 'Runout of the edges' : key === 'axialRunout' ? 'Length spread' : featureName[key]

/** With the step it belongs to. */
const named = ({ key, step }: Missing): string =>
  step === null ? featureWord(key) : `${step}: ${featureWord(key).toLowerCase()}`

export const isAngle = (key: FeatureKey): boolean => (ANGLES as readonly FeatureKey[]).includes(key)
