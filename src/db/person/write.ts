import type { Person } from '@/core/tool'
import { prepare, type Tx } from '../connection'
import type { Tries } from './read'

/** An administrator is a lead in the table's own words. */
const stored = ({ role }: Pick<Person, 'role'>) => ({
  role: role === 'operator' ? 'operator' : 'lead',
  administrator: role === 'administrator' ? 1 : 0,
})

export function insertPerson(tx: Tx, person: Person): void {
  const { id, name } = person
  prepare(tx, 'INSERT INTO person (id, name, role, administrator) VALUES (:id, :name, :role, :administrator)').run({
    id,
    name,
    ...stored(person),
  })
}

/** @returns false when somebody else was first */
export function updatePerson(tx: Tx, person: Person & { readonly retired: boolean }, version: number): boolean {
  const { id, name, retired } = person
  const done = prepare(
    tx,
    `UPDATE person SET name = :name, role = :role, administrator = :administrator, retired = :retired, version = version + 1
     WHERE id = :id AND version = :version`,
  ).run({ id, name, ...stored(person), retired: retired ? 1 : 0, version })
  return done.changes === 1
}

/** @param hash null: none any more */
export function putPinHash(tx: Tx, id: string, hash: string | null): void {
  prepare(tx, 'UPDATE person SET pin = ? WHERE id = ?').run(hash, id)
}

export function putTries(tx: Tx, id: string, { wrong, until }: Tries): void {
  prepare(
    tx,
    `INSERT INTO sign_in_try (person_id, wrong, until) VALUES (:id, :wrong, :until)
     ON CONFLICT (person_id) DO UPDATE SET wrong = excluded.wrong, until = excluded.until`,
  ).run({ id, wrong, until })
}
