import { isLead } from '@/core/tool'
import {
  addZero,
  driftOf,
  judgeDrift,
  type Adapter,
  type DriftVerdict,
  type FramesMeasured,
  type Master,
  type ProgramStep,
  type Zero,
} from '@/core/judge'
import { ok, type Result } from '@/core/units'
import { insertCheck } from '@/db/bench/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { putFile, refuser, withFile, write } from '../write'
import { readBench, type BenchNow } from './bench-state'
import { findAgain, holdAgain, type MeasureAgain } from './look-back'
import type { EvidenceStore } from './evidence-store'
import type { MeasureFrames } from './save-measurement'

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

/** What of a master is measured. */
export const MASTER_STEPS: readonly ProgramStep[] = [{ name: 'Master', at: null, features: ['LF', 'DC'], limits: {} }]

/** Measures the master from its pictures and takes what it reads too much as the bench's zero from now on. */
export async function saveCheck(
  work: Work,
  evidence: EvidenceStore,
  measure: MeasureFrames,
  save: CheckSave,
): Promise<Result<CheckSaved, Refusal>> {
  const may = mayCheck(work, save)
  if (!may.ok) return may
  const measured = await measure(save.frames, MASTER_STEPS)
  return measured.ok ? finishCheck(work, evidence, save, measured.value) : measured
}

interface Checked {
  readonly bench: BenchNow
  readonly adapter: Adapter
  readonly master: Master
}

/** Whether the bench may be checked with this master now; looked at before its pictures are measured, and once more after. */
export function mayCheck(work: Work, save: CheckSave): Result<Checked, Refusal> {
  const bench = readBench(work.db, work.now)
  const refused = refuser(work, 'Masters')
  const { adapter, master } = bench
  if (!adapter || !master) return refused({ code: 'NO_MASTER', coupling: null })
  if (save.scanned !== master.mark) return refused({ code: 'OTHER_MASTER', scanned: save.scanned, master: master.mark })
  if (master.calibratedUntil < work.now.slice(0, 10))
    return refused({ code: 'MASTER_EXPIRED', master: master.mark, until: master.calibratedUntil })
  if (save.checkId !== (bench.check?.id ?? null)) return refused({ code: 'OTHER_ZERO', measuring: 'master' })
  return ok({ bench, adapter, master })
}

/** Judges the drift, and keeps the new zero with its pictures. */
export function finishCheck(
  work: Work,
  evidence: EvidenceStore,
  save: CheckSave,
  { measured: { tool } }: FramesMeasured,
): Result<CheckSaved, Refusal> {
  const may = mayCheck(work, save)
  if (!may.ok) return may
  const { bench, adapter, master } = may.value
  const refused = refuser(work, 'Masters')
  const dirty = tool.warnings.find((w) => w.warning.code === 'DEBRIS')
  if (dirty) return refused({ code: 'DEBRIS', edge: null })
  const radii = tool.edges.flatMap((e) => (e.x ? [e.x.value] : []))
  const { LF } = tool.summary
  if (radii.length < 2 || LF === null) return refused({ code: 'MASTER_NOT_WHOLE' })
  const drift = driftOf(master, radii, LF)
  const verdict = judgeDrift(drift, bench.check === null)
  if (verdict === 'too far' && (!isLead(work.person) || !save.reason)) return refused({ code: 'TOO_FAR', bench: 'this' })
  const put = putFile(() => evidence.put(master.mark, work.now, save.frames))
  if (!put.ok) return put
  const again = verdict === 'drifted' || verdict === 'too far' ? findAgain(work, adapter, bench.check, drift) : []
  const zero = addZero(bench.zero, drift)
  const noted = {
    entry: { code: 'BENCH_CHECKED', master: master.mark, verdict, reason: save.reason },
    before: bench.zero,
    after: { ...zero, again: again.map(({ serial, movedMm, after }) => ({ serial, movedMm, after })) },
  } as const
  const keep = () =>
    write(work, noted, (tx) => {
      insertCheck(tx.db, {
        masterId: master.id,
        coupling: adapter.coupling,
        adapter: adapter.serial,
        at: tx.now,
        personId: tx.person.id,
        drift,
        zero,
        evidence: put.value,
        reason: save.reason,
      })
      holdAgain(tx, again)
      return { drift, verdict, again }
    })
  return withFile(() => evidence.drop(put.value), keep)
}
