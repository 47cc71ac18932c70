import 'server-only'
import { timingSafeEqual } from 'node:crypto'
import type { NextRequest } from 'next/server'
import { readWho } from '@/stations/session/who'
import { apiToken, theShop } from '@/runtime'
import { logFault } from '@/runtime/log'
import { storageFault } from '@/stations/storage'
import { SESSION_COOKIE, sessionIdOf } from '@/runtime/session'
import { problem } from './problem'
import { refused } from './refused'
import { say } from '@/words/screens/outside'

/** Whoever may come in: a program with the token, or one of our own pages with somebody signed in. */
export function mayEnter(request: NextRequest): boolean {
  const given = /^Bearer (.+)$/i.exec(request.headers.get('authorization') ?? '')?.[1]
  if (given) {
    const token = apiToken()
    if (!token) return false
    const a = Buffer.from(given)
    const b = Buffer.from(token)
    return a.length === b.length && timingSafeEqual(a, b)
  }
  const site = request.headers.get('sec-fetch-site')
  const sameOrigin = site === null || site === 'same-origin' || site === 'none'
  if (!sameOrigin) return false
  const session = sessionIdOf(request.cookies.get(SESSION_COOKIE)?.value)
  return session !== null && readWho(theShop().db, session).person !== null
}

type Params = Readonly<Record<string, string>>

/** Wraps a route: door, then work; whatever is thrown is told without a trace. */
export function guarded(work: (request: NextRequest, params: Params) => Promise<Response> | Response) {
  return async (request: NextRequest, route: { params: Promise<unknown> }): Promise<Response> => {
    if (!mayEnter(request)) return problem(401, 'NO_TOKEN', say.sendAuthorizationBearerWithThe)
    try {
      const answer = await work(request, ((await route.params) ?? {}) as Params)
      if (request.method !== 'GET') theShop().heads.wrote()
      return answer
    } catch (error) {
      const fault = storageFault(error)
      if (fault) return refused({ code: fault })
      logFault(request.nextUrl.pathname, error)
      return problem(500, 'INTERNAL', say.somethingBroke)
    }
  }
}
