import 'server-only'
import { cookies, headers } from 'next/headers'
import { redirect, unauthorized } from 'next/navigation'
import { connection } from 'next/server'
import { cache } from 'react'
import type { Person } from '@/core/tool'
import type { RoomRun } from '@/stations/lessons/room'
import { readWho, type Who } from '@/stations/session/who'
import { PRACTICE_HEADER, theShop, type Shop } from '@/runtime'
import { practiceAt } from './practice'
import { watchHooks } from './watch-hooks'
import { watchMinutes } from './watch-minutes'
import { watchSnapshots } from './watch-snapshots'
import { watchTables } from './watch-tables'
import { SESSION_COOKIE, sessionIdOf } from '@/runtime/session'

export interface Context extends Omit<Shop, 'at'>, Who {
  readonly sessionId: string | null
  readonly now: string
  /** The lesson whose practice room this is; null in the shop itself. */
  readonly lesson: RoomRun | null
}

/** Where whoever asks for a practice room without a lesson finds one. */
const LESSONS = '/practice/lessons'

/** What every page and action needs to know of whoever stands in front of it; the same for all parts of one page. */
export const context = cache(async (): Promise<Context> => {
  await connection()
  const real = theShop()
  watchHooks(real)
  watchMinutes(real)
  watchSnapshots(real)
  watchTables(real)
  const sessionId = sessionIdOf((await cookies()).get(SESSION_COOKIE)?.value)
  const practice = (await headers()).has(PRACTICE_HEADER) ? ((await practiceAt(sessionId)) ?? redirect(LESSONS)) : null
  const shop = practice?.shop ?? real
  const now = shop.clock.now()
  const { at, ...common } = shop
  const who = readWho(shop.db, sessionId, now)
  return { ...common, ...at(who.own), sessionId, ...who, now, lesson: practice?.run ?? null }
})

/** The same for a page, which is shown to nobody who has not signed in. */
export const signedIn = cache(async (): Promise<Context & { readonly person: Person }> => {
  const here = await context()
  if (!here.person) unauthorized()
  return { ...here, person: here.person }
})
