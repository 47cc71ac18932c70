import { prepare, type Tx } from '../connection'
import type { Session } from './read'

/** Makes the session when it is new, and changes what is given. */
export function putSession(tx: Tx, id: string, change: Partial<Omit<Session, 'id' | 'actedAt'>>, at: string): void {
  prepare(
    tx,
    `INSERT INTO session (id, person_id, unit, theme, shows, created_at)
     VALUES (:id, :person, coalesce(:unit, 'mm'), coalesce(:theme, 'granite'), :shows, :at)
     ON CONFLICT (id) DO UPDATE SET person_id = coalesce(:person, person_id), unit = coalesce(:unit, unit), theme = coalesce(:theme, theme),
       shows = json_patch(coalesce(shows, '{}'), coalesce(:shows, '{}'))`,
  ).run({
    id,
    person: change.personId ?? null,
    unit: change.unit ?? null,
    theme: change.theme ?? null,
    shows: change.shows ? JSON.stringify(change.shows) : null,
    at,
  })
}

/** Somebody signs in: a session of a new name takes over how the terminal shows things, and the old one ends. A new terminal begins in the shop's unit. */
export function turnSession(tx: Tx, oldId: string, newId: string, personId: string, at: string): void {
  prepare(
    tx,
    `INSERT INTO session (id, person_id, unit, theme, shows, created_at, acted_at)
     SELECT :newId, :personId, coalesce(max(unit), (SELECT body ->> '$.unit' FROM shop_setting WHERE name = 'shop'), 'mm'),
       coalesce(max(theme), 'granite'), max(shows), :at, :at FROM session WHERE id = :oldId`,
  ).run({ oldId, newId, personId, at })
  endSession(tx, oldId, at)
}

export function noteActed(tx: Tx, id: string, at: string): void {
  prepare(tx, 'UPDATE session SET acted_at = :at WHERE id = :id').run({ id, at })
}

export function endSession(tx: Tx, id: string, at: string): void {
  prepare(tx, 'UPDATE session SET person_id = NULL, ended_at = :at WHERE id = :id').run({ id, at })
}

/** Ends every session of a person. @returns how many */
export const endSessionsOf = (tx: Tx, personId: string, at: string): number =>
  prepare(tx, 'UPDATE session SET person_id = NULL, ended_at = :at WHERE person_id = :personId').run({ personId, at }).changes
