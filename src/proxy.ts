import { NextResponse, type NextRequest } from 'next/server'
import { newSessionCookie, SESSION_COOKIE, sessionIdOf } from '@/runtime/session'

/** Gives every page a session before anything is read; the API is left alone, it has its own door. */
export function proxy(request: NextRequest): NextResponse {
  if (sessionIdOf(request.cookies.get(SESSION_COOKIE)?.value)) return NextResponse.next()
  const cookie = newSessionCookie()
  request.cookies.set(SESSION_COOKIE, cookie)
  const response = NextResponse.next({ request })
  response.cookies.set(SESSION_COOKIE, cookie, { httpOnly: true, sameSite: 'strict', path: '/', maxAge: 60 * 60 * 24 * 365 })
  return response
}

export const config = { matcher: ['/((?!api/|_next/|icon.svg|favicon.ico).*)'] }
