import type { Difference } from '@/core/load'
import { prepare, type Tx } from '../connection'
import type { WatchState } from './read'

interface Seen {
  readonly machine: string
  readonly serial: string
  readonly handover: number | null
  readonly what: string
  readonly difference: Difference
  readonly at: string
  readonly nearId: string | null
}

export function insertWatched(tx: Tx, { difference, ...seen }: Seen): void {
  prepare(
    tx,
    `INSERT INTO watch_difference (machine_key, serial, handover, what, difference, first_at, last_at, near_id)
     VALUES (:machine, :serial, :handover, :what, :difference, :at, :at, :nearId)`,
  ).run({ ...seen, difference: JSON.stringify(difference) })
}

export function seenAgain(tx: Tx, id: number, at: string): void {
  prepare(tx, 'UPDATE watch_difference SET last_at = ? WHERE id = ?').run(at, id)
}

/** @returns false when it was decided or gone since it was read */
export const decideWatched = (
  tx: Tx,
  id: number,
  decided: {
    readonly from: WatchState
    readonly to: WatchState
    readonly at: string
    readonly personId: string
    readonly reason: string
  },
): boolean =>
  prepare(
    tx,
    `UPDATE watch_difference SET state = :to, decided_at = :at, decided_by = :personId, reason = :reason WHERE id = :id AND state = :from`,
  ).run({ ...decided, id }).changes === 1

export function noteGone(tx: Tx, id: number, at: string): void {
  prepare(tx, "UPDATE watch_difference SET state = 'gone', last_at = ? WHERE id = ?").run(at, id)
}

/** What differed of a tool that is out. */
export function noteOut(tx: Tx, serial: string, at: string): void {
  prepare(tx, "UPDATE watch_difference SET state = 'gone', last_at = ? WHERE serial = ? AND state <> 'gone'").run(at, serial)
}

export function noteLook(tx: Tx, machine: string, at: string, problem: object | null): void {
  prepare(
    tx,
    `INSERT INTO watch_look (machine_key, at, problem) VALUES (?, ?, ?)
     ON CONFLICT (machine_key) DO UPDATE SET at = excluded.at, problem = excluded.problem`,
  ).run(machine, at, problem && JSON.stringify(problem))
}
