import type { LengthUnit } from '@/core/units'
import { prepare, type Db } from '../connection'

export interface Session {
  readonly id: string
  readonly personId: string | null
  readonly unit: LengthUnit
  readonly theme: 'granite' | 'basalt'
}

/** When something was last done at a terminal, ISO 8601; null: never. */
export const actedAt = (db: Db, id: string): string | null =>
  (prepare(db, 'SELECT acted_at AS at FROM session WHERE id = ?').get(id) as { at: string | null } | undefined)?.at ?? null

export function getSession(db: Db, id: string): Session | null {
  const row = prepare(db, 'SELECT id, person_id AS personId, unit, theme FROM session WHERE id = ?').get(id)
  return (row as Session | undefined) ?? null
}
