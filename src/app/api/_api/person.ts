import 'server-only'
import type { NextRequest } from 'next/server'
import type { Person } from '@/core/tool'
import { readWho } from '@/stations/session/who'
import type { Shop } from '@/runtime'
import { SESSION_COOKIE, sessionIdOf } from '@/runtime/session'
import { refused } from './refused'

/** Who works at the terminal that asks, or the answer that nobody does. */
export function personOf(request: NextRequest, { db, clock }: Shop): Person | Response {
  const { person } = readWho(db, sessionIdOf(request.cookies.get(SESSION_COOKIE)?.value), clock.now())
  return person ?? refused({ code: 'NOBODY' })
}
