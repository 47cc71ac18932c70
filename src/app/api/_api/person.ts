import 'server-only'
import type { NextRequest } from 'next/server'
import type { Person } from '@/core/tool'
import { getPerson } from '@/db/person/read'
import { getSession } from '@/db/session/read'
import { theShop } from '@/runtime'
import { SESSION_COOKIE, sessionIdOf } from '@/runtime/session'
import { refused } from './refused'

/** Who works at the terminal that asks, or the answer that nobody does. */
export function personOf(request: NextRequest): Person | Response {
  const { db } = theShop()
  const sessionId = sessionIdOf(request.cookies.get(SESSION_COOKIE)?.value)
  const personId = sessionId ? getSession(db, sessionId)?.personId : null
  const person = personId ? getPerson(db, personId) : null
  return person ?? refused({ code: 'NOBODY' })
}
