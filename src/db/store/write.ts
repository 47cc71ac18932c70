import type { Place, StoreUnit } from '@/core/tool'
import type { Db } from '../connection'

export function putUnit(db: Db, u: StoreUnit): void {
  db.prepare(
    `INSERT INTO store_unit (id, kind, name, x, y, w, h) VALUES (:id, :kind, :name, :x, :y, :w, :h)
     ON CONFLICT (id) DO UPDATE SET kind = :kind, name = :name, x = :x, y = :y, w = :w, h = :h`,
  ).run({ ...u })
}

export function putPlace(db: Db, p: Place): void {
  db.prepare(
    `INSERT INTO place (id, unit_id, name, row, taper) VALUES (:id, :unit, :name, :row, :taper)
     ON CONFLICT (id) DO UPDATE SET name = :name, row = :row, taper = :taper`,
  ).run({ ...p })
}
