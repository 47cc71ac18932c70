import type { AdapterPiece, BenchKind, Master, Zero, ZeroCheck } from '@/core/judge'
import type { Coupling } from '@/core/tool'
import { prepare, type Tx } from '../connection'
import type { AdapterRow, MasterRead } from './read'

export function insertMaster(tx: Tx, master: Master): void {
  prepare(tx, 'INSERT INTO master (id, mark, body) VALUES (?, ?, ?)').run(master.id, master.mark, JSON.stringify(master))
}

/** @returns false when somebody else has changed it since it was read */
export const updateMaster = (tx: Tx, asRead: MasterRead, change: Partial<Master>): boolean =>
  prepare(tx, 'UPDATE master SET body = ?, version = version + 1 WHERE id = ? AND version = ?').run(
    JSON.stringify({ ...asRead, ...change, version: undefined }),
    asRead.id,
    asRead.version,
  ).changes === 1

/** @returns false when somebody else has changed it since it was read */
export const retireMaster = (tx: Tx, id: string, version: number, retired: boolean): boolean =>
  prepare(tx, 'UPDATE master SET retired = ?, version = version + 1 WHERE id = ? AND version = ?').run(
    retired ? 1 : 0,
    id,
    version,
  ).changes === 1

/** Its name, and whether it is in use. @returns false when somebody else has changed it since it was read */
export const updateAdapter = (tx: Tx, { serial, name, version, retired }: AdapterRow): boolean =>
  prepare(tx, 'UPDATE adapter SET name = ?, retired = ?, version = version + 1 WHERE serial = ? AND version = ?').run(
    name,
    retired ? 1 : 0,
    serial,
    version,
  ).changes === 1

/** @throws on a serial that is taken */
export function insertAdapterPiece(tx: Tx, { serial, coupling, name }: AdapterPiece): void {
  prepare(tx, 'INSERT INTO adapter (serial, coupling, name) VALUES (?, ?, ?)').run(serial, coupling, name)
}

/** Puts an adapter on the spindle. */
export function insertAdapter(tx: Tx, piece: Pick<AdapterPiece, 'serial' | 'coupling'>, at: string, personId: string): void {
  prepare(tx, 'INSERT INTO bench_adapter (serial, coupling, at, person_id) VALUES (?, ?, ?, ?)').run(
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
  readonly calibration?: ZeroCheck['calibration']
}

export function insertCheck(tx: Tx, c: NewCheck): number {
  const done = prepare(
    tx,
    `INSERT INTO bench_check (master_id, coupling, at, person_id, drift_x, drift_z, zero_x, zero_z, evidence, reason, adapter, bench, calibration)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  ).run(
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
    c.calibration ? JSON.stringify(c.calibration) : null,
  )
  return Number(done.lastInsertRowid)
}

export function insertOverrule(tx: Tx, at: string, until: string, personId: string, reason: string): void {
  prepare(tx, 'INSERT INTO bench_overrule (at, until, person_id, reason) VALUES (?, ?, ?, ?)').run(at, until, personId, reason)
}
