/** Leases, by the computer's own clock: the room's clock may be set forward. */
import { prepare, type Db, type Tx } from '../connection'

export type ClaimedFor = 'load' | 'give up' | 'unload' | 'release'

const nowMs = (db: Db): number =>
  (prepare(db, "SELECT CAST(unixepoch('subsec') * 1000 AS INTEGER) AS ms").get() as { ms: number }).ms

export interface ClaimRow {
  readonly what: ClaimedFor
  readonly personId: string
}

/** @returns whoever has one of the keys; null where all are ours now. Leases that have ended are taken over. */
export function takeClaims(
  tx: Tx,
  token: string,
  keys: readonly string[],
  { what, personId }: ClaimRow,
  leaseMs: number,
): ClaimRow | null {
  const now = nowMs(tx)
  for (const key of keys) {
    prepare(tx, 'DELETE FROM claim WHERE key = ? AND until_ms <= ?').run(key, now)
    const held = prepare(tx, 'SELECT what, person_id AS personId FROM claim WHERE key = ? AND token <> ?').get(key, token)
    if (held) return held as ClaimRow
  }
  const insert = prepare(
    tx,
    'INSERT INTO claim (key, token, what, person_id, since_ms, until_ms) VALUES (?, ?, ?, ?, ?, ?) ON CONFLICT (key) DO NOTHING',
  )
  for (const key of keys) insert.run(key, token, what, personId, now, now + leaseMs)
  return null
}

/** Moves the end on. @returns how many keys are still ours; one that ended and was taken over is not */
export const renewClaims = (tx: Tx, token: string, leaseMs: number): number =>
  prepare(tx, 'UPDATE claim SET until_ms = ? WHERE token = ?').run(nowMs(tx) + leaseMs, token).changes

export const dropClaims = (tx: Tx, token: string): void => {
  prepare(tx, 'DELETE FROM claim WHERE token = ?').run(token)
}
