import type { HookEvent } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { inTransaction, type Db } from '@/db/connection'
import { countCalls, dueCalls, getHook, lastCalls, listHooks } from '@/db/hook/read'
import { endHook as end, forgetTaken, insertHook, noteNotTaken, noteTaken, tryAgain } from '@/db/hook/write'
import type { TellError, Teller } from '@/devices/hook/port'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import type { HookView } from './contract'

interface NewHook {
  readonly name: string
  readonly url: string
  readonly events: readonly HookEvent[]
}

/** Another program is told from now on. @param secret what it proves our messages with */
export function makeHook(work: Work, secret: string, given: NewHook): Result<{ readonly secret: string }, Refusal> {
  const { name, url, events } = given
  return write(work, { entry: { code: 'HOOK_MADE', name, url, events } }, (tx) => {
    insertHook(tx.db, { ...given, secret, by: tx.person.id, at: tx.now })
    return { secret }
  })
}

export function endHook(work: Work, id: number): Result<null, Refusal> {
  const hook = getHook(work.db, id)
  if (!hook) return fail({ code: 'UNKNOWN_HOOK' })
  return write(work, { entry: { code: 'HOOK_ENDED', name: hook.name } }, (tx) => {
    must(end(tx.db, id, tx.now), { code: 'UNKNOWN_HOOK' })
    return null
  })
}

/** What was given up is tried again from now on. */
export function tellAgain(work: Work, id: number): Result<{ readonly count: number }, Refusal> {
  const hook = getHook(work.db, id)
  if (!hook || hook.endedAt !== null) return fail({ code: 'UNKNOWN_HOOK' })
  return write(work, null, (tx) => ({ count: tryAgain(tx.db, id, tx.now) }))
}

/** Seconds between one try and the next: half a day in all, then it is given up. */
export const WAITS_S = [10, 60, 300, 1800, 7200, 36_000] as const

/** So long it is kept what was taken. */
const KEPT_MS = 30 * 86_400_000

/** So many are sent in one go. */
const AT_ONCE = 20

const problemOf = (error: TellError): string => (error.code === 'NOT_TAKEN' ? `HTTP ${error.status}` : error.detail)

/** Sends what is due. @param clock when each answer came */
export async function tellHooks(db: Db, teller: Teller, clock: () => string): Promise<void> {
  const hooks = new Map(listHooks(db).map((hook) => [hook.id, hook]))
  await Promise.all(
    dueCalls(db, clock(), AT_ONCE).map(async ({ id, hookId, event, body, tries }) => {
      const hook = hooks.get(hookId)
      if (!hook || hook.endedAt !== null) return
      const { url, secret } = hook
      const told = await teller.tell({ url, secret, delivery: id, event, body, time: clock() })
      const now = clock()
      const wait = WAITS_S.at(tries)
      const nextAt = wait === undefined ? null : new Date(Date.parse(now) + wait * 1000).toISOString()
      inTransaction(db, (tx) => {
        if (!told.ok) return noteNotTaken(tx, id, problemOf(told.error), nextAt)
        noteTaken(tx, id, now)
        forgetTaken(tx, new Date(Date.parse(now) - KEPT_MS).toISOString())
      })
    }),
  )
}

export const readHooks = (db: Db): readonly HookView[] =>
  listHooks(db).map(({ id, name, url, events, endedAt }) => {
    const [last] = lastCalls(db, id, 1)
    return {
      ...{ id, name, url, events, ended: endedAt !== null, ...countCalls(db, id) },
      last: last ? { event: last.event, at: last.at, takenAt: last.takenAt, problem: last.problem, nextAt: last.nextAt } : null,
    }
  })
