import { HOOK_EVENTS, type HookEvent } from '@/core/tool'
import { prepare, type Db } from '../connection'

/** The address of another program that is told of what happens. */
export interface Hook {
  readonly id: number
  readonly name: string
  readonly url: string
  readonly events: readonly HookEvent[]
  /** Both sides know it; what is sent is signed with it. */
  readonly secret: string
  readonly endedAt: string | null
}

/** Something that one of them is told. */
export interface HookCall {
  readonly id: number
  readonly hookId: number
  readonly event: HookEvent
  /** JSON, as it is sent and signed. */
  readonly body: string
  readonly at: string
  readonly tries: number
  /** When it is tried next; null once it was taken or given up. */
  readonly nextAt: string | null
  readonly takenAt: string | null
  /** Why it was not taken the last time, as words of the program or the network. */
  readonly problem: string | null
}

const HOOK = 'SELECT id, name, url, events, secret, ended_at AS endedAt FROM hook'
const CALL = `SELECT id, hook_id AS hookId, event, body, at, tries, next_at AS nextAt, taken_at AS takenAt, problem FROM hook_call`

const hookOf = (found: unknown): Hook => {
  const row = found as Omit<Hook, 'events'> & { readonly events: string }
  const kept = JSON.parse(row.events) as string[]
  return { ...row, events: HOOK_EVENTS.filter((event) => kept.includes(event)) }
}

/** Those that are told of things, then those that are not any more. */
export const listHooks = (db: Db): Hook[] => prepare(db, `${HOOK} ORDER BY ended_at IS NOT NULL, name, id`).all().map(hookOf)

export function getHook(db: Db, id: number): Hook | null {
  const found = prepare(db, `${HOOK} WHERE id = ?`).get(id)
  return found ? hookOf(found) : null
}

/** What is to be sent by now, the oldest first. */
export const dueCalls = (db: Db, now: string, limit: number): HookCall[] =>
  prepare(db, `${CALL} WHERE next_at <= ? ORDER BY next_at, id LIMIT ?`).all(now, limit) as HookCall[]

/** What one of them was told last, the newest first. */
export const lastCalls = (db: Db, hookId: number, limit: number): HookCall[] =>
  prepare(db, `${CALL} WHERE hook_id = ? ORDER BY id DESC LIMIT ?`).all(hookId, limit) as HookCall[]

/** How many wait to be sent, and how many were given up. */
export function countCalls(db: Db, hookId: number): { readonly waiting: number; readonly givenUp: number } {
  const row = prepare(
    db,
    `SELECT count(*) FILTER (WHERE next_at IS NOT NULL) AS waiting, count(*) FILTER (WHERE next_at IS NULL AND taken_at IS NULL) AS givenUp
     FROM hook_call WHERE hook_id = ?`,
  ).get(hookId)
  return row as { waiting: number; givenUp: number }
}
