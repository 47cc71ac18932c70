import type { LengthUnit } from '@/core/units'
import { prepare, type Db } from '../connection'

export interface Session {
  readonly id: string
  readonly personId: string | null
  readonly unit: LengthUnit
  readonly theme: 'granite' | 'basalt'
}

export function getSession(db: Db, id: string): Session | null {
  const row = prepare(db, 'SELECT id, person_id AS personId, unit, theme FROM session WHERE id = ?').get(id)
  return (row as Session | undefined) ?? null
}
