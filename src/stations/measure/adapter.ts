import { type AdapterPiece, type Master } from '@/core/judge'
import { fail, type Result } from '@/core/units'
import { getAdapter, listMasters } from '@/db/bench/read'
import { readCouplings } from '@/db/coupling/read'
import { insertAdapter, insertAdapterPiece, insertOverrule, updateMaster } from '@/db/bench/write'
import { practiceOf } from '../practice'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import { readBench } from './bench-state'

/**
 * Another adapter is on the spindle: its master is due before anything else is measured.
 * @param serial the mark on it
 * @param seen the one that was shown before
 */
export function changeAdapter(work: Work, serial: string, seen?: string | null): Result<null, Refusal> {
  const { adapter } = readBench(work.db, work.now)
  const piece = getAdapter(work.db, serial)
  if (!piece) return fail({ code: 'UNKNOWN_ADAPTER', serial })
  if (adapter?.serial === serial) return fail({ code: 'SAME_ADAPTER', serial })
  if (seen !== undefined && seen !== (adapter?.serial ?? null)) return fail({ code: 'CHANGED', what: 'adapter' })
  const entry = { code: 'ADAPTER_CHANGED', serial, coupling: piece.coupling } as const
  return write(work, { entry, before: { adapter: adapter?.serial ?? null }, after: { adapter: serial } }, (tx) => {
    insertAdapter(tx.db, piece, tx.now, tx.person.id)
    return null
  })
}

/** Enters an adapter with the mark on it. */
export function addAdapter(work: Work, piece: AdapterPiece): Result<null, Refusal> {
  const { serial, coupling } = piece
  if (!readCouplings(work.db).has(coupling)) return fail({ code: 'UNKNOWN_TAPER', taper: coupling })
  return write(
    work,
    { entry: { code: 'ADAPTER_ADDED', serial, coupling }, after: piece },
    (tx) => {
      insertAdapterPiece(tx.db, piece)
      return null
    },
    { code: 'ADAPTER_EXISTS', serial },
  )
}

export interface MasterRenewal {
  readonly id: string
  /** As the new certificate gives them, mm. */
  readonly LFmm: number
  readonly DCmm: number
  /** ISO 8601 date. */
  readonly calibratedUntil: string
  /** Until when the one counted that is replaced. */
  readonly from?: string
}

/** A new certificate of a master; a lead's to enter, since every figure rests on it. */
export function renewMaster(work: Work, renewal: MasterRenewal): Result<null, Refusal> {
  const master = listMasters(work.db).find((m) => m.id === renewal.id)
  if (!master) return fail({ code: 'UNKNOWN_MASTER' })
  if (renewal.calibratedUntil < work.now.slice(0, 10)) return fail({ code: 'CERTIFICATE_ENDED' })
  const far = farFromCertificate(master, renewal)
  if (far) return fail(far)
  if (renewal.from !== undefined && renewal.from !== master.calibratedUntil)
    return fail({ code: 'CHANGED', what: 'master', master: master.mark })
  const { id, LFmm, DCmm, calibratedUntil } = renewal
  const values = { LFmm, DCmm, calibratedUntil }
  const noted = {
    entry: { code: 'MASTER_RENEWED', master: master.mark, until: renewal.calibratedUntil },
    before: { id, LFmm: master.LFmm, DCmm: master.DCmm, calibratedUntil: master.calibratedUntil },
    after: { id, ...values },
  } as const
  return write(work, noted, (tx) => {
    must(updateMaster(tx.db, master, values), { code: 'CHANGED', what: 'master', master: master.mark })
    return null
  })
}

/** Two certificates of one master never differ by more: common practice, no source. */
const MOST_CHANGE_MM = 0.05

/** Why a certificate cannot be the same master's. */
export function farFromCertificate(
  { mark, LFmm, DCmm }: Pick<Master, 'mark' | 'LFmm' | 'DCmm'>,
  now: Pick<Master, 'LFmm' | 'DCmm'>,
): Refusal | null {
  const awayMm = Math.max(Math.abs(now.LFmm - LFmm), Math.abs(now.DCmm - DCmm))
  return awayMm > MOST_CHANGE_MM ? { code: 'OTHER_CERTIFICATE', master: mark, awayMm } : null
}

/** A lead lets measuring go on for a shift although the check is due. */
export function overruleCheck(work: Work, reason: string): Result<null, Refusal> {
  if (!readBench(work.db, work.now).due) return fail({ code: 'CHECK_NOT_DUE' })
  const until = new Date(Date.parse(work.now) + practiceOf(work.db).checkHours * 3_600_000).toISOString()
  return write(work, { entry: { code: 'CHECK_OVERRULED', reason }, after: { until } }, (tx) => {
    insertOverrule(tx.db, tx.now, until, tx.person.id, reason)
    return null
  })
}
