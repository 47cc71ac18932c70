import type { LoadRun } from '@/core/load'
import { prepare, type Db } from '../connection'
import { loadRun } from './row'

export function getLoadRun(db: Db, serial: string): LoadRun | null {
  const row = prepare(db, 'SELECT * FROM load_run WHERE serial = ?').get(serial)
  return row ? loadRun(row) : null
}

/** Every tool on its way into a machine, the oldest first. */
export const listLoadRuns = (db: Db, machine?: string): LoadRun[] =>
  prepare(db, 'SELECT * FROM load_run WHERE :machine IS NULL OR machine_key = :machine ORDER BY started_at, id')
    .all({ machine: machine ?? null })
    .map(loadRun)
