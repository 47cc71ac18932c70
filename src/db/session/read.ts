import type { LengthUnit } from '@/core/units'
import { prepare, type Db } from '../connection'

export interface Session {
  readonly id: string
  readonly personId: string | null
  readonly unit: LengthUnit
  readonly theme: 'granite' | 'basalt'
  /** When something was last done there, ISO 8601; null: never. */
  readonly actedAt: string | null
}

export function getSession(db: Db, id: string): Session | null {
  const row = prepare(db, 'SELECT id, person_id AS personId, unit, theme, acted_at AS actedAt FROM session WHERE id = ?').get(id)
  return (row as Session | undefined) ?? null
}
