import { prepare, type Tx } from '../connection'
import type { Session } from './read'

/** Makes the session when it is new, and changes what is given. */
export function putSession(tx: Tx, id: string, change: Partial<Omit<Session, 'id'>>, at: string): void {
  prepare(
    tx,
    `INSERT INTO session (id, person_id, unit, theme, created_at) VALUES (:id, :person, coalesce(:unit, 'mm'), coalesce(:theme, 'granite'), :at)
     ON CONFLICT (id) DO UPDATE SET person_id = coalesce(:person, person_id), unit = coalesce(:unit, unit), theme = coalesce(:theme, theme)`,
  ).run({ id, person: change.personId ?? null, unit: change.unit ?? null, theme: change.theme ?? null, at })
}
