/** The signed cookie that our own pages carry. It only says which session this is; the rest stands in the database. */
import { createHmac, randomBytes, randomUUID, timingSafeEqual } from 'node:crypto'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { dataFolder } from './data-folder'

export const SESSION_COOKIE = 'boulder_session'

const held = globalThis as { boulderSessionKey?: Buffer }

/** One key a data folder, made the first time it is asked for. */
function sessionKey(): Buffer {
  if (held.boulderSessionKey) return held.boulderSessionKey
  const file = join(dataFolder(), 'session.key')
  mkdirSync(dataFolder(), { recursive: true })
  try {
    writeFileSync(file, randomBytes(32), { flag: 'wx', mode: 0o600 })
  } catch {
    // somebody was first: theirs counts
  }
  return (held.boulderSessionKey = readFileSync(file))
}

const sign = (id: string): string => createHmac('sha256', sessionKey()).update(id).digest('base64url')

/** A session of a new name, and the cookie that says it. */
export function newSession(): { readonly id: string; readonly cookie: string } {
  const id = randomUUID()
  return { id, cookie: `${id}.${sign(id)}` }
}

/** A year: whoever works there is asked for anew by other means. */
export const sessionOptions = () =>
  ({
    httpOnly: true,
    sameSite: 'strict',
    path: '/',
    maxAge: 60 * 60 * 24 * 365,
    secure: process.env.BOULDER_URL?.startsWith('https:') ?? false,
  }) as const

/** @returns the session's id, or null when the cookie is missing or not ours */
export function sessionIdOf(cookie: string | undefined): string | null {
  const [id, signature] = (cookie ?? '').split('.')
  if (!id || !signature) return null
  const wanted = Buffer.from(sign(id))
  const given = Buffer.from(signature)
  return wanted.length === given.length && timingSafeEqual(wanted, given) ? id : null
}
