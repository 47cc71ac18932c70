import type { Component, Coupling, Definition, Heat } from '@/core/tool'
import { prepare, type Tx } from '../connection'
import type { HolderRead } from './read'

/** @throws on a number that is taken */
export function insertComponent(tx: Tx, component: Component): void {
  prepare(tx, 'INSERT INTO component (id, kind, body) VALUES (?, ?, ?)').run(
    component.id,
    component.kind,
    JSON.stringify(component),
  )
}

/** @param seen the version that was changed. @returns false when somebody else has changed it since */
export function updateComponent(tx: Tx, component: Component, asRead: number): boolean {
  const done = prepare(tx, 'UPDATE component SET body = ?, version = version + 1 WHERE id = ? AND kind = ? AND version = ?').run(
    JSON.stringify(component),
    component.id,
    component.kind,
    asRead,
  )
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

export function insertHolder(tx: Tx, h: NewHolder): void {
  prepare(
    tx,
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

/** A holder as it was read. */
export type HolderAsRead = Pick<HolderRead, 'serial' | 'version'>

/** Holder care. Fields left out stay as they are. @returns false when somebody else has changed it since it was read */
export function updateHolder(
  tx: Tx,
  asRead: HolderAsRead,
  change: Partial<Pick<NewHolder, 'retired' | 'inspectBy' | 'stud' | 'studSince' | 'place' | 'componentId'>> & {
    readonly fallenAt?: string | null
  },
): boolean {
  const columns = {
    retired: change.retired === undefined ? undefined : change.retired ? 1 : 0,
    inspect_by: change.inspectBy,
    stud_component: change.stud,
    stud_since: change.studSince,
    place_id: change.place,
    component_id: change.componentId,
    fallen_at: change.fallenAt,
  }
  const changed = Object.entries(columns).filter(([, value]) => value !== undefined)
  const sets = [...changed.map(([column]) => `${column} = ?`), 'version = version + 1'].join(', ')
  return (
    prepare(tx, `UPDATE holder SET ${sets} WHERE serial = ? AND version = ?`).run(
      ...changed.map(([, value]) => value),
      asRead.serial,
      asRead.version,
    ).changes === 1
  )
}

// what has happened to a piece is kept whatever somebody else has written of it meanwhile

export function countHeat(tx: Tx, serial: string): void {
  prepare(tx, 'UPDATE holder SET heats = heats + 1, version = version + 1 WHERE serial = ?').run(serial)
}

/** The piece keeps its heat, whatever tool is on it. */
export function keepHeat(tx: Tx, serial: string, heat: Heat): void {
  prepare(tx, 'UPDATE holder SET heat = ?, version = version + 1 WHERE serial = ?').run(JSON.stringify(heat), serial)
}

/** A piece that fell is looked at before it is used again. */
export function keepFall(tx: Tx, serial: string, at: string): void {
  prepare(tx, 'UPDATE holder SET fallen_at = ?, version = version + 1 WHERE serial = ?').run(at, serial)
}

/** @throws on a version that is taken: somebody else changed it meanwhile */
export function insertDefinition(tx: Tx, definition: Definition): void {
  prepare(tx, 'INSERT INTO definition (id, version, t, body) VALUES (?, ?, ?, ?)').run(
    definition.id,
    definition.version,
    definition.t,
    JSON.stringify(definition),
  )
}
