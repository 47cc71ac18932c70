import { SHIFT_H, type AdapterPiece } from '@/core/measure'
import { fail, ok, type Result } from '@/core/units'
import { getAdapter, listMasters } from '@/db/bench/read'
import { insertAdapter, insertAdapterPiece, insertOverrule, updateMaster } from '@/db/bench/write'
import { inTransaction, isTaken } from '@/db/connection'
import { note } from '../records/note'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { readBench } from './bench-state'

const NOTHING = { serial: null, t: null, machine: null }

/** Another adapter is on the spindle: its master is due before anything else is measured. @param serial the mark on it */
export function changeAdapter(work: Work, serial: string): Result<null, Refusal> {
  const { adapter } = readBench(work.db, work.now)
  const piece = getAdapter(work.db, serial)
  if (!piece) return fail({ code: 'UNKNOWN_ADAPTER', serial })
  if (adapter?.serial === serial) return fail({ code: 'SAME_ADAPTER', serial })
  inTransaction(work.db, () => {
    insertAdapter(work.db, piece, work.now, work.person.id)
    note(work, 'adapter changed', `Adapter ${serial} (${piece.coupling}) on the spindle`, {
      ...NOTHING,
      before: { adapter: adapter?.serial ?? null },
      after: { adapter: serial },
    })
  })
  return ok(null)
}

/** Enters an adapter with the mark on it. */
export function addAdapter(work: Work, piece: AdapterPiece): Result<null, Refusal> {
  try {
    inTransaction(work.db, () => {
      insertAdapterPiece(work.db, piece)
      note(work, 'adapter added', `Adapter ${piece.serial} for ${piece.coupling}`, { ...NOTHING, after: { ...piece } })
    })
  } catch (error) {
    if (isTaken(error)) return fail({ code: 'ADAPTER_EXISTS', serial: piece.serial })
    throw error
  }
  return ok(null)
}

export interface MasterRenewal {
  readonly id: string
  /** As the new certificate gives them, mm. */
  readonly LFmm: number
  readonly DCmm: number
  /** ISO 8601 date. */
  readonly calibratedUntil: string
}

/** A new certificate of a master; a lead's to enter, since every figure rests on it. */
export function renewMaster(work: Work, renewal: MasterRenewal): Result<null, Refusal> {
  const master = listMasters(work.db).find((m) => m.id === renewal.id)
  if (!master) return fail({ code: 'UNKNOWN_MASTER' })
  if (work.person.role !== 'lead') return fail({ code: 'LEAD_ONLY', what: 'certificates' })
  if (renewal.calibratedUntil < work.now.slice(0, 10)) return fail({ code: 'CERTIFICATE_ENDED' })
  const away = Math.max(Math.abs(renewal.LFmm - master.LFmm), Math.abs(renewal.DCmm - master.DCmm))
  if (away > MOST_CHANGE_MM) return fail({ code: 'OTHER_CERTIFICATE', master: master.mark, awayMm: away })
  const { id, ...values } = renewal
  inTransaction(work.db, () => {
    updateMaster(work.db, { ...master, ...values })
    note(work, 'master renewed', `Certificate of ${master.mark} until ${renewal.calibratedUntil}`, {
      ...NOTHING,
      before: { id, LFmm: master.LFmm, DCmm: master.DCmm, calibratedUntil: master.calibratedUntil },
      after: { id, ...values },
    })
  })
  return ok(null)
}

/** Two certificates of one master never differ by more: common practice, no source. */
const MOST_CHANGE_MM = 0.05

/** A lead lets measuring go on for a shift although the check is due. */
export function overruleCheck(work: Work, reason: string): Result<null, Refusal> {
  if (work.person.role !== 'lead') return fail({ code: 'LEAD_ONLY', what: 'master checks' })
  if (!readBench(work.db, work.now).due) return fail({ code: 'CHECK_NOT_DUE' })
  const until = new Date(Date.parse(work.now) + SHIFT_H * 3_600_000).toISOString()
  inTransaction(work.db, () => {
    insertOverrule(work.db, work.now, until, work.person.id, reason)
    note(work, 'overruled', `Measuring goes on without the check of the bench: ${reason}`, { ...NOTHING, after: { until } })
  })
  return ok(null)
}
