import { benchFor, cameraUncertainty, judgeTool, type FramesMeasured, type ProgramStep } from '@/core/judge'
import { nextState } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { putFile, refuser, withFile } from '../write'
import { practiceOf } from '../practice'
import { heldBack, readBench } from './bench-state'
import { calibrationUnknown, cameraHeldBack, readCamera } from './check-camera'
import type { EvidenceStore } from './evidence-store'
import { keepMeasurement, unexplainedJump } from './keep-measurement'
import type { Saved } from './contract'
import { readMeasure, type MeasureSheet } from './measure-sheet'

export interface Save {
  /** The tool on the spindle. */
  readonly serial: string
  /** What was scanned to save it. */
  readonly scanned: string
  /** When the pictures were taken, ISO 8601: a tool was warmer then than when it is saved. */
  readonly takenAt: string
  /** Pictures of all edges as a frame set. */
  readonly frames: Uint8Array
  readonly mmPerPixel: { readonly x: number; readonly z: number }
  /** The check of the bench whose zero placed the pictures; null before the first. */
  readonly checkId: number | null
  /** Version of the measuring program that they were taken by; 0 without one. */
  readonly program: number
  /** What the browser calls the camera, where it was a terminal's that stands still; left out: the bench took the pictures. */
  readonly camera?: string
  /** Why the tool jumped since it was last measured, where it did. */
  readonly reason?: string
}

/** Measures a frame set: in the running server by worker threads. @param steps null: what the set itself asks for */
export type MeasureFrames = (
  zip: Uint8Array,
  steps: readonly ProgramStep[] | null,
  turning?: boolean,
) => Promise<Result<FramesMeasured, Refusal<'FRAME_SET' | 'SET' | 'BUSY' | 'TOO_HEAVY'>>>

/**
 * The server measures the pictures again with the same core; that is the value of record, the pictures its evidence.
 * No measured value is taken from a browser.
 */
export async function saveMeasurement(
  work: Work,
  evidence: EvidenceStore,
  measure: MeasureFrames,
  save: Save,
): Promise<Result<Saved, Refusal>> {
  const may = maySave(work, save)
  if (!may.ok) return may
  const measured = await measure(save.frames, may.value.steps, turns(may.value))
  return measured.ok ? finishSave(work, evidence, save, measured.value) : measured
}

const turns = ({ definition }: MeasureSheet) => definition?.toolClass === 'turn'

/** Whether these pictures may be saved; looked at before they are measured, and once more after. */
export function maySave(work: Work, save: Save): Result<MeasureSheet, Refusal> {
  const sheet = readMeasure(work.db, save.serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', serial: save.serial })
  const { assembly } = sheet
  const refused = refuser(work, 'Measure', { serial: save.serial, t: assembly.t, machine: assembly.machine })
  if (save.scanned !== save.serial)
    return refused({ code: 'OTHER_HOLDER', scanned: save.scanned, serial: save.serial, nothing: 'saved' })
  if (!nextState(assembly.state, 'save-measurement'))
    return refused({ code: 'NOT_NOW', serial: save.serial, state: assembly.state })
  const { camera } = save
  const bench = camera === undefined ? readBench(work.db, work.now) : readCamera(work.db, camera, assembly.coupling, work.now)
  const held = 'masters' in bench ? cameraHeldBack(bench) : heldBack(bench, assembly.coupling)
  if (held) return refused(held)
  if (save.checkId !== (bench.check?.id ?? null)) return refused({ code: 'OTHER_ZERO', measuring: 'tool' })
  if (save.program !== (sheet.program?.version ?? 0)) return refused({ code: 'OTHER_PROGRAM' })
  return ok(sheet)
}

/** Judges what was measured and puts it into the record, with its pictures. */
export function finishSave(
  work: Work,
  evidence: EvidenceStore,
  save: Save,
  { measured, mmPerPixel, places }: FramesMeasured,
): Result<Saved, Refusal> {
  // others may have moved on while it was measured
  const may = maySave(work, save)
  if (!may.ok) return may
  const sheet = may.value
  const { assembly } = sheet
  const refused = refuser(work, 'Measure', { serial: save.serial, t: assembly.t, machine: assembly.machine })
  const camera = save.camera === undefined ? null : readCamera(work.db, save.camera, assembly.coupling, work.now)
  const stood = camera?.check?.calibration ?? null
  const scale = stood?.mmPerPixel ?? save.mmPerPixel
  // a camera that stands still has one place, and it was found by the server
  const elsewhere = stood && places.some((p) => p.centreX !== stood.centreX || p.centreZ !== stood.centreZ)
  if (mmPerPixel.x !== scale.x || mmPerPixel.z !== scale.z || elsewhere) return refused({ code: 'OTHER_SCALE' })
  const { tool, steps } = measured
  const dirty = [tool, ...steps.map((s) => s.set)].flatMap((s) => s.warnings).find((w) => w.warning.code === 'DEBRIS')
  if (dirty) return refused({ code: 'DEBRIS', edge: dirty.edge })
  const usual = benchFor(assembly.heat, save.takenAt < work.now ? save.takenAt : work.now, practiceOf(work.db).guardSigmas)
  const bench = camera?.check ? cameraUncertainty(usual, calibrationUnknown(camera, camera.check)) : usual
  const result = judgeTool(tool, sheet.limits, bench, steps, sheet.definition?.stepped)
  const jump = unexplainedJump(sheet, result, save.reason ?? null)
  if (jump) return fail(jump)
  const put = putFile(() => evidence.put(save.serial, work.now, save.frames))
  if (!put.ok) return put
  return withFile(
    () => evidence.drop(put.value),
    () =>
      keepMeasurement(work, sheet, {
        set: tool,
        steps,
        program: sheet.program?.version ?? null,
        result,
        source: camera ? 'camera' : 'pictures',
        evidence: put.value,
        takenAt: save.takenAt,
        reason: save.reason ?? null,
      }),
  )
}
