import type { VoidReason } from '@/core/handover'
import type { Coupling } from '@/core/tool'
import { prepare, type Tx } from '../connection'
import type { BalanceResult, BalanceRun, Calibration, HolderBalance, SpindleUse } from './read'

type Unsaved<T> = Omit<T, 'id' | 'who' | 'at'> & { readonly at: string; readonly personId: string }

export function insertCalibration(
  tx: Tx,
  { coupling, at, personId, ...body }: Unsaved<Calibration> & { coupling: Coupling },
): number {
  const done = prepare(tx, 'INSERT INTO spindle_calibration (coupling, at, person_id, body) VALUES (?, ?, ?, ?)').run(
    coupling,
    at,
    personId,
    JSON.stringify(body),
  )
  return Number(done.lastInsertRowid)
}

export function insertRun(
  tx: Tx,
  { assemblyId, serial, round, seat, at, personId, evidence, ...body }: Unsaved<BalanceRun>,
): number {
  const done = prepare(
    tx,
    'INSERT INTO balance_run (assembly_id, serial, round, seat, at, person_id, body, evidence) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
  ).run(assemblyId, serial, round, seat, at, personId, JSON.stringify(body), evidence)
  return Number(done.lastInsertRowid)
}

/** Keeps what is under way with a tool. @param version as it was read; 0: nothing was there. @returns false when somebody else was first */
export function putBalanceWork(tx: Tx, assemblyId: number, body: unknown, version: number): boolean {
  const done = prepare(
    tx,
    `INSERT INTO balance_work (assembly_id, body) VALUES (:id, :body)
     ON CONFLICT (assembly_id) DO UPDATE SET body = excluded.body, version = version + 1 WHERE version = :version`,
  ).run({ id: assemblyId, body: JSON.stringify(body), version })
  return done.changes === 1
}

/** What was run and begun does not count any more; what the tool is balanced for stays. Whoever has the sheet open is told. */
export function resetBalanceWork(tx: Tx, assemblyId: number): void {
  prepare(
    tx,
    `UPDATE balance_work SET version = version + 1, body = json_object('wanted', json(body -> '$.wanted'),
       'round', (SELECT coalesce(max(round) + 1, 0) FROM balance_run r WHERE r.assembly_id = balance_work.assembly_id))
     WHERE assembly_id = ?`,
  ).run(assemblyId)
}

export function insertResult(
  tx: Tx,
  { assemblyId, serial, at, personId, ...body }: Omit<Unsaved<BalanceResult>, 'voidedAt' | 'voidReason'>,
): number {
  const done = prepare(tx, 'INSERT INTO balance_result (assembly_id, serial, at, person_id, body) VALUES (?, ?, ?, ?, ?)').run(
    assemblyId,
    serial,
    at,
    personId,
    JSON.stringify(body),
  )
  return Number(done.lastInsertRowid)
}

/** What was found does not count any more. @returns how many results went */
export const voidResults = (tx: Tx, assemblyId: number, at: string, reason: VoidReason): number =>
  prepare(tx, 'UPDATE balance_result SET voided_at = ?, void_reason = ? WHERE assembly_id = ? AND voided_at IS NULL').run(
    at,
    JSON.stringify(reason),
    assemblyId,
  ).changes

/** The tool was touched: what is under way begins anew too. */
export function voidBalance(tx: Tx, assemblyId: number, at: string, reason: VoidReason): number {
  resetBalanceWork(tx, assemblyId)
  return voidResults(tx, assemblyId, at, reason)
}

/** @returns false when somebody else changed it since it was read */
export function putHolderBalance(tx: Tx, serial: string, { version, ...body }: HolderBalance): boolean {
  const text = JSON.stringify(body)
  const done =
    version === 0
      ? prepare(tx, 'INSERT INTO holder_balance (serial, body) VALUES (?, ?) ON CONFLICT (serial) DO NOTHING').run(serial, text)
      : prepare(tx, 'UPDATE holder_balance SET body = ?, version = version + 1 WHERE serial = ? AND version = ?').run(
          text,
          serial,
          version,
        )
  return done.changes === 1
}

/** @param version as it was read; left out: whatever is there. @returns false when somebody else was first */
function putSpindleWork(tx: Tx, name: 'run' | 'calibration', body: unknown, version?: number): boolean {
  const done = prepare(
    tx,
    `INSERT INTO spindle_work (name, body) VALUES (:name, :body)
     ON CONFLICT (name) DO UPDATE SET body = excluded.body, version = version + 1 WHERE :version IS NULL OR version = :version`,
  ).run({ name, body: JSON.stringify(body), version: version ?? null })
  return done.changes === 1
}

/** @param use null: the run belongs to nobody, and nobody can take it */
export const putSpindleUse = (tx: Tx, use: SpindleUse | null): void => void putSpindleWork(tx, 'run', use)

/** @param body null: none is under way. @returns false when somebody else was first */
export const putCalibrationWork = (tx: Tx, body: unknown, version?: number): boolean =>
  putSpindleWork(tx, 'calibration', body, version)
