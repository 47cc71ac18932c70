import { prepare, type Tx } from '../connection'
import type { UnloadRun } from './read'

/** One a tool: pressing again says what is wanted now. */
export function putUnloadRun(tx: Tx, run: UnloadRun): void {
  prepare(
    tx,
    `INSERT INTO unload_run (serial, assembly_id, machine_key, body, person_id, started_at) VALUES (?, ?, ?, ?, ?, ?)
     ON CONFLICT (serial) DO UPDATE SET assembly_id = excluded.assembly_id, machine_key = excluded.machine_key, body = excluded.body,
       person_id = excluded.person_id, started_at = excluded.started_at`,
  ).run(run.serial, run.assemblyId, run.machine, JSON.stringify(run.asked), run.personId, run.startedAt)
}

export const deleteUnloadRun = (tx: Tx, serial: string): void => {
  prepare(tx, 'DELETE FROM unload_run WHERE serial = ?').run(serial)
}
