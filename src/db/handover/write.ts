import type { Handover, Held, VoidReason } from '@/core/handover'
import { prepare, type Tx } from '../connection'

/** @returns the new row's id */
export function insertHandover(tx: Tx, h: Omit<Handover, 'id' | 'voidedAt' | 'voidReason' | 'held'>): number {
  const done = prepare(
    tx,
    `INSERT INTO handover (serial, issue, assembly_id, measurement_id, machine_key, frozen, label, post_name, post_file, post_text, post_check, released_at, person_id)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  ).run(
    h.values.serial,
    h.values.issue,
    h.assemblyId,
    h.measurementId,
    h.values.machine,
    JSON.stringify(h.values),
    h.label,
    h.postName,
    h.postFile,
    h.postText,
    JSON.stringify(h.check),
    h.releasedAt,
    h.personId,
  )
  return Number(done.lastInsertRowid)
}

/** Holds a hand-over that stands; null lets it go again. */
export function holdHandover(tx: Tx, id: number, why: Held | null): void {
  prepare(tx, 'UPDATE handover SET held = ? WHERE id = ? AND voided_at IS NULL').run(why && JSON.stringify(why), id)
}

/** Voids the current hand-over of a serial; @returns its issue number, null when there was none. */
export function voidCurrent(tx: Tx, serial: string, at: string, reason: VoidReason): number | null {
  const row = prepare(
    tx,
    'UPDATE handover SET voided_at = ?, void_reason = ? WHERE serial = ? AND voided_at IS NULL RETURNING issue',
  ).get(at, JSON.stringify(reason), serial) as { issue: number } | undefined
  return row?.issue ?? null
}
