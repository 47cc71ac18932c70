import type { NewEntry } from '@/core/tool'
import type { Db } from '../connection'
import { chainUp } from './chain'

const json = (value: unknown) => (value === null || value === undefined ? null : JSON.stringify(value))

/** Adds to the record and to its chain; the caller's transaction holds both together. */
export function addEntry(db: Db, e: NewEntry): void {
  db.prepare(
    'INSERT INTO record (at, person_id, what, serial, t, machine_key, text, before, after) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
  ).run(e.at, e.personId, e.what, e.serial, e.t, e.machine, e.text, json(e.before), json(e.after))
  chainUp(db)
}
