import { prepare, type Db } from '../connection'

/** A tool on its way out of a machine. */
export interface UnloadRun {
  readonly serial: string
  readonly assemblyId: number
  readonly machine: string
  /** What was asked for, as the verb had it. */
  readonly asked: unknown
  readonly personId: string
  readonly startedAt: string
}

interface Row {
  readonly serial: string
  readonly assembly_id: number
  readonly machine_key: string
  readonly body: string
  readonly person_id: string
  readonly started_at: string
}

const unloadRun = (row: unknown): UnloadRun => {
  const r = row as Row
  return {
    serial: r.serial,
    assemblyId: r.assembly_id,
    machine: r.machine_key,
    asked: JSON.parse(r.body),
    personId: r.person_id,
    startedAt: r.started_at,
  }
}

export function getUnloadRun(db: Db, serial: string): UnloadRun | null {
  const row = prepare(db, 'SELECT * FROM unload_run WHERE serial = ?').get(serial)
  return row ? unloadRun(row) : null
}

/** Every tool on its way out, the oldest first. */
export const listUnloadRuns = (db: Db): UnloadRun[] => prepare(db, 'SELECT * FROM unload_run ORDER BY id').all().map(unloadRun)
