/** A tool's result: each feature with its value, uncertainty, limits and verdict, and one sentence of what to do. */
import { formatDeviation, formatLength, unitMark, type LengthUnit } from '../units'
import { judge, lengthSigma, worst, type BenchUncertainty, type SpecLimits, type Verdict } from './judge'
import type { SetMeasurement } from './measure-set'
import { splitRunout, type Runout } from './runout'

export type FeatureKey = 'LF' | 'DC' | 'RE' | 'radialRunout' | 'axialRunout'

export interface FeatureResult {
  readonly key: FeatureKey
  readonly valueMm: number
  /** One standard deviation, mm. */
  readonly sigmaMm: number
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
  readonly missing: readonly FeatureKey[]
}

/** Puts values, uncertainty and limits together. */
export function judgeTool(set: SetMeasurement, limits: LimitSet, bench: BenchUncertainty): ToolResult {
  const top = (key: 'x' | 'z') =>
    set.edges.reduce((s, e) => ((e[key]?.value ?? -1) > (s?.value ?? -1) ? e[key] : s), set.edges[0]?.[key])
  const x = top('x')
  const z = top('z')
  const reSigmas = set.edges.map((e) => e.re?.sigma).filter((s) => s !== undefined)
  const still = { ...bench, warmMm: 0 }
  const radial = lengthSigma(x?.sigma ?? 0, x?.value ?? 0, still)
  const sigmas: Record<FeatureKey, number> = {
    LF: lengthSigma(z?.sigma ?? 0, z?.value ?? 0, bench),
    DC: 2 * radial,
    // a mean of fits that share one blur and one light: no surer than a single one
    RE: reSigmas.length ? Math.max(...reSigmas) : 0,
    radialRunout: Math.SQRT2 * Math.max(0, ...set.edges.map((e) => e.x?.sigma ?? 0)),
    axialRunout: Math.SQRT2 * Math.max(0, ...set.edges.map((e) => e.z?.sigma ?? 0)),
  }
  const features: FeatureResult[] = []
  const missing: FeatureKey[] = []
  for (const key of ['LF', 'DC', 'RE', 'radialRunout', 'axialRunout'] as const) {
    const valueMm = set.summary[key]
    if (valueMm === null) {
      if (limits[key]) missing.push(key)
      continue
    }
    const wanted = limits[key] ?? null
    features.push({ key, valueMm, sigmaMm: sigmas[key], limits: wanted, verdict: wanted && judge(valueMm, wanted, sigmas[key]) })
  }
  const verdicts = features.map((f) => f.verdict).filter((v) => v !== null)
  const radii = set.edges.flatMap((e) => (e.x ? [{ edge: e.edge, angleDeg: e.spindleDeg, radiusMm: e.x.value }] : []))
  return {
    features,
    runout: splitRunout(radii, Math.max(0, ...set.edges.map((e) => e.x?.sigma ?? 0))),
    verdict: verdicts.length || missing.length ? worst([...verdicts, ...(missing.length ? (['off'] as const) : [])]) : null,
    missing,
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
  const dirty = set.warnings.find((w) => w.warning.code === 'DEBRIS')
  if (dirty && dirty.warning.code === 'DEBRIS')
    return {
      tone: 'off',
      edge: dirty.edge,
      lead: `Wipe edge ${dirty.edge} and measure it again.`,
      rest: `Something ${size(dirty.warning.high)} high sits on it. Stop the spindle first; no gloves near it while it turns.`,
    }
  if (result.missing.length)
    return {
      tone: 'off',
      edge: null,
      lead: `${result.missing.map(featureWord).join(' and ')} could not be measured.`,
      rest: 'Move the carriage so that the whole corner is in the picture, then measure again.',
    }
  const feature = (key: FeatureKey) => result.features.find((f) => f.key === key)
  const runout = feature('radialRunout')
  if (runout?.verdict === 'off') return runoutAdvice(result, small)
  const off = result.features.find((f) => f.verdict === 'off')
  if (off?.limits) {
    const { min, max } = off.limits
    const mid = min === null ? max : (min + max) / 2
    if (off.key === 'LF') {
      const by = off.valueMm - mid
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
      lead: `${featureWord(off.key)} is ${size(Math.abs(off.valueMm - (off.valueMm > max ? max : (min ?? max))))} outside.`,
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
      lead: `${featureWord(unsure.key)} is too near its limit to call.`,
      rest: `It is known to ± ${size(2 * unsure.sigmaMm)}. Measure again, or a lead may release it with a reason.`,
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

const WORDS: Record<FeatureKey, string> = {
  LF: 'Length',
  DC: 'Diameter',
  RE: 'Corner radius',
  radialRunout: 'Runout of the edges',
  axialRunout: 'Length spread',
}
export const featureWord = (key: FeatureKey): string => WORDS[key]
