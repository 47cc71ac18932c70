import type { Handover, HandoverValues, Held, PostCheck, VoidReason } from '@/core/handover'
import { prepare, type Db } from '../connection'

interface HandoverRow {
  id: number
  assembly_id: number
  measurement_id: number
  frozen: string
  label: string
  post_name: string
  post_file: string
  post_text: string
  post_check: string
  released_at: string
  person_id: string
  voided_at: string | null
  void_reason: string | null
  held: string | null
}

const handover = (row: unknown): Handover => {
  const r = row as HandoverRow
  return {
    id: r.id,
    assemblyId: r.assembly_id,
    measurementId: r.measurement_id,
    values: JSON.parse(r.frozen) as HandoverValues,
    label: r.label,
    postName: r.post_name,
    postFile: r.post_file,
    postText: r.post_text,
    check: JSON.parse(r.post_check) as PostCheck,
    releasedAt: r.released_at,
    personId: r.person_id,
    voidedAt: r.voided_at,
    voidReason: r.void_reason === null ? null : (JSON.parse(r.void_reason) as VoidReason),
    held: r.held === null ? null : (JSON.parse(r.held) as Held),
  }
}

export function getHandover(db: Db, id: number): Handover | null {
  const row = prepare(db, 'SELECT * FROM handover WHERE id = ?').get(id)
  return row ? handover(row) : null
}

export function findHandover(db: Db, serial: string, issue: number): Handover | null {
  const row = prepare(db, 'SELECT * FROM handover WHERE serial = ? AND issue = ?').get(serial, issue)
  return row ? handover(row) : null
}

/** All of a serial, or of everything, newest first. */
export const listHandovers = (db: Db, serial?: string): Handover[] =>
  prepare(db, 'SELECT * FROM handover WHERE :serial IS NULL OR serial = :serial ORDER BY id DESC')
    .all({ serial: serial ?? null })
    .map(handover)

/** What is current, newest first. */
export const listCurrent = (db: Db): Handover[] =>
  prepare(db, 'SELECT * FROM handover WHERE voided_at IS NULL ORDER BY id DESC').all().map(handover)

/** Current ones that are held until their tool was measured again. */
export const listHeld = (db: Db): Handover[] =>
  prepare(db, 'SELECT * FROM handover WHERE voided_at IS NULL AND held IS NOT NULL ORDER BY id').all().map(handover)

export function currentHandover(db: Db, serial: string): Handover | null {
  const row = prepare(db, 'SELECT * FROM handover WHERE serial = ? AND voided_at IS NULL').get(serial)
  return row ? handover(row) : null
}

export function nextIssue(db: Db, serial: string): number {
  return (prepare(db, 'SELECT coalesce(max(issue), 0) + 1 AS n FROM handover WHERE serial = ?').get(serial) as { n: number }).n
}

/** The newest hand-over of a serial, current or not. */
export function lastHandover(db: Db, serial: string): Handover | null {
  const row = prepare(db, 'SELECT * FROM handover WHERE serial = ? ORDER BY id DESC LIMIT 1').get(serial)
  return row ? handover(row) : null
}
