import type { Component, Coupling, Definition, Heat } from '@/core/tool'
import type { Db } from '../connection'

/** @throws on a number that is taken */
export function insertComponent(db: Db, component: Component): void {
  db.prepare('INSERT INTO component (id, kind, body) VALUES (?, ?, ?)').run(
    component.id,
    component.kind,
    JSON.stringify(component),
  )
}

/** @returns false when there is no such part */
export function updateComponent(db: Db, component: Component): boolean {
  const done = db
    .prepare('UPDATE component SET body = ? WHERE id = ? AND kind = ?')
    .run(JSON.stringify(component), component.id, component.kind)
  return done.changes === 1
}

export interface NewHolder {
  readonly serial: string
  readonly componentId: string | null
  /** Empty for an extension. */
  readonly coupling: Coupling | ''
  readonly heats?: number
  readonly retired?: boolean
  readonly inspectBy?: string | null
  readonly stud?: string | null
  readonly studSince?: string | null
  readonly place?: string | null
}

export function insertHolder(db: Db, h: NewHolder): void {
  db.prepare(
    `INSERT INTO holder (serial, component_id, coupling, heats, retired, inspect_by, stud_component, stud_since, place_id)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  ).run(
    h.serial,
    h.componentId,
    h.coupling,
    h.heats ?? 0,
    h.retired ? 1 : 0,
    h.inspectBy ?? null,
    h.stud ?? null,
    h.studSince ?? null,
    h.place ?? null,
  )
}

/** Holder care. Fields left out stay as they are. */
export function updateHolder(
  db: Db,
  serial: string,
  change: Partial<Pick<NewHolder, 'retired' | 'inspectBy' | 'stud' | 'studSince' | 'place' | 'componentId'>>,
): void {
  const columns = {
    retired: change.retired === undefined ? undefined : change.retired ? 1 : 0,
    inspect_by: change.inspectBy,
    stud_component: change.stud,
    stud_since: change.studSince,
    place_id: change.place,
    component_id: change.componentId,
  }
  for (const [column, value] of Object.entries(columns))
    if (value !== undefined) db.prepare(`UPDATE holder SET ${column} = ? WHERE serial = ?`).run(value, serial)
}

export function countHeat(db: Db, serial: string): void {
  db.prepare('UPDATE holder SET heats = heats + 1 WHERE serial = ?').run(serial)
}

/** The piece keeps its heat, whatever tool is on it. */
export function keepHeat(db: Db, serial: string, heat: Heat): void {
  db.prepare('UPDATE holder SET heat = ? WHERE serial = ?').run(JSON.stringify(heat), serial)
}

/** A piece that fell is looked at before it is used again. @param at null: it was looked at */
export function setFallen(db: Db, serial: string, at: string | null): void {
  db.prepare('UPDATE holder SET fallen_at = ? WHERE serial = ?').run(at, serial)
}

/** @throws on a version that is taken: somebody else changed it meanwhile */
export function insertDefinition(db: Db, definition: Definition): void {
  db.prepare('INSERT INTO definition (id, version, t, body) VALUES (?, ?, ?, ?)').run(
    definition.id,
    definition.version,
    definition.t,
    JSON.stringify(definition),
  )
}
