import type { Place, StoreUnit } from '@/core/tool'
import { prepare, type Tx } from '../connection'

/** New, or as it stands now: whole, so that nothing of somebody else’s is lost. */
export function putUnit(tx: Tx, u: StoreUnit): void {
  prepare(
    tx,
    `INSERT INTO store_unit (id, kind, name, x, y, w, h) VALUES (:id, :kind, :name, :x, :y, :w, :h)
     ON CONFLICT (id) DO UPDATE SET kind = :kind, name = :name, x = :x, y = :y, w = :w, h = :h`,
  ).run({ ...u })
}

export function putPlace(tx: Tx, p: Place): void {
  prepare(
    tx,
    `INSERT INTO place (id, unit_id, name, row, taper) VALUES (:id, :unit, :name, :row, :taper)
     ON CONFLICT (id) DO UPDATE SET name = :name, row = :row, taper = :taper`,
  ).run({ ...p })
}
