import 'server-only'
import type { NextRequest } from 'next/server'
import { SCOPES, type Scope } from '@/core/tool'
import { theShop } from '@/runtime'
import { hashOf, isServersToken } from '@/runtime/tokens'
import { clientOf } from '@/stations/people/clients'
import { readWho } from '@/stations/session/who'
import { logFault } from '@/runtime/log'
import { storageFault } from '@/stations/storage'
import { SESSION_COOKIE, sessionIdOf } from '@/runtime/session'
import { problem } from './problem'
import { refused } from './refused'
import { SCOPE_NAMES } from '@/words/people'
import { say } from '@/words/screens/outside'

/**
 * Whoever may come in: a program with a token, or one of our own pages with somebody signed in.
 * @returns what they may, or null
 */
export function whoEnters(request: NextRequest): readonly Scope[] | null {
  const given = /^Bearer (.+)$/i.exec(request.headers.get('authorization') ?? '')?.[1]
  if (given) {
    if (isServersToken(given)) return SCOPES
    const { db, clock } = theShop()
    return clientOf(db, hashOf(given), clock.now())?.scopes ?? null
  }
  return hasSession(request) ? SCOPES : null
}

function hasSession(request: NextRequest): boolean {
  const site = request.headers.get('sec-fetch-site')
  const sameOrigin = site === null || site === 'same-origin' || site === 'none'
  if (!sameOrigin) return false
  const session = sessionIdOf(request.cookies.get(SESSION_COOKIE)?.value)
  return session !== null && readWho(theShop().db, session).person !== null
}

type Params = Readonly<Record<string, string>>

/**
 * Wraps a route: door, then work; whatever is thrown is told without a trace.
 * @param scopes any of these is enough
 */
export function guarded(
  scopes: readonly [Scope, ...Scope[]],
  work: (request: NextRequest, params: Params) => Promise<Response> | Response,
) {
  return async (request: NextRequest, route: { params: Promise<unknown> }): Promise<Response> => {
    const may = whoEnters(request)
    if (!may) return problem(401, 'NO_TOKEN', say.sendAuthorizationBearerWithThe)
    if (!may.some((scope) => scopes.includes(scope)))
      return problem(403, 'NOT_IN_SCOPE', say.tokenMayNot(may.map((scope) => SCOPE_NAMES[scope]).join(', and ')))
    try {
      const answer = await work(request, ((await route.params) ?? {}) as Params)
      if (request.method !== 'GET') {
        const { heads, bell } = theShop()
        heads.wrote()
        if (answer.ok) bell.ring({ from: sessionIdOf(request.cookies.get(SESSION_COOKIE)?.value) })
      }
      return answer
    } catch (error) {
      const fault = storageFault(error)
      if (fault) return refused({ code: fault })
      logFault(request.nextUrl.pathname, error)
      return problem(500, 'INTERNAL', say.somethingBroke)
    }
  }
}
