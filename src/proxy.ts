import { randomBytes } from 'node:crypto'
import { NextResponse, type NextRequest } from 'next/server'
import { isInPractice, pageOf } from '@/core/practice'
import { isKnownHost, isOwnOrigin, knownHosts } from '@/runtime/hosts'
import { PRACTICE_HEADER } from '@/runtime/practice-header'
import { newSession, SESSION_COOKIE, sessionIdOf, sessionOptions } from '@/runtime/session'
import { problem } from './app/api/_api/problem'
import { say } from '@/words/screens/outside'

const AGAIN_MS = 30_000
const held = { known: knownHosts(process.env), atMs: Date.now() }
/** Looked up anew now and then: the address of a machine may change. */
function known(): ReadonlySet<string> {
  if (Date.now() - held.atMs > AGAIN_MS) Object.assign(held, { known: knownHosts(process.env), atMs: Date.now() })
  return held.known
}
const DEVELOPING = process.env.NODE_ENV === 'development'

/** What a page of ours may load and do: what comes from here, and the scripts that carry its own number. */
const policy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${DEVELOPING ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')

const isReadable = (path: string): boolean => {
  try {
    decodeURIComponent(path)
    return true
  } catch {
    return false
  }
}

/** Turns away who asks under a foreign name or from a foreign page, and gives every page a session. The API has its own door. */
export function proxy(request: NextRequest): NextResponse | Response {
  const { pathname } = request.nextUrl
  const host = request.headers.get('host')
  if (host === null || !isKnownHost(host, known())) return problem(421, 'UNKNOWN_HOST', say.unknownHost)
  if (!isOwnOrigin(request.headers.get('origin'), host, process.env.BOULDER_URL))
    return problem(403, 'FOREIGN_ORIGIN', say.foreignOrigin)
  if (!isReadable(pathname)) return problem(400, 'BAD_REQUEST', say.unreadableAddress)
  const headers = new Headers(request.headers)
  // whoever asks cannot say where they are: their address does
  headers.delete(PRACTICE_HEADER)
  const inside = isInPractice(pathname)
  if (inside) headers.set(PRACTICE_HEADER, '1')
  // only the path changes: whatever it is, it stays on this host
  const page = request.nextUrl.clone()
  page.pathname = pageOf(pathname)
  const on = (): NextResponse =>
    inside ? NextResponse.rewrite(page, { request: { headers } }) : NextResponse.next({ request: { headers } })
  if (/^\/api(\/|$)/.test(pageOf(pathname))) return on()
  const cookie = sessionIdOf(request.cookies.get(SESSION_COOKIE)?.value) === null ? newSession().cookie : null
  if (cookie) {
    request.cookies.set(SESSION_COOKIE, cookie)
    headers.set('cookie', request.headers.get('cookie') ?? '')
  }
  const rules = policy(randomBytes(16).toString('base64'))
  headers.set('content-security-policy', rules)
  const response = on()
  response.headers.set('content-security-policy', rules)
  if (cookie) response.cookies.set(SESSION_COOKIE, cookie, sessionOptions())
  return response
}

export const config = { matcher: ['/((?!_next/|icon.svg|favicon.ico).*)'] }
