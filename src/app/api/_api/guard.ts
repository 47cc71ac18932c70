import 'server-only'
import type { NextRequest } from 'next/server'
import { SCOPES, type Scope } from '@/core/tool'
import { PRACTICE_HEADER, theShop, type Shop } from '@/runtime'
import { hashOf, isServersToken } from '@/runtime/tokens'
import { noteAct } from '@/stations/people/ask-again'
import { clientOf } from '@/stations/people/clients'
import { readWho } from '@/stations/session/who'
import { logFault, logged } from '@/runtime/log'
import { practiceOf } from '../../_server/practice'
import { storageFault } from '@/stations/storage'
import { SESSION_COOKIE, sessionIdOf } from '@/runtime/session'
import { problem } from './problem'
import { refused } from './refused'
import { SCOPE_NAMES } from '@/words/people'
import { say } from '@/words/screens/outside'

/** Who asks, and what they may. */
interface Entering {
  readonly who: string
  readonly may: readonly Scope[]
}

/**
 * Whoever may come in: a program with a token, or one of our own pages with somebody signed in.
 * @returns null: nobody who may
 */
export function whoEnters(request: NextRequest): Entering | null {
  const given = /^Bearer (.+)$/i.exec(request.headers.get('authorization') ?? '')?.[1]
  // the practice room is for whoever has a lesson there, not for programs
  if (given && request.headers.has(PRACTICE_HEADER)) return null
  if (given) {
    if (isServersToken(given)) return { who: 'BOULDER_API_TOKEN', may: SCOPES }
    const { db, clock } = theShop()
    const client = clientOf(db, hashOf(given), clock.now())
    return client && { who: client.name, may: client.scopes }
  }
  const site = request.headers.get('sec-fetch-site')
  const sameOrigin = site === null || site === 'same-origin' || site === 'none'
  if (!sameOrigin) return null
  const { db, clock } = theShop()
  const session = sessionIdOf(request.cookies.get(SESSION_COOKIE)?.value)
  const person = session === null ? null : readWho(db, session, clock.now()).person
  return person && { who: person.id, may: SCOPES }
}

type Params = Readonly<Record<string, string>>

/**
 * Wraps a route: door, then work; whatever is thrown is told without a trace.
 * @param scopes any of these is enough
 */
export function guarded(
  scopes: readonly [Scope, ...Scope[]],
  work: (shop: Shop, request: NextRequest, params: Params) => Promise<Response> | Response,
) {
  const answered = async (
    request: NextRequest,
    entering: Entering | null,
    route: { readonly params: Promise<unknown> },
  ): Promise<Response> => {
    if (!entering) return problem(401, 'NO_TOKEN', say.sendAuthorizationBearerWithThe)
    const { may } = entering
    if (!may.some((scope) => scopes.includes(scope)))
      return problem(403, 'NOT_IN_SCOPE', say.tokenMayNot(may.map((scope) => SCOPE_NAMES[scope]).join(', and ')))
    try {
      const sessionId = sessionIdOf(request.cookies.get(SESSION_COOKIE)?.value)
      const shop = request.headers.has(PRACTICE_HEADER) ? await practiceOf(sessionId) : theShop()
      if (!shop) return refused({ code: 'NO_LESSON' })
      const answer = await work(shop, request, ((await route.params) ?? {}) as Params)
      if (request.method !== 'GET') {
        const { db, heads, bell, clock } = shop
        noteAct({ db, now: clock.now(), sessionId })
        heads.wrote()
        if (answer.ok) bell.ring({ from: sessionId })
      }
      return answer
    } catch (error) {
      const fault = storageFault(error)
      if (fault) return refused({ code: fault })
      logFault(request.nextUrl.pathname, error)
      return problem(500, 'INTERNAL', say.somethingBroke)
    }
  }
  return async (request: NextRequest, route: { params: Promise<unknown> }): Promise<Response> => {
    const log = logged()
    const entering = whoEnters(request)
    const answer = await answered(request, entering, route)
    const { method, nextUrl } = request
    log({ method, route: nextUrl.pathname, who: entering?.who ?? null, end: answer.status })
    return answer
  }
}
