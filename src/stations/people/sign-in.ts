import { triesLeft, waitAfter, type Person } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { inTransaction, type Db } from '@/db/connection'
import { getPerson, getPinHash, getTries } from '@/db/person/read'
import { putTries } from '@/db/person/write'
import { endSession, turnSession } from '@/db/session/write'
import { signInSetting } from '@/db/shop/read'
import type { Refusal } from '../refusals'
import { write } from '../write'

/** Makes and compares what is kept of a PIN; handed in, so that a verb knows no scrypt. */
export interface PinKeeper {
  hash(pin: string): Promise<string>
  matches(pin: string, hash: string): Promise<boolean>
}

export interface SignIn {
  readonly personId: string
  /** null: a badge or a tap alone. */
  readonly pin: string | null
  /** The terminal's session, and the name that it has from now on. */
  readonly sessionId: string
  readonly newSessionId: string
}

interface Door {
  readonly db: Db
  readonly now: string
  readonly pins: PinKeeper
}

/**
 * Somebody begins to work at a terminal. Each try with a PIN is counted before it is looked at, so that a hundred at once are not
 * worth more than one after the other.
 */
export async function signIn(
  { db, now, pins }: Door,
  { personId, pin, sessionId, newSessionId }: SignIn,
): Promise<Result<{ readonly person: Person }, Refusal>> {
  const person = getPerson(db, personId)
  if (!person) return fail({ code: 'UNKNOWN_PERSON', id: personId })
  const work = { db, now, person }
  const enter = () =>
    write(work, { entry: { code: 'SIGNED_IN', pin: pin !== null } }, (tx) => {
      turnSession(tx.db, sessionId, newSessionId, person.id, now)
      if (pin !== null) putTries(tx.db, person.id, { wrong: 0, until: '' })
      return { person }
    })
  const hash = getPinHash(db, person.id)
  if (hash === null) return signInSetting(db).badgeAlone ? enter() : fail({ code: 'NO_PIN', name: person.name })
  if (pin === null) return fail({ code: 'PIN_NEEDED', name: person.name })
  const counted = count({ db, now }, person.id)
  if (!counted.ok) return counted
  if (await pins.matches(pin, hash)) return enter()
  const { wrong } = counted.value
  write(work, { entry: { code: 'WRONG_PIN', wrong } }, () => null)
  const seconds = waitAfter(wrong)
  return fail(seconds > 0 ? { code: 'SIGN_IN_WAITS', seconds } : { code: 'WRONG_PIN', left: triesLeft(wrong) })
}

/** Counts a try as a wrong one; a right one sets the count back. */
function count({ db, now }: Omit<Door, 'pins'>, personId: string): Result<{ readonly wrong: number }, Refusal> {
  return inTransaction(db, (tx) => {
    const was = getTries(tx, personId)
    const seconds = Math.ceil((Date.parse(was.until) - Date.parse(now)) / 1000)
    if (seconds > 0) return fail({ code: 'SIGN_IN_WAITS', seconds })
    const wrong = was.wrong + 1
    const until = new Date(Date.parse(now) + 1000 * waitAfter(wrong)).toISOString()
    putTries(tx, personId, { wrong, until })
    return ok({ wrong })
  })
}

export const signOut = (work: { readonly db: Db; readonly now: string; readonly person: Person }, sessionId: string) =>
  write(work, { entry: { code: 'SIGNED_OUT' } }, (tx) => {
    endSession(tx.db, sessionId, work.now)
    return null
  })
