import type { AdapterPiece, BenchKind, Master, Zero } from '@/core/measure'
import type { Coupling } from '@/core/tool'
import type { Db } from '../connection'

export function insertMaster(db: Db, master: Master): void {
  db.prepare('INSERT INTO master (id, mark, body) VALUES (?, ?, ?)').run(master.id, master.mark, JSON.stringify(master))
}

/** @returns false when there is no such master */
export const updateMaster = (db: Db, master: Master): boolean =>
  db.prepare('UPDATE master SET body = ? WHERE id = ?').run(JSON.stringify(master), master.id).changes === 1

/** @throws on a serial that is taken */
export function insertAdapterPiece(db: Db, { serial, coupling, name }: AdapterPiece): void {
  db.prepare('INSERT INTO adapter (serial, coupling, name) VALUES (?, ?, ?)').run(serial, coupling, name)
}

/** Puts an adapter on the spindle. */
export function insertAdapter(db: Db, piece: Pick<AdapterPiece, 'serial' | 'coupling'>, at: string, personId: string): void {
  db.prepare('INSERT INTO bench_adapter (serial, coupling, at, person_id) VALUES (?, ?, ?, ?)').run(
    piece.serial,
    piece.coupling,
    at,
    personId,
  )
}

export interface NewCheck {
  readonly masterId: string
  readonly coupling: Coupling
  readonly adapter: string
  readonly bench?: BenchKind
  readonly at: string
  readonly personId: string
  readonly drift: Zero
  readonly zero: Zero
  readonly evidence: string | null
  readonly reason: string | null
}

export function insertCheck(db: Db, c: NewCheck): number {
  const done = db
    .prepare(
      `INSERT INTO bench_check (master_id, coupling, at, person_id, drift_x, drift_z, zero_x, zero_z, evidence, reason, adapter, bench)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    )
    .run(
      c.masterId,
      c.coupling,
      c.at,
      c.personId,
      c.drift.x,
      c.drift.z,
      c.zero.x,
      c.zero.z,
      c.evidence,
      c.reason,
      c.adapter,
      c.bench ?? 'camera',
    )
  return Number(done.lastInsertRowid)
}

export function insertOverrule(db: Db, at: string, until: string, personId: string, reason: string): void {
  db.prepare('INSERT INTO bench_overrule (at, until, person_id, reason) VALUES (?, ?, ?, ?)').run(at, until, personId, reason)
}
