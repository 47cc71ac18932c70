/** Tokens of programs that ask by the API. */
import 'server-only'
import { createHash, randomBytes, timingSafeEqual } from 'node:crypto'

/** 256 bits that nobody guesses: a plain hash keeps them well, unlike a PIN. */
const BYTES = 32

export const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url')

/** A new token: shown once, kept as its hash. */
export function newToken(): { readonly token: string; readonly hash: string } {
  const token = `boulder-${randomBytes(BYTES).toString('base64url')}`
  return { token, hash: hashOf(token) }
}

/** What both sides sign with. */
export const newSecret = (): string => randomBytes(BYTES).toString('base64url')

/** Whether it is the one token that the server was started with. */
export function isServersToken(token: string): boolean {
  const own = process.env.BOULDER_API_TOKEN
  return own ? timingSafeEqual(Buffer.from(hashOf(token)), Buffer.from(hashOf(own))) : false
}
