/** PINs as they are kept: scrypt with a salt of their own, so that nobody reads them in a copy of the database. */
import 'server-only'
import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto'

/** RFC 7914; OWASP's advice of 2^15, 8, 3 in memory that a tool room's server has (32 MB a try). */
const COST = { logN: 15, r: 8, p: 3 } as const
const BYTES = 32

function derived(pin: string, salt: Buffer, { logN, r, p }: { logN: number; r: number; p: number }): Promise<Buffer> {
  const options = { N: 2 ** logN, r, p, maxmem: 256 * 2 ** logN * r }
  return new Promise((resolve, reject) =>
    scrypt(pin, salt, BYTES, options, (error, key) => (error ? reject(error) : resolve(key))),
  )
}

/** `scrypt$15$8$3$SALT$KEY`, base64url. */
const KEPT = /^scrypt\$(\d+)\$(\d+)\$(\d+)\$([\w-]+)\$([\w-]+)$/

export const pinKeeper = {
  async hash(pin: string): Promise<string> {
    const salt = randomBytes(16)
    const key = await derived(pin, salt, COST)
    return `scrypt$${COST.logN}$${COST.r}$${COST.p}$${salt.toString('base64url')}$${key.toString('base64url')}`
  },
  async matches(pin: string, hash: string): Promise<boolean> {
    const found = KEPT.exec(hash)
    if (!found) return false
    const [logN, r, p] = found.slice(1, 4).map(Number)
    const [salt, key] = found.slice(4).map((text) => Buffer.from(text, 'base64url'))
    return key.length === BYTES && timingSafeEqual(await derived(pin, salt, { logN, r, p }), key)
  },
}

/** Capitals and dashes do not matter: it is read off another screen. */
const plain = (code: string): Buffer =>
  createHash('sha256')
    .update(code.toUpperCase().replace(/[^A-Z0-9]/g, ''))
    .digest()

/** Whether this is the code that the server was started with; without one nobody has it. */
export function isFirstCode(code: string): boolean {
  const expected = process.env.BOULDER_FIRST_CODE
  return expected ? timingSafeEqual(plain(code), plain(expected)) : false
}
