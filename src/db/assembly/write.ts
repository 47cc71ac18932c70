import type { Assembly, ToolState } from '@/core/tool'
import type { Db } from '../connection'

/** @returns the new row's id */
export function insertAssembly(db: Db, a: Omit<Assembly, 'id' | 'version'>): number {
  const done = db
    .prepare(
      `INSERT INTO assembly (serial, t, name, definition_id, definition_version, machine_key, job_id, coupling, state, pocket, due_at, built_at, stop_set_mm, heat)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    )
    .run(
      a.serial,
      a.t,
      a.name,
      a.definition?.id ?? null,
      a.definition?.version ?? null,
      a.machine,
      a.job,
      a.coupling,
      a.state,
      a.pocket,
      a.dueAt,
      a.builtAt,
      a.stopSetMm,
      a.heat === null ? null : JSON.stringify(a.heat),
    )
  return Number(done.lastInsertRowid)
}

/**
 * Moves a tool on, if nobody else has since it was read.
 * @returns false when its version is another: read again and say so
 */
export function moveAssembly(
  db: Db,
  seen: Pick<Assembly, 'id' | 'version'>,
  to: { readonly state: ToolState; readonly pocket?: number | null; readonly machine?: string; readonly t?: number },
): boolean {
  const done = db
    .prepare(
      `UPDATE assembly SET state = :state, pocket = :pocket, machine_key = coalesce(:machine, machine_key), t = coalesce(:t, t), version = version + 1
       WHERE id = :id AND version = :version`,
    )
    .run({
      id: seen.id,
      version: seen.version,
      state: to.state,
      pocket: to.pocket ?? null,
      machine: to.machine ?? null,
      t: to.t ?? null,
    })
  return done.changes === 1
}
