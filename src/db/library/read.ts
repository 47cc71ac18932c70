import type { HolderItem } from '@/core/fits'
import type { Component, Coupling, Definition, Heat } from '@/core/tool'
import { prepare, type Db } from '../connection'
import { remembered } from '../remembered'

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

/** Another one whenever a part was added or changed. */
export function partsStamp(db: Db): string {
  const { n, v } = prepare(db, 'SELECT count(*) AS n, total(version) AS v FROM component').get() as { n: number; v: number }
  return `${n}/${v}`
}

/** Every part: tens of thousands in a large shop, so that they are read once and kept while none changes. */
export const listComponents = (db: Db): readonly Component[] =>
  remembered(db, 'parts', partsStamp(db), () =>
    prepare(db, 'SELECT body FROM component ORDER BY id')
      .all()
      .map(body<Component>),
  )

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

const HOLDERS = `
  SELECT h.*, a.id AS assembly_id, a.t
  FROM holder h LEFT JOIN assembly a ON a.serial = h.serial AND a.state <> 'apart'`

/** An extension is carried when it is among the parts of a tool that stands. */
function carriedExtensions(db: Db): ReadonlyMap<string, { readonly t: number | null }> {
  const rows = prepare(
    db,
    `SELECT h.serial, a.t FROM holder h JOIN assembly_part x ON x.part = h.serial
       JOIN assembly a ON a.id = x.assembly_id AND a.state <> 'apart' WHERE h.coupling = ''`,
  ).all() as { serial: string; t: number | null }[]
  return new Map(rows.map((r) => [r.serial, { t: r.t }]))
}

function holdersOf(db: Db, rows: readonly unknown[]): HolderRead[] {
  const holders = rows.map(holder)
  if (holders.every((h) => h.coupling !== ('' as Coupling))) return holders
  const carried = carriedExtensions(db)
  return holders.map((h) => {
    const by = h.coupling === ('' as Coupling) ? carried.get(h.serial) : undefined
    return by ? { ...h, carries: true, carriesT: by.t } : h
  })
}

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

export const listHolders = (db: Db): HolderRead[] => holdersOf(db, prepare(db, `${HOLDERS} ORDER BY h.serial`).all())

/** Pieces of these types. */
export const listHoldersOf = (db: Db, components: Iterable<string>): HolderRead[] =>
  holdersOf(
    db,
    prepare(db, `${HOLDERS} WHERE h.component_id IN (SELECT value FROM json_each(?)) ORDER BY h.serial`).all(
      JSON.stringify([...new Set(components)]),
    ),
  )

/** Pieces that carry nothing and lie in these places. */
export const listFreeHolders = (db: Db, places: readonly string[]): HolderRead[] =>
  holdersOf(
    db,
    prepare(db, `${HOLDERS} WHERE h.place_id IN (SELECT value FROM json_each(?)) AND a.id IS NULL ORDER BY h.serial`).all(
      JSON.stringify(places),
    ),
  ).filter((h) => !h.carries)

/** A page of holders by serial: those after one, whose serial or type has these words. */
export const listHolderPage = (
  db: Db,
  { after = '', words = [], limit }: { readonly after?: string; readonly words?: readonly string[]; readonly limit: number },
): HolderRead[] =>
  holdersOf(
    db,
    prepare(
      db,
      `${HOLDERS} LEFT JOIN component c ON c.id = h.component_id WHERE h.serial > ?
         ${words.map(() => "AND (h.serial || ' ' || h.coupling || ' ' || coalesce(c.body ->> '$.name', '')) LIKE ? ESCAPE '\\'").join(' ')}
       ORDER BY h.serial LIMIT ?`,
    ).all(after, ...words.map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`), limit),
  )

/** Holders with a machine side. */
export const countHoldersWith = (db: Db, coupling: string): number =>
  (prepare(db, 'SELECT count(*) AS n FROM holder WHERE coupling = ?').get(coupling) as { n: number }).n

export const countHolders = (db: Db): number => (prepare(db, 'SELECT count(*) AS n FROM holder').get() as { n: number }).n

export function getHolder(db: Db, serial: string): HolderRead | null {
  const row = prepare(db, `${HOLDERS} WHERE h.serial = ?`).get(serial)
  return row ? holdersOf(db, [row])[0] : null
}
