import { prepare, type Tx } from '../connection'
import type { TouchOff } from './read'

export function insertTouchOff(tx: Tx, touchOff: Omit<TouchOff, 'id' | 'who'> & { readonly personId: string }): void {
  prepare(
    tx,
    `INSERT INTO touch_off (machine_key, t, serial, at, person_id, what, method, value_mm, minutes)
     VALUES (:machine, :t, :serial, :at, :personId, :what, :method, :valueMm, :minutes)`,
  ).run(touchOff)
}
