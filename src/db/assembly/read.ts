import type { Assembly, ToolState } from '@/core/tool'
import { prepare, type Db } from '../connection'
import { assembly } from './row'

/** All that are not taken apart, the most urgent first. */
export const listAssemblies = (db: Db): Assembly[] =>
  prepare(db, "SELECT * FROM assembly WHERE state <> 'apart' ORDER BY due_at IS NULL, due_at, id").all().map(assembly)

/** Without a state: those that are not taken apart. Only what is asked stands in the question, so that its index is used. */
export function findAssemblies(
  db: Db,
  filter: { readonly t?: number; readonly machine?: string; readonly job?: string; readonly state?: ToolState },
): Assembly[] {
  const asked: [string, unknown][] = [
    ['t = ?', filter.t],
    ['machine_key = ?', filter.machine],
    ['job_id = ?', filter.job],
    ['state = ?', filter.state],
  ]
  const conditions = asked.filter(([, value]) => value !== undefined)
  const where = [...conditions.map(([sql]) => sql), ...(filter.state === undefined ? ["state <> 'apart'"] : [])].join(' AND ')
  return prepare(db, `SELECT * FROM assembly WHERE ${where} ORDER BY id`)
    .all(...conditions.map(([, value]) => value))
    .map(assembly)
}

/** What stands on this holder now. */
export function getAssembly(db: Db, serial: string): Assembly | null {
  const row = prepare(db, "SELECT * FROM assembly WHERE serial = ? AND state <> 'apart'").get(serial)
  return row ? assembly(row) : null
}

/** What stood on this holder at a moment, whatever became of it. @param at ISO 8601 */
export function assemblyThen(db: Db, serial: string, at: string): Assembly | null {
  const row = prepare(db, 'SELECT * FROM assembly WHERE serial = ? AND built_at <= ? ORDER BY id DESC LIMIT 1').get(serial, at)
  return row ? assembly(row) : null
}

/** A tool whatever became of it. */
export function getAssemblyById(db: Db, id: number): Assembly | null {
  const row = prepare(db, 'SELECT * FROM assembly WHERE id = ?').get(id)
  return row ? assembly(row) : null
}

/** The name a tool had when it was built, also after it was taken apart. */
export const getAssemblyName = (db: Db, id: number): string | null =>
  (prepare(db, 'SELECT name FROM assembly WHERE id = ?').get(id) as { name: string } | undefined)?.name ?? null

/** How many tools this holder has carried up to this one, 1 for the first. */
export const buildNumber = (db: Db, { serial, id }: Assembly): number =>
  (prepare(db, 'SELECT count(*) AS n FROM assembly WHERE serial = ? AND id <= ?').get(serial, id) as { n: number }).n

/** What stands in a slot now. */
export function assemblyIn(db: Db, place: string): Assembly | null {
  const row = prepare(db, "SELECT * FROM assembly WHERE place_id = ? AND state IN ('built', 'measured', 'released')").get(place)
  return row ? assembly(row) : null
}

/** Every tool that was ever built with this part, by component or serial; the newest first. */
export const builtWith = (db: Db, componentOrSerial: string): Assembly[] =>
  prepare(
    db,
    `SELECT * FROM assembly a WHERE a.serial = :part OR a.id IN (SELECT assembly_id FROM assembly_part WHERE part = :part)
       ORDER BY a.id DESC LIMIT 200`,
  )
    .all({ part: componentOrSerial })
    .map(assembly)

/** Tools built to a definition, any version; the newest first. */
export const builtTo = (db: Db, definitionId: string): Assembly[] =>
  prepare(db, 'SELECT * FROM assembly WHERE definition_id = ? ORDER BY id DESC LIMIT 200').all(definitionId).map(assembly)
