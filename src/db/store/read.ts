import type { Coupling, Place, StoreUnit } from '@/core/tool'
import { prepare, type Db } from '../connection'

export const listUnits = (db: Db): StoreUnit[] =>
  prepare(db, 'SELECT id, kind, name, x, y, w, h FROM store_unit ORDER BY id').all() as StoreUnit[]

const PLACES = 'SELECT id, unit_id AS unit, name, row, taper FROM place'
const place = (row: unknown): Place => {
  const r = row as Place & { taper: string | null }
  return { ...r, taper: (r.taper as Coupling | null) ?? null }
}

export const listPlaces = (db: Db): Place[] => prepare(db, `${PLACES} ORDER BY unit_id, row, id`).all().map(place)

export function getPlace(db: Db, id: string): Place | null {
  const row = prepare(db, `${PLACES} WHERE id = ? COLLATE NOCASE`).get(id)
  return row ? place(row) : null
}

export function getUnit(db: Db, id: string): StoreUnit | null {
  const row = prepare(db, 'SELECT id, kind, name, x, y, w, h FROM store_unit WHERE id = ? COLLATE NOCASE').get(id)
  return (row as StoreUnit | undefined) ?? null
}
