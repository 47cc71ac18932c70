import { decodeFrameSet } from '@/codecs/frame-set'
import { benchFor, judgeTool, measureProgram } from '@/core/measure'
import { nextState } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { noteRefusal } from '../records/note-refusal'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { practiceOf } from '../practice'
import { heldBack, readBench } from './bench-state'
import { keepMeasurement, unexplainedJump } from './keep-measurement'
import type { Saved } from './contract'
import { readMeasure } from './measure-sheet'

/** Keeps the pictures; handed in, so that a verb does not know the file system. */
export interface EvidenceStore {
  /** @returns where it was put, relative to the evidence folder */
  put(serial: string, at: string, zip: Uint8Array): string
  drop(place: string): void
}

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
  /** Why the tool jumped since it was last measured, where it did. */
  readonly reason?: string
}

/**
 * The server measures the pictures again with the same core; that is the value of record, the pictures its evidence.
 * No measured value is taken from a browser.
 */
export function saveMeasurement(work: Work, evidence: EvidenceStore, save: Save): Result<Saved, Refusal> {
  const sheet = readMeasure(work.db, save.serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', serial: save.serial })
  const { assembly } = sheet
  const refuse = (refused: Refusal) => {
    noteRefusal(work, 'Measure', { serial: save.serial, t: assembly.t, machine: assembly.machine }, refused)
    return fail(refused)
  }
  if (save.scanned !== save.serial)
    return refuse({ code: 'OTHER_HOLDER', scanned: save.scanned, serial: save.serial, nothing: 'saved' })
  if (!nextState(assembly.state, 'save-measurement'))
    return refuse({ code: 'NOT_NOW', serial: save.serial, state: assembly.state })
  const bench = readBench(work.db, work.now)
  const held = heldBack(bench, assembly.coupling)
  if (held) return refuse(held)
  if (save.checkId !== (bench.check?.id ?? null)) return refuse({ code: 'OTHER_ZERO', measuring: 'tool' })
  if (save.program !== (sheet.program?.version ?? 0)) return refuse({ code: 'OTHER_PROGRAM' })
  const set = decodeFrameSet(save.frames)
  if (!set.ok) return fail({ code: 'FRAME_SET', error: set.error })
  if (set.value.mmPerPixel.x !== save.mmPerPixel.x || set.value.mmPerPixel.z !== save.mmPerPixel.z)
    return refuse({ code: 'OTHER_SCALE' })
  const measured = measureProgram(set.value.pictures, set.value.mmPerPixel, sheet.steps)
  if (!measured.ok) return fail({ code: 'SET', error: measured.error })
  const { tool, steps } = measured.value
  const dirty = [tool, ...steps.map((s) => s.set)].flatMap((s) => s.warnings).find((w) => w.warning.code === 'DEBRIS')
  if (dirty) return refuse({ code: 'DEBRIS', edge: dirty.edge })
  const result = judgeTool(
    tool,
    sheet.limits,
    benchFor(assembly.heat, save.takenAt < work.now ? save.takenAt : work.now, practiceOf(work.db).guardSigmas),
    steps,
  )
  const jump = unexplainedJump(sheet, result, save.reason ?? null)
  if (jump) return fail(jump)
  const place = evidence.put(save.serial, work.now, save.frames)
  const saved = keepMeasurement(work, sheet, {
    set: tool,
    steps,
    program: sheet.program?.version ?? null,
    result,
    source: 'pictures',
    evidence: place,
    takenAt: save.takenAt,
    reason: save.reason ?? null,
  })
  if (!saved.ok) evidence.drop(place)
  return saved
}
