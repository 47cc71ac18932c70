import 'server-only'
import { cookies } from 'next/headers'
import { connection } from 'next/server'
import { cache } from 'react'
import type { Person } from '@/core/tool'
import type { LengthUnit } from '@/core/units'
import { getPerson, listPeople } from '@/db/person/read'
import { getSession } from '@/db/session/read'
import { theShop, type Shop } from '@/runtime'
import { watchMinutes } from './watch-minutes'
import { SESSION_COOKIE, sessionIdOf } from '@/runtime/session'

export interface Context extends Shop {
  readonly sessionId: string | null
  readonly person: Person | null
  readonly people: readonly Person[]
  readonly unit: LengthUnit
  readonly theme: 'granite' | 'basalt'
  readonly now: string
}

/** What every page and action needs to know of whoever stands in front of it; the same for all parts of one page. */
export const context = cache(async (): Promise<Context> => {
  await connection()
  const shop = theShop()
  watchMinutes(shop)
  const sessionId = sessionIdOf((await cookies()).get(SESSION_COOKIE)?.value)
  const session = sessionId ? getSession(shop.db, sessionId) : null
  return {
    ...shop,
    sessionId,
    person: session?.personId ? getPerson(shop.db, session.personId) : null,
    people: listPeople(shop.db),
    unit: session?.unit ?? 'mm',
    theme: session?.theme ?? 'granite',
    now: shop.clock.now(),
  }
})
