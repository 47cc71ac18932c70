import type { LoadRun } from '@/core/load'
import { prepare, type Tx } from '../connection'
import type { LoadBody } from './row'

const bodyOf = ({ overruled, ticks, typed, sent }: LoadBody) => JSON.stringify({ overruled, ticks, typed, sent })

/** @throws when the tool, the pocket or the T is on its way already */
export function insertLoadRun(tx: Tx, run: Omit<LoadRun, 'id' | 'version'>): void {
  prepare(
    tx,
    `INSERT INTO load_run (serial, machine_key, pocket, t, sister, handover_id, body, person_id, started_at)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  ).run(run.serial, run.machine, run.pocket, run.t, run.sister, run.handover, bodyOf(run), run.personId, run.startedAt)
}

/** @returns false when somebody changed it since it was read */
export function updateLoadRun(tx: Tx, asRead: Pick<LoadRun, 'id' | 'version'>, body: LoadBody): boolean {
  const done = prepare(tx, 'UPDATE load_run SET body = ?, version = version + 1 WHERE id = ? AND version = ?').run(
    bodyOf(body),
    asRead.id,
    asRead.version,
  )
  return done.changes === 1
}

/** @returns false when it is over already */
export const deleteLoadRun = (tx: Tx, id: number): boolean =>
  prepare(tx, 'DELETE FROM load_run WHERE id = ?').run(id).changes === 1
