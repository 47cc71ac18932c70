import { agreeFigures, FIGURE_SIGMA_MM, mixUp, FIGURE_KEYS, figureSet, type Figures } from '@/core/sets'
import { carryOver, type LimitSet, type ToolResult, benchFor, judgeTool, type MeasurementSource } from '@/core/judge'
import { nextState } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { refuser } from '../write'
import { keepMeasurement, unexplainedJump } from './keep-measurement'
import type { Saved } from './contract'
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

function mixedUp(figures: Figures, limits: LimitSet): Refusal | null {
  for (const key of FIGURE_KEYS) {
    const [value, wanted] = [figures[key], limits[key]]
    const mixed = value !== null && wanted ? mixUp(value, wanted) : null
    if (mixed) return { code: 'MIXED_UP', feature: key, mixed }
  }
  return null
}

/**
 * What the camera saw out of tolerance does not become in tolerance by typing: unless something was done to the tool since,
 * it is measured by the camera again.
 */
function contradicts({ last, assembly }: MeasureSheet, fresh: ToolResult): Refusal | null {
  if (!last || (last.source !== 'pictures' && last.source !== 'camera') || assembly.state === 'built') return null
  const out = last.result.features.find(
    (f) =>
      f.verdict === 'off' &&
      f.step === null &&
      fresh.features.some((g) => g.key === f.key && g.step === null && g.verdict !== 'off'),
  )
  return out ? { code: 'CAMERA_SAID_OUT', feature: out.key } : null
}

/** Keeps figures of a bench without a camera; runout cannot be read off there, so it is not judged. @param gauge address of the terminal's own; null: of the shop */
export function saveFigures(work: Work, save: FiguresSave, gauge: string | null = null): Result<Saved, Refusal> {
  const sheet = readMeasure(work.db, save.serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', serial: save.serial })
  const { assembly, limits } = sheet
  const refuse = refuser(work, 'Measure', { serial: save.serial, t: assembly.t, machine: assembly.machine })
  if (save.scanned !== save.serial)
    return refuse({ code: 'OTHER_HOLDER', scanned: save.scanned, serial: save.serial, nothing: 'saved' })
  if (!nextState(assembly.state, 'save-measurement'))
    return refuse({ code: 'NOT_NOW', serial: save.serial, state: assembly.state })
  const wanted = FIGURE_KEYS.filter((key) => key !== 'RE' && limits[key])
  const figures = agreeFigures(save.first, save.second, wanted.length ? wanted : ['LF'])
  if (!figures.ok) return fail({ code: 'FIGURES', error: figures.error })
  const mixed = save.reason ? null : mixedUp(figures.value, limits)
  if (mixed) return fail(mixed)
  const bench = readValuesBench(work.db, assembly.coupling, work.now, gauge)
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
