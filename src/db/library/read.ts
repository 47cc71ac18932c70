import type { HolderItem } from '@/core/fits'
import type { Component, Coupling, Definition, Heat } from '@/core/tool'
import { prepare, type Db } from '../connection'

const body = <T>(row: unknown): T => JSON.parse((row as { body: string }).body) as T

export function getComponent(db: Db, id: string): Component | null {
  const row = prepare(db, 'SELECT body FROM component WHERE id = ?').get(id)
  return row ? body<Component>(row) : null
}

/** How often a part was changed, 1 for a new one; 0 when it is not there. */
export const componentVersion = (db: Db, id: string): number =>
  (prepare(db, 'SELECT version FROM component WHERE id = ?').get(id) as { version: number } | undefined)?.version ?? 0

/** @throws when the library does not hold it: what is stored only names parts that are there */
export function componentOf(db: Db, id: string): Component {
  const part = getComponent(db, id)
  if (!part) throw new Error(`the library holds no component ${id}`)
  return part
}

export const listComponents = (db: Db): Component[] =>
  prepare(db, 'SELECT body FROM component ORDER BY id')
    .all()
    .map(body<Component>)

/** Only those that pieces with a serial are of: a library may hold tens of thousands of others. */
export const listHolderTypes = (db: Db): Map<string, Component> =>
  new Map(
    prepare(db, 'SELECT body FROM component WHERE id IN (SELECT component_id FROM holder)')
      .all()
      .map(body<Component>)
      .map((c) => [c.id, c]),
  )

/** Names of these parts; a number stands for a part that is not there. */
export function namesOf(db: Db, ids: Iterable<string>): Map<string, string> {
  const read = prepare(db, "SELECT body ->> '$.name' AS name FROM component WHERE id = ?")
  return new Map([...new Set(ids)].map((id) => [id, (read.get(id) as { name: string } | undefined)?.name ?? id]))
}

export const listComponentIds = (db: Db): Set<string> =>
  new Set((prepare(db, 'SELECT id FROM component').all() as { id: string }[]).map(({ id }) => id))

/** Newest version of each. */
export const listDefinitions = (db: Db): Definition[] =>
  prepare(db, 'SELECT body FROM definition d WHERE version = (SELECT max(version) FROM definition WHERE id = d.id) ORDER BY t')
    .all()
    .map(body<Definition>)

/** A version as it was built, or the newest. */
export function getDefinition(db: Db, id: string, version?: number): Definition | null {
  const row =
    version === undefined
      ? prepare(db, 'SELECT body FROM definition WHERE id = ? ORDER BY version DESC LIMIT 1').get(id)
      : prepare(db, 'SELECT body FROM definition WHERE id = ? AND version = ?').get(id, version)
  return row ? body<Definition>(row) : null
}

/** All versions, the newest first. */
export const listVersions = (db: Db, id: string): Definition[] =>
  prepare(db, 'SELECT body FROM definition WHERE id = ? ORDER BY version DESC')
    .all(id)
    .map(body<Definition>)

export interface HolderRead extends Omit<HolderItem, 'component' | 'coupling'> {
  /** null for a holder that came in without being known. */
  readonly component: string | null
  readonly coupling: Coupling
  readonly place: string | null
  /** Its last heat, whatever tool was on it; null when it never had one. */
  readonly heat: Heat | null
  /** When it fell; null when it was looked at since, or never fell. */
  readonly fallenAt: string | null
  readonly version: number
}

interface HolderRow {
  serial: string
  component_id: string | null
  coupling: Coupling
  retired: number
  heats: number
  inspect_by: string | null
  stud_component: string | null
  stud_since: string | null
  place_id: string | null
  heat: string | null
  fallen_at: string | null
  version: number
  assembly_id: number | null
  t: number | null
}

/** An extension is carried when it is among the parts of a tool that stands. */
const HOLDERS = `
  SELECT h.*, a.id AS assembly_id, a.t
  FROM holder h LEFT JOIN assembly a ON a.state <> 'apart' AND (a.serial = h.serial
    OR h.coupling = '' AND EXISTS (SELECT 1 FROM json_each(a.parts) p WHERE p.value ->> '$.serial' = h.serial))`

const holder = (row: unknown): HolderRead => {
  const r = row as HolderRow
  return {
    serial: r.serial,
    component: r.component_id,
    coupling: r.coupling,
    retired: r.retired === 1,
    heats: r.heats,
    inspectBy: r.inspect_by,
    stud: r.stud_component,
    studSince: r.stud_since,
    place: r.place_id,
    heat: r.heat === null ? null : (JSON.parse(r.heat) as Heat),
    fallenAt: r.fallen_at,
    version: r.version,
    carries: r.assembly_id !== null,
    carriesT: r.t,
  }
}

export const listHolders = (db: Db): HolderRead[] => prepare(db, `${HOLDERS} ORDER BY h.serial`).all().map(holder)

export function getHolder(db: Db, serial: string): HolderRead | null {
  const row = prepare(db, `${HOLDERS} WHERE h.serial = ?`).get(serial)
  return row ? holder(row) : null
}
