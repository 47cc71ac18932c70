import 'server-only'
import { inTransaction, type Db } from '@/db/connection'
import { getClockAheadMs } from '@/db/truth/read'
import { putClockAheadMs } from '@/db/truth/write'

/** The one clock that everything computed from time goes by. */
export interface Clock {
  nowMs(): number
  /** ISO 8601, UTC. */
  now(): string
  /** Sets it forward, ms; null where real devices are connected: their time nobody can hurry. */
  readonly forward: ((ms: number) => void) | null
}

/** @param movable whether every device is a stand-in @param behindMs of a room in which it is earlier than it is */
export function clockOf(db: Db, movable: boolean, behindMs = 0): Clock {
  let aheadMs = movable ? getClockAheadMs(db) : 0
  const nowMs = () => Date.now() - behindMs + aheadMs
  return {
    nowMs,
    now: () => new Date(nowMs()).toISOString(),
    forward: movable
      ? (ms) => {
          aheadMs += ms
          inTransaction(db, (tx) => putClockAheadMs(tx, aheadMs))
        }
      : null,
  }
}
