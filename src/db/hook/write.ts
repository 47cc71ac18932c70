import type { HookEvent } from '@/core/tool'
import { prepare, type Tx } from '../connection'

interface NewHook {
  readonly name: string
  readonly url: string
  readonly events: readonly HookEvent[]
  readonly secret: string
  readonly by: string
  readonly at: string
}

export function insertHook(tx: Tx, { events, ...hook }: NewHook): number {
  const done = prepare(
    tx,
    'INSERT INTO hook (name, url, events, secret, made_by, made_at) VALUES (:name, :url, :events, :secret, :by, :at)',
  ).run({ ...hook, events: JSON.stringify(events) })
  return Number(done.lastInsertRowid)
}

/** What still waited for it is given up. @returns false where it had ended before */
export function endHook(tx: Tx, id: number, at: string): boolean {
  const ended = prepare(tx, 'UPDATE hook SET ended_at = ? WHERE id = ? AND ended_at IS NULL').run(at, id).changes === 1
  if (ended) prepare(tx, 'UPDATE hook_call SET next_at = NULL WHERE hook_id = ?').run(id)
  return ended
}

/** Tells every address that wants to know of it, with the transaction that it belongs to. */
export function queueCalls(tx: Tx, event: HookEvent, body: string, at: string): void {
  prepare(
    tx,
    `INSERT INTO hook_call (hook_id, event, body, at, next_at)
     SELECT id, :event, :body, :at, :at FROM hook
     WHERE ended_at IS NULL AND EXISTS (SELECT 1 FROM json_each(events) WHERE value = :event)`,
  ).run({ event, body, at })
}

export const noteTaken = (tx: Tx, id: number, at: string): void => {
  prepare(tx, 'UPDATE hook_call SET tries = tries + 1, next_at = NULL, taken_at = ?, problem = NULL WHERE id = ?').run(at, id)
}

/** What was taken before that moment need not be kept: the record tells of it. */
export const forgetTaken = (tx: Tx, before: string): void => {
  prepare(tx, 'DELETE FROM hook_call WHERE taken_at < ?').run(before)
}

/** @param nextAt null: it is given up */
export const noteNotTaken = (tx: Tx, id: number, problem: string, nextAt: string | null): void => {
  prepare(tx, 'UPDATE hook_call SET tries = tries + 1, next_at = ?, problem = ? WHERE id = ? AND next_at IS NOT NULL').run(
    nextAt,
    problem,
    id,
  )
}

/** Tries once more what was given up. @returns how many */
export const tryAgain = (tx: Tx, hookId: number, now: string): number =>
  prepare(tx, 'UPDATE hook_call SET tries = 0, next_at = ? WHERE hook_id = ? AND next_at IS NULL AND taken_at IS NULL').run(
    now,
    hookId,
  ).changes
