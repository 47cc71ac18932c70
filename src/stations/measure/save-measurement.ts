import { decodeFrameSet, type FrameSetError } from '@/codecs/frame-set'
import { benchFor, judgeTool, measureProgram, setErrorText } from '@/core/measure'
import { nextState } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { noteRefusal } from '../records/note-refusal'
import type { Refused, Work } from '../work'
import { practiceOf } from '../practice'
import { heldBack, readBench } from './bench-state'
import { keepMeasurement, unexplainedJump, type Saved } from './keep-measurement'
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
export function saveMeasurement(work: Work, evidence: EvidenceStore, save: Save): Result<Saved, Refused | FrameSetError> {
  const sheet = readMeasure(work.db, save.serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', text: `No tool stands on holder ${save.serial}.` })
  const { assembly } = sheet
  const refuse = (refused: Refused) => {
    noteRefusal(work, 'Measure', { serial: save.serial, t: assembly.t, machine: assembly.machine }, refused)
    return fail(refused)
  }
  if (save.scanned !== save.serial)
    return refuse({
      code: 'OTHER_HOLDER',
      text: `${save.scanned} was scanned, ${save.serial} is on the spindle. Nothing was saved.`,
    })
  if (!nextState(assembly.state, 'save-measurement'))
    return refuse({
      code: 'NOT_NOW',
      text: `${save.serial} is ${assembly.state}: take it out of the machine before it is measured.`,
    })
  const bench = readBench(work.db, work.now)
  const held = heldBack(bench, assembly.coupling)
  if (held) return refuse(held)
  if (save.checkId !== (bench.check?.id ?? null))
    return refuse({
      code: 'OTHER_ZERO',
      text: 'The bench was checked with its master after these pictures were taken. Open the tool again and measure it.',
    })
  if (save.program !== (sheet.program?.version ?? 0))
    return refuse({
      code: 'OTHER_PROGRAM',
      text: 'Its measuring program was changed after these pictures were taken. Open the tool again and measure it.',
    })
  const set = decodeFrameSet(save.frames)
  if (!set.ok) return set
  if (set.value.mmPerPixel.x !== save.mmPerPixel.x || set.value.mmPerPixel.z !== save.mmPerPixel.z)
    return refuse({ code: 'OTHER_SCALE', text: 'The pictures have another scale than this bench. Nothing was saved.' })
  const measured = measureProgram(set.value.pictures, set.value.mmPerPixel, sheet.steps)
  if (!measured.ok) return fail({ code: measured.error.code, text: setErrorText(measured.error) })
  const { tool, steps } = measured.value
  const dirty = [tool, ...steps.map((s) => s.set)].flatMap((s) => s.warnings).find((w) => w.warning.code === 'DEBRIS')
  if (dirty)
    return refuse({ code: 'DEBRIS', text: `Something sits on edge ${dirty.edge}. Wipe it and measure it again before saving.` })
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
