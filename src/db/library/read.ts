import type { Component, Coupling, Definition, HolderItem, ShrinkHolder, SolidCutter } from '@/core/tool'
import type { Db } from '../connection'

const body = <T>(row: unknown): T => JSON.parse((row as { body: string }).body) as T

export function getComponent(db: Db, id: string): Component | null {
  const row = db.prepare('SELECT body FROM component WHERE id = ?').get(id)
  return row ? body<Component>(row) : null
}

/** @throws when the library does not hold it: definitions only name parts that are there */
export function holderOf(db: Db, id: string): ShrinkHolder {
  const part = getComponent(db, id)
  if (part?.kind !== 'shrink-holder') throw new Error(`component ${id} is no holder`)
  return part
}

/** @throws as holderOf */
export function cutterOf(db: Db, id: string): SolidCutter {
  const part = getComponent(db, id)
  if (part?.kind !== 'solid-cutter') throw new Error(`component ${id} is no cutter`)
  return part
}

/** Newest version of each. */
export const listDefinitions = (db: Db): Definition[] =>
  db
    .prepare('SELECT body FROM definition d WHERE version = (SELECT max(version) FROM definition WHERE id = d.id) ORDER BY t')
    .all()
    .map(body<Definition>)

/** A version as it was built, or the newest. */
export function getDefinition(db: Db, id: string, version?: number): Definition | null {
  const row =
    version === undefined
      ? db.prepare('SELECT body FROM definition WHERE id = ? ORDER BY version DESC LIMIT 1').get(id)
      : db.prepare('SELECT body FROM definition WHERE id = ? AND version = ?').get(id, version)
  return row ? body<Definition>(row) : null
}

export interface HolderRead extends Omit<HolderItem, 'component'> {
  /** null for a holder that came in without being known. */
  readonly component: string | null
  readonly coupling: Coupling
}

interface HolderRow {
  serial: string
  component_id: string | null
  coupling: Coupling
  retired: number
  heats: number
  assembly_id: number | null
  t: number | null
}

const HOLDERS = `
  SELECT h.serial, h.component_id, h.coupling, h.retired, h.heats, a.id AS assembly_id, a.t
  FROM holder h LEFT JOIN assembly a ON a.serial = h.serial AND a.state <> 'apart'`

const holder = (row: HolderRow): HolderRead => ({
  serial: row.serial,
  component: row.component_id,
  coupling: row.coupling,
  retired: row.retired === 1,
  heats: row.heats,
  carries: row.assembly_id !== null,
  carriesT: row.t,
})

export const listHolders = (db: Db): HolderRead[] => (db.prepare(`${HOLDERS} ORDER BY h.serial`).all() as HolderRow[]).map(holder)

export function getHolder(db: Db, serial: string): HolderRead | null {
  const row = db.prepare(`${HOLDERS} WHERE h.serial = ?`).get(serial) as HolderRow | undefined
  return row ? holder(row) : null
}

/** Pieces on hand: the sum of all moves. */
export function stockOf(db: Db, componentId: string): number {
  return (
    db.prepare('SELECT coalesce(sum(delta), 0) AS n FROM stock_move WHERE component_id = ?').get(componentId) as { n: number }
  ).n
}

export function listStock(db: Db): Map<string, number> {
  const rows = db.prepare('SELECT component_id AS id, sum(delta) AS n FROM stock_move GROUP BY component_id').all() as {
    id: string
    n: number
  }[]
  return new Map(rows.map(({ id, n }) => [id, n]))
}
