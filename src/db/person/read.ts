import type { Person } from '@/core/tool'
import { prepare, type Db } from '../connection'

const PERSON = "SELECT id, name, CASE administrator WHEN 1 THEN 'administrator' ELSE role END AS role FROM person"

/** Who works here now. */
export const listPeople = (db: Db): Person[] => prepare(db, `${PERSON} WHERE retired = 0 ORDER BY name`).all() as Person[]

/** @returns null for one who has left, too */
export const getPerson = (db: Db, id: string): Person | null =>
  (prepare(db, `${PERSON} WHERE id = ? AND retired = 0`).get(id) as Person | undefined) ?? null

/** A person as set-up shows them; the PIN's hash stays inside. */
export interface PersonRow extends Person {
  readonly hasPin: boolean
  readonly retired: boolean
  readonly version: number
}

const row = (found: unknown): PersonRow => {
  const r = found as Person & { hasPin: 0 | 1; retired: 0 | 1; version: number }
  return { ...r, hasPin: r.hasPin === 1, retired: r.retired === 1 }
}
const ROW = `SELECT id, name, CASE administrator WHEN 1 THEN 'administrator' ELSE role END AS role,
  pin IS NOT NULL AS hasPin, retired, version FROM person`

/** Everybody, those who have left at the end. */
export const listPersonRows = (db: Db): PersonRow[] => prepare(db, `${ROW} ORDER BY retired, name`).all().map(row)
export function getPersonRow(db: Db, id: string): PersonRow | null {
  const found = prepare(db, `${ROW} WHERE id = ?`).get(id)
  return found ? row(found) : null
}

/** What a PIN is held against; null where there is none. */
export const getPinHash = (db: Db, id: string): string | null =>
  (prepare(db, 'SELECT pin FROM person WHERE id = ?').get(id) as { pin: string | null } | undefined)?.pin ?? null

export interface Tries {
  /** Wrong PINs since the last right one. */
  readonly wrong: number
  /** Until then no other is looked at, ISO 8601. */
  readonly until: string
}

export const getTries = (db: Db, id: string): Tries =>
  (prepare(db, 'SELECT wrong, until FROM sign_in_try WHERE person_id = ?').get(id) as Tries | undefined) ?? {
    wrong: 0,
    until: '',
  }
