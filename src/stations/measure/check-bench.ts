import { decodeFrameSet } from '@/codecs/frame-set'
import { addZero, driftOf, judgeDrift, measureSet, type DriftVerdict, type Zero } from '@/core/measure'
import { fail, ok, type Result } from '@/core/units'
import { insertCheck } from '@/db/bench/write'
import { inTransaction } from '@/db/connection'
import { note } from '../records/note'
import { noteRefusal } from '../records/note-refusal'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { readBench } from './bench-state'
import { findAgain, holdAgain, type MeasureAgain } from './look-back'
import type { EvidenceStore } from './save-measurement'

export interface CheckSave {
  /** What was scanned to save it: the mark on the master. */
  readonly scanned: string
  /** Pictures of the master at two turns or more, half a revolution apart, placed with the zero of this check. */
  readonly frames: Uint8Array
  readonly checkId: number | null
  /** Why a drift that is too far is taken all the same: a lead's word. */
  readonly reason: string | null
}

export interface CheckSaved {
  readonly drift: Zero
  readonly verdict: DriftVerdict
  /** Tools measured since the check before that would have come out otherwise. */
  readonly again: readonly MeasureAgain[]
}

/** Measures the master from its pictures and takes what it reads too much as the bench's zero from now on. */
export function saveCheck(work: Work, evidence: EvidenceStore, save: CheckSave): Result<CheckSaved, Refusal> {
  const bench = readBench(work.db, work.now)
  const refuse = (refused: Refusal) => {
    noteRefusal(work, 'Masters', {}, refused)
    return fail(refused)
  }
  const { adapter, master } = bench
  if (!adapter || !master) return refuse({ code: 'NO_MASTER', coupling: null })
  if (save.scanned !== master.mark) return refuse({ code: 'OTHER_MASTER', scanned: save.scanned, master: master.mark })
  if (master.calibratedUntil < work.now.slice(0, 10))
    return refuse({ code: 'MASTER_EXPIRED', master: master.mark, until: master.calibratedUntil })
  if (save.checkId !== (bench.check?.id ?? null)) return refuse({ code: 'OTHER_ZERO', measuring: 'master' })
  const set = decodeFrameSet(save.frames)
  if (!set.ok) return fail({ code: 'FRAME_SET', error: set.error })
  const measured = measureSet(set.value.pictures, set.value.mmPerPixel, ['LF', 'DC'])
  if (!measured.ok) return fail({ code: 'SET', error: measured.error })
  const dirty = measured.value.warnings.find((w) => w.warning.code === 'DEBRIS')
  if (dirty) return refuse({ code: 'DEBRIS', edge: null })
  const radii = measured.value.edges.flatMap((e) => (e.x ? [e.x.value] : []))
  const { LF } = measured.value.summary
  if (radii.length < 2 || LF === null) return refuse({ code: 'MASTER_NOT_WHOLE' })
  const drift = driftOf(master, radii, LF)
  const verdict = judgeDrift(drift, bench.check === null)
  if (verdict === 'too far' && (work.person.role !== 'lead' || !save.reason)) return refuse({ code: 'TOO_FAR', bench: 'this' })
  const place = evidence.put(master.mark, work.now, save.frames)
  const again = verdict === 'drifted' || verdict === 'too far' ? findAgain(work, adapter, bench.check, drift) : []
  inTransaction(work.db, () => {
    insertCheck(work.db, {
      masterId: master.id,
      coupling: adapter.coupling,
      adapter: adapter.serial,
      at: work.now,
      personId: work.person.id,
      drift,
      zero: addZero(bench.zero, drift),
      evidence: place,
      reason: save.reason,
    })
    note(work, 'checked', `Bench checked with ${master.mark}: ${verdict}${save.reason ? `; ${save.reason}` : ''}`, {
      serial: null,
      t: null,
      machine: null,
      before: { ...bench.zero },
      after: { ...addZero(bench.zero, drift), again: again.map(({ serial, movedMm, after }) => ({ serial, movedMm, after })) },
    })
    holdAgain(work, again)
  })
  return ok({ drift, verdict, again })
}
