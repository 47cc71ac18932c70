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

const sessionNow = async (): Promise<string | null> => sessionIdOf((await cookies()).get(SESSION_COOKIE)?.value)

function contextIn(shop: Shop, sessionId: string | null, lesson: RoomRun | null): Context {
  const now = shop.clock.now()
  const { at, ...common } = shop
  const who = readWho(shop.db, sessionId, now)
  return { ...common, ...at(who.own), sessionId, ...who, now, lesson }
}

/** The shop itself, also for whoever asks from its practice room. */
export const shopContext = cache(async (): Promise<Context> => {
  await connection()
  const shop = theShop()
  watchHooks(shop)
  watchMinutes(shop)
  watchSnapshots(shop)
  watchTables(shop)
  return contextIn(shop, await sessionNow(), null)
})

/** What every page and action needs to know of whoever stands in front of it; the same for all parts of one page. */
export const context = cache(async (): Promise<Context> => {
  const shop = await shopContext()
  if (!(await headers()).has(PRACTICE_HEADER)) return shop
  const { shop: room, run } = (await practiceAt(shop.sessionId)) ?? redirect(LESSONS)
  return contextIn(room, shop.sessionId, run)
})

/** The same for a page, which is shown to nobody who has not signed in. */
export const signedIn = cache(async (): Promise<Context & { readonly person: Person }> => {
  const here = await context()
  if (!here.person) unauthorized()
  return { ...here, person: here.person }
})
