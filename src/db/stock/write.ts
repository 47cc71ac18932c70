import type { StockMove } from '@/core/plan'
import { prepare, type Tx } from '../connection'

/** @returns the move's id. Whoever calls has checked the balance inside the same transaction. */
export function insertMove(
  tx: Tx,
  m: StockMove,
  by: { readonly personId: string | null; readonly at: string },
  counters: number | null = null,
): number {
  const done = prepare(
    tx,
    `INSERT INTO move (component_id, name, from_account, to_account, count, from_place, to_place, job_id, serial, person_id, at, counters)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  ).run(m.component, m.name, m.from, m.to, m.count, m.fromPlace, m.toPlace, m.job, m.serial, by.personId, by.at, counters)
  return Number(done.lastInsertRowid)
}
