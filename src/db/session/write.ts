import { prepare, type Tx } from '../connection'
import type { Session } from './read'

/** Makes the session when it is new, and changes what is given. */
export function putSession(tx: Tx, id: string, change: Partial<Omit<Session, 'id' | 'actedAt'>>, at: string): void {
  prepare(
    tx,
    `INSERT INTO session (id, person_id, unit, theme, shows, devices, created_at)
     VALUES (:id, :person, coalesce(:unit, 'mm'), coalesce(:theme, 'granite'), :shows, :devices, :at)
     ON CONFLICT (id) DO UPDATE SET person_id = coalesce(:person, person_id), unit = coalesce(:unit, unit), theme = coalesce(:theme, theme),
       shows = json_patch(coalesce(shows, '{}'), coalesce(:shows, '{}')), devices = coalesce(:devices, devices)`,
  ).run({
    id,
    person: change.personId ?? null,
    unit: change.unit ?? null,
    theme: change.theme ?? null,
    shows: change.shows ? JSON.stringify(change.shows) : null,
    devices: change.devices ? JSON.stringify(change.devices) : null,
    at,
  })
}

/** Somebody signs in: a session of a new name takes over what the terminal has and how it shows things, and the old one ends. A new terminal begins in the shop's unit. */
export function turnSession(tx: Tx, oldId: string, newId: string, personId: string, at: string): void {
  prepare(
    tx,
    `INSERT INTO session (id, person_id, unit, theme, shows, devices, created_at, acted_at)
     SELECT :newId, :personId, coalesce(max(unit), (SELECT body ->> '$.unit' FROM shop_setting WHERE name = 'shop'), 'mm'),
       coalesce(max(theme), 'granite'), max(shows), max(devices), :at, :at FROM session WHERE id = :oldId`,
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
