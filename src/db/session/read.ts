import type { OwnDevices } from '@/core/set-up'
import type { LengthUnit, Units } from '@/core/units'
import { prepare, type Db } from '../connection'

/** What somebody chose at a terminal; the rest is as the shop usually reads. */
export type Shows = Partial<Omit<Units, 'length'>> & { readonly text?: TextSize }
export type TextSize = 'usual' | 'large'

export interface Session {
  readonly id: string
  readonly personId: string | null
  readonly unit: LengthUnit
  readonly theme: 'granite' | 'basalt'
  readonly shows: Shows
  readonly devices: OwnDevices
  /** When something was last done there, ISO 8601; null: never. */
  readonly actedAt: string | null
}

export function getSession(db: Db, id: string): Session | null {
  const row = prepare(
    db,
    'SELECT id, person_id AS personId, unit, theme, shows, devices, acted_at AS actedAt FROM session WHERE id = ?',
  ).get(id) as
    (Omit<Session, 'shows' | 'devices'> & { readonly shows: string | null; readonly devices: string | null }) | undefined
  if (!row) return null
  return { ...row, shows: JSON.parse(row.shows ?? '{}') as Shows, devices: JSON.parse(row.devices ?? '{}') as OwnDevices }
}
