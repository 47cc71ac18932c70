import type { Master, Zero } from '@/core/measure'
import type { Coupling } from '@/core/tool'
import type { Db } from '../connection'

export function insertMaster(db: Db, master: Master): void {
  db.prepare('INSERT INTO master (id, mark, body) VALUES (?, ?, ?)').run(master.id, master.mark, JSON.stringify(master))
}

export function insertAdapter(db: Db, coupling: Coupling, at: string, personId: string): void {
  db.prepare('INSERT INTO bench_adapter (coupling, at, person_id) VALUES (?, ?, ?)').run(coupling, at, personId)
}

export interface NewCheck {
  readonly masterId: string
  readonly coupling: Coupling
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
      `INSERT INTO bench_check (master_id, coupling, at, person_id, drift_x, drift_z, zero_x, zero_z, evidence, reason)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    )
    .run(c.masterId, c.coupling, c.at, c.personId, c.drift.x, c.drift.z, c.zero.x, c.zero.z, c.evidence, c.reason)
  return Number(done.lastInsertRowid)
}

export function insertOverrule(db: Db, at: string, until: string, personId: string, reason: string): void {
  db.prepare('INSERT INTO bench_overrule (at, until, person_id, reason) VALUES (?, ?, ?, ?)').run(at, until, personId, reason)
}
