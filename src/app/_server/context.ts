import 'server-only'
import { cookies } from 'next/headers'
import { unauthorized } from 'next/navigation'
import { connection } from 'next/server'
import { cache } from 'react'
import type { Person } from '@/core/tool'
import { readWho, type Who } from '@/stations/session/who'
import { theShop, type Shop } from '@/runtime'
import { watchHooks } from './watch-hooks'
import { watchMinutes } from './watch-minutes'
import { watchSnapshots } from './watch-snapshots'
import { watchTables } from './watch-tables'
import { SESSION_COOKIE, sessionIdOf } from '@/runtime/session'

export interface Context extends Omit<Shop, 'at'>, Who {
  readonly sessionId: string | null
  readonly now: string
}

/** What every page and action needs to know of whoever stands in front of it; the same for all parts of one page. */
export const context = cache(async (): Promise<Context> => {
  await connection()
  const shop = theShop()
  watchHooks(shop)
  watchMinutes(shop)
  watchSnapshots(shop)
  watchTables(shop)
  const sessionId = sessionIdOf((await cookies()).get(SESSION_COOKIE)?.value)
  const now = shop.clock.now()
  const { at, ...common } = shop
  const who = readWho(shop.db, sessionId, now)
  return { ...common, ...at(who.own), sessionId, ...who, now }
})

/** The same for a page, which is shown to nobody who has not signed in. */
export const signedIn = cache(async (): Promise<Context & { readonly person: Person }> => {
  const here = await context()
  if (!here.person) unauthorized()
  return { ...here, person: here.person }
})
