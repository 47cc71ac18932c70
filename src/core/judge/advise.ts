/** What to do next about a result: the most telling thing first, as code and data. Lengths mm. */
import type { Clamping } from '../fits'
import type { Verdict } from './judge'
import type { FeatureKey, FeatureResult, Missing, ToolResult } from './result'
import type { SetMeasurement } from '../sets'
import { noseCodeOf, type NoseCode } from '../tool'

/** How a tool is held and set: nobody sets the length of a shrunk tool by a screw. */
export interface ToolMade {
  readonly clamping: Clamping | null
  /** Division of an adjustable head on its dial, mm on diameter; null where nothing adjusts. */
  readonly divisionMm: number | null
}

export const UNKNOWN_MAKE: ToolMade = { clamping: null, divisionMm: null }

export type AdviceSaid =
  | { readonly code: 'WIPE'; readonly edge: number; readonly highMm: number }
  | { readonly code: 'OUT_OF_FOCUS'; readonly edge: number }
  | { readonly code: 'NOT_MEASURED'; readonly missing: readonly Missing[] }
  | { readonly code: 'LENGTH'; readonly byMm: number; readonly wantedMm: number; readonly clamping: Clamping | null }
  /** Of an adjustable head: how far its slide has to go on diameter. */
  | { readonly code: 'ADJUST'; readonly byMm: number; readonly divisionMm: number; readonly wantedMm: number }
  | { readonly code: 'OUTSIDE'; readonly key: FeatureKey; readonly step: string | null; readonly by: number }
  /** An insert of another nose radius than the tool has: ISO 1832 codes. */
  | { readonly code: 'OTHER_NOSE'; readonly has: NoseCode; readonly needs: NoseCode; readonly mm: number }
  | { readonly code: 'EDGE_OUT'; readonly edge: number; readonly mm: number; readonly seatMm: number }
  | { readonly code: 'OFF_CENTRE'; readonly eMm: number }
  | { readonly code: 'EDGES_DIFFER' }
  | { readonly code: 'BORDERLINE'; readonly key: FeatureKey; readonly step: string | null; readonly uncertainty: number }
  | { readonly code: 'NOT_JUDGED'; readonly eMm: number | null }
  | { readonly code: 'IN_TOLERANCE'; readonly eMm: number | null }

export interface Advice {
  readonly tone: Verdict | 'todo'
  readonly said: AdviceSaid
  /** The edge to look at, where there is one. */
  readonly edge: number | null
}

const about = (tone: Advice['tone'], said: AdviceSaid, edge: number | null = null): Advice => ({ tone, said, edge })

export function advise(set: SetMeasurement, result: ToolResult, made: ToolMade): Advice {
  const dirty = set.warnings.find((w) => w.warning.code === 'DEBRIS')
  if (dirty && dirty.warning.code === 'DEBRIS')
    return about('off', { code: 'WIPE', edge: dirty.edge, highMm: dirty.warning.high }, dirty.edge)
  const blurred = set.warnings.find((w) => w.warning.code === 'NOT_SHARP')
  if (blurred) return about('off', { code: 'OUT_OF_FOCUS', edge: blurred.edge }, blurred.edge)
  if (result.missing.length) return about('off', { code: 'NOT_MEASURED', missing: result.missing })
  const runout = result.features.find((f) => f.key === 'radialRunout' && f.step === null)
  if (runout?.verdict === 'off') return aboutRunout(result)
  const off = result.features.find((f) => f.verdict === 'off')
  if (off) return aboutOutside(off, made)
  const unsure = result.features.find((f) => f.verdict === 'unsure')
  if (unsure) return about('unsure', { code: 'BORDERLINE', key: unsure.key, step: unsure.step, uncertainty: 2 * unsure.sigma })
  const pattern = result.runout?.eccentricity
  const eMm = pattern && pattern.eMm > pattern.provenAboveMm ? pattern.eMm : null
  return result.verdict === null ? about('todo', { code: 'NOT_JUDGED', eMm }) : about('holds', { code: 'IN_TOLERANCE', eMm })
}

function aboutOutside(off: FeatureResult, made: ToolMade): Advice {
  const { min, max } = off.limits ?? { min: null, max: off.value }
  const middle = min === null ? max : (min + max) / 2
  if (off.key === 'LF' && off.step === null)
    return about('off', { code: 'LENGTH', byMm: off.value - middle, wantedMm: middle, clamping: made.clamping })
  if (off.key === 'DC' && off.step === null && made.divisionMm !== null)
    return about('off', { code: 'ADJUST', byMm: off.value - middle, divisionMm: made.divisionMm, wantedMm: middle })
  if (off.key === 'RE' && off.step === null) {
    const [has, needs] = [noseCodeOf(off.value), noseCodeOf(middle)]
    if (has && needs && has !== needs) return about('off', { code: 'OTHER_NOSE', has, needs, mm: off.value })
  }
  const by = off.value > max ? off.value - max : (min ?? max) - off.value
  return about('off', { code: 'OUTSIDE', key: off.key, step: off.step, by: Math.abs(by) })
}

function aboutRunout({ runout }: ToolResult): Advice {
  const own = runout?.own ? [...runout.own].sort((a, b) => Math.abs(b.mm) - Math.abs(a.mm))[0] : null
  const e = runout?.eccentricity
  if (own && e && Math.abs(own.mm) > e.eMm)
    return about('off', { code: 'EDGE_OUT', edge: own.edge, mm: own.mm, seatMm: e.eMm }, own.edge)
  if (e && e.eMm > e.provenAboveMm) return about('off', { code: 'OFF_CENTRE', eMm: e.eMm })
  return about('off', { code: 'EDGES_DIFFER' })
}
