import type { Difference } from '@/core/load'
import { prepare, type Db } from '../connection'

/** Open: nobody has said anything of it. Kept open: a lead knows of it. Wear: it is what the tool has worn. Gone: it is no more. */
export type WatchState = 'open' | 'kept open' | 'wear' | 'gone'

/** Something in which a control's table was found to differ from what was handed over. */
export interface WatchRow {
  readonly id: number
  readonly machine: string
  readonly serial: string
  readonly handover: number | null
  /** A register by its name, or the code of what else it is. */
  readonly what: string
  readonly difference: Difference
  readonly firstAt: string
  readonly lastAt: string
  /** Who did something at that machine last before it was seen. */
  readonly near: string | null
  readonly state: WatchState
  readonly decidedBy: string | null
  readonly reason: string | null
}

const SELECT = `SELECT w.id, w.machine_key AS machine, w.serial, w.handover, w.what, w.difference, w.first_at AS firstAt, w.last_at AS lastAt,
  n.name AS near, w.state, d.name AS decidedBy, w.reason
  FROM watch_difference w LEFT JOIN person n ON n.id = w.near_id LEFT JOIN person d ON d.id = w.decided_by`

const rowOf = (found: unknown): WatchRow => {
  const row = found as Omit<WatchRow, 'difference'> & { readonly difference: string }
  return { ...row, difference: JSON.parse(row.difference) as Difference }
}

/** What differs now, the oldest first. @param machine left out: of every machine */
export const listWatched = (db: Db, machine?: string): WatchRow[] =>
  (machine === undefined
    ? prepare(db, `${SELECT} WHERE w.state <> 'gone' ORDER BY w.first_at, w.id`).all()
    : prepare(db, `${SELECT} WHERE w.state <> 'gone' AND w.machine_key = ? ORDER BY w.first_at, w.id`).all(machine)
  ).map(rowOf)

export function getWatched(db: Db, id: number): WatchRow | null {
  const row = prepare(db, `${SELECT} WHERE w.id = ?`).get(id)
  return row ? rowOf(row) : null
}

/** When a control's table was read last; `problem` is what its driver said where it could not be. */
export function lastLook(db: Db, machine: string): { readonly at: string; readonly problem: unknown } | null {
  const row = prepare(db, 'SELECT at, problem FROM watch_look WHERE machine_key = ?').get(machine) as
    { readonly at: string; readonly problem: string | null } | undefined
  return row ? { at: row.at, problem: row.problem === null ? null : (JSON.parse(row.problem) as unknown) } : null
}
