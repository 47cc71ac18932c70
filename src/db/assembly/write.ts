import type { Assembly, BuiltPart, CarriedWear, Condition, Heat, ToolState } from '@/core/tool'
import { prepare, type Tx } from '../connection'

/** @returns the new row's id */
export function insertAssembly(tx: Tx, a: Omit<Assembly, 'id' | 'version' | 'wear' | 'sister' | 'runningMin'>): number {
  const done = prepare(
    tx,
    `INSERT INTO assembly (serial, t, name, definition_id, definition_version, machine_key, job_id, coupling, state, pocket, place_id, parts, condition, life_used_min, due_at, built_at, stop_set_mm, heat)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  ).run(
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
    a.place,
    JSON.stringify(a.parts),
    a.condition,
    a.lifeUsedMin,
    a.dueAt,
    a.builtAt,
    a.stopSetMm,
    a.heat === null ? null : JSON.stringify(a.heat),
  )
  return Number(done.lastInsertRowid)
}

/** What a step of a tool's life may change; left-out fields stay, the pocket is cleared. */
export interface Move {
  readonly state: ToolState
  readonly pocket?: number | null
  readonly machine?: string
  readonly t?: number
  readonly sister?: number
  readonly heat?: Heat
  readonly parts?: readonly BuiltPart[]
  readonly condition?: Condition
  /** Added to the minutes it has cut. */
  readonly cutMin?: number
  /** null clears it. */
  readonly wear?: CarriedWear | null
}

/**
 * Moves a tool on, if nobody else has since it was read.
 * @returns false when its version is another: read again and say so
 */
export function moveAssembly(tx: Tx, asRead: Pick<Assembly, 'id' | 'version'>, to: Move): boolean {
  const done = prepare(
    tx,
    `UPDATE assembly SET state = :state, pocket = :pocket, machine_key = coalesce(:machine, machine_key), t = coalesce(:t, t), sister = coalesce(:sister, sister),
         place_id = iif(:state IN ('loaded', 'apart'), NULL, place_id), heat = coalesce(:heat, heat), parts = coalesce(:parts, parts),
         condition = coalesce(:condition, condition), life_used_min = life_used_min + :cutMin,
         running_min = iif(:state = 'loaded', running_min, 0),
         wear = iif(:wears, :wear, wear), version = version + 1
       WHERE id = :id AND version = :version`,
  ).run({
    id: asRead.id,
    version: asRead.version,
    state: to.state,
    cutMin: to.cutMin ?? 0,
    wears: to.wear === undefined ? 0 : 1,
    wear: to.wear ? JSON.stringify(to.wear) : null,
    pocket: to.pocket ?? null,
    machine: to.machine ?? null,
    t: to.t ?? null,
    sister: to.sister ?? null,
    heat: to.heat ? JSON.stringify(to.heat) : null,
    parts: to.parts ? JSON.stringify(to.parts) : null,
    condition: to.condition ?? null,
  })
  return done.changes === 1
}

/** Puts a tool into a slot, or takes it out of one: where it stands changes nothing of the tool. @throws when another stands there */
export function placeAssembly(tx: Tx, id: number, place: string | null): void {
  prepare(tx, 'UPDATE assembly SET place_id = ? WHERE id = ?').run(place, id)
}

/** What the control counts while the tool is in it; the tool itself is not changed by it. */
export function setRunningMin(tx: Tx, id: number, minutes: number): void {
  prepare(tx, "UPDATE assembly SET running_min = ? WHERE id = ? AND state = 'loaded'").run(minutes, id)
}

type AsRead = Pick<Assembly, 'id' | 'version'>

/** Notes wear without touching the tool's state. @returns false when somebody changed the tool since it was read */
export const setCondition = (tx: Tx, asRead: AsRead, condition: Condition): boolean =>
  prepare(tx, 'UPDATE assembly SET condition = ?, version = version + 1 WHERE id = ? AND version = ?').run(
    condition,
    asRead.id,
    asRead.version,
  ).changes === 1

/** Keeps a tool for a job (null: for whoever asks). @returns false when somebody changed the tool since it was read */
export const reserveAssembly = (tx: Tx, asRead: AsRead, job: string | null, dueAt: string | null): boolean =>
  prepare(tx, 'UPDATE assembly SET job_id = ?, due_at = ?, version = version + 1 WHERE id = ? AND version = ?').run(
    job,
    dueAt,
    asRead.id,
    asRead.version,
  ).changes === 1
