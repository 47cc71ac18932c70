import { prepare, type Tx } from '../connection'
import type { Study } from './read'

/** @returns its number */
export function insertStudy(tx: Tx, { startedAt, ...body }: Omit<Study, 'id' | 'endedAt'>, personId: string): number {
  const done = prepare(tx, 'INSERT INTO study (body, started_at, person_id) VALUES (?, ?, ?)').run(
    JSON.stringify(body),
    startedAt,
    personId,
  )
  return Number(done.lastInsertRowid)
}

/** @returns false when it was ended already */
export const endStudy = (tx: Tx, id: number, at: string): boolean =>
  prepare(tx, 'UPDATE study SET ended_at = ? WHERE id = ? AND ended_at IS NULL').run(at, id).changes === 1
