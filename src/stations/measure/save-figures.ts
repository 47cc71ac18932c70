import {
  agreeFigures,
  carryOver,
  FIGURE_SIGMA_MM,
  mixUp,
  type LimitSet,
  type MixUp,
  type ToolResult,
  benchFor,
  featureWord,
  FIGURE_KEYS,
  figureSet,
  judgeTool,
  type FigureError,
  type Figures,
  type MeasurementSource,
} from '@/core/measure'
import { nextState } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { noteRefusal } from '../records/note-refusal'
import type { Refused, Work } from '../work'
import { keepMeasurement, unexplainedJump, type Saved } from './keep-measurement'
import { practiceOf } from '../practice'
import { readValuesBench, valuesHeldBack } from './check-values'
import { readMeasure, type MeasureSheet } from './measure-sheet'

export interface FiguresSave {
  readonly serial: string
  /** The holder's mark, scanned again to save. */
  readonly scanned: string
  readonly source: Exclude<MeasurementSource, 'pictures'>
  /** mm; typed twice, or the same twice where a line sent them. */
  readonly first: Figures
  readonly second: Figures
  readonly reason: string | null
}

const SAYS: Readonly<Record<FigureError['code'], string>> = {
  TYPED_DIFFERENT: 'was not the same both times. Read it off again and type it twice.',
  MISSING: 'is missing: the tool is judged by it.',
  NOT_POSITIVE: 'must be more than zero.',
}

const MIXED: Readonly<Record<MixUp, string>> = {
  twice: 'twice the wanted value. Is it the diameter, where the radius is wanted?',
  half: 'half the wanted value. Is it the radius, where the diameter is wanted?',
  inch: 'the wanted value in inches. Switch the unit, or type the unit behind it.',
  mm: 'the wanted value in millimetres. Switch the unit, or type mm behind it.',
}

function mixedUp(figures: Figures, limits: LimitSet): Refused | null {
  for (const key of FIGURE_KEYS) {
    const [value, wanted] = [figures[key], limits[key]]
    const mixed = value !== null && wanted ? mixUp(value, wanted) : null
    if (mixed) return { code: 'MIXED_UP', text: `${featureWord(key)} is ${MIXED[mixed]} If it is right, say why.` }
  }
  return null
}

/**
 * What the camera saw out of tolerance does not become in tolerance by typing: unless something was done to the tool since,
 * it is measured by the camera again.
 */
function contradicts({ last, assembly }: MeasureSheet, fresh: ToolResult): Refused | null {
  if (!last || last.source !== 'pictures' || assembly.state === 'built') return null
  const out = last.result.features.find(
    (f) =>
      f.verdict === 'off' &&
      f.step === null &&
      fresh.features.some((g) => g.key === f.key && g.step === null && g.verdict !== 'off'),
  )
  return out
    ? {
        code: 'CAMERA_SAID_OUT',
        text: `The camera found ${featureWord(out.key).toLowerCase()} out of tolerance. Typed values do not replace that. Note on the tool page what was done to the tool, or measure it with the camera.`,
      }
    : null
}

/** Keeps figures of a bench without a camera; runout cannot be read off there, so it is not judged. */
export function saveFigures(work: Work, save: FiguresSave): Result<Saved, Refused> {
  const sheet = readMeasure(work.db, save.serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', text: `No tool stands on holder ${save.serial}.` })
  const { assembly, limits } = sheet
  const refuse = (refused: Refused) => {
    noteRefusal(work, 'Measure', { serial: save.serial, t: assembly.t, machine: assembly.machine }, refused)
    return fail(refused)
  }
  if (save.scanned !== save.serial)
    return refuse({
      code: 'OTHER_HOLDER',
      text: `${save.scanned} was scanned, the figures are for ${save.serial}. Nothing was saved.`,
    })
  if (!nextState(assembly.state, 'save-measurement'))
    return refuse({
      code: 'NOT_NOW',
      text: `${save.serial} is ${assembly.state}: take it out of the machine before it is measured.`,
    })
  const wanted = FIGURE_KEYS.filter((key) => key !== 'RE' && limits[key])
  const figures = agreeFigures(save.first, save.second, wanted.length ? wanted : ['LF'])
  if (!figures.ok)
    return fail({ code: figures.error.code, text: `${featureWord(figures.error.key)} ${SAYS[figures.error.code]}` })
  const mixed = save.reason ? null : mixedUp(figures.value, limits)
  if (mixed) return fail(mixed)
  const bench = readValuesBench(work.db, assembly.coupling, work.now)
  const held = valuesHeldBack(bench)
  if (held) return refuse(held)
  // as far as it read its master off, so much less is known of what it measures
  const set = figureSet(figures.value, Math.hypot(FIGURE_SIGMA_MM, bench.drift.z, bench.drift.x))
  const { LF, DC, RE } = limits
  const judged = { ...(LF && { LF }), ...(DC && { DC }), ...(RE && figures.value.RE !== null && { RE }) }
  const fresh = judgeTool(set, judged, benchFor(assembly.heat, work.now, practiceOf(work.db).guardSigmas))
  const contradicted = contradicts(sheet, fresh)
  if (contradicted) return refuse(contradicted)
  const result = sheet.last ? carryOver(sheet.last, fresh) : fresh
  const jump = unexplainedJump(sheet, result, save.reason)
  if (jump) return fail(jump)
  return keepMeasurement(work, sheet, {
    set,
    steps: [],
    program: null,
    result,
    source: save.source,
    evidence: null,
    takenAt: work.now,
    reason: save.reason,
  })
}
