import {
  agreeFigures,
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
import { readMeasure } from './measure-sheet'

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
  const set = figureSet(figures.value)
  const { LF, DC, RE } = limits
  const judged = { ...(LF && { LF }), ...(DC && { DC }), ...(RE && figures.value.RE !== null && { RE }) }
  const result = judgeTool(set, judged, benchFor(assembly.heat, work.now))
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
