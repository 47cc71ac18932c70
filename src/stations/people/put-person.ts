import { isWeakPin, type Person } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { getPersonRow, listPersonRows } from '@/db/person/read'
import { insertPerson, putPinHash, putTries, updatePerson } from '@/db/person/write'
import { endSessionsOf } from '@/db/session/write'
import { signInSetting, type SignInSetting } from '@/db/shop/read'
import { putSignInSetting } from '@/db/shop/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import type { PinKeeper } from './sign-in'

const CHANGED: Refusal = { code: 'CHANGED', what: 'person' }

/** Takes somebody in, or changes name, role, and whether they still work here. Whoever may less is signed out everywhere. */
export function putPerson(
  work: Work,
  given: Person & { readonly retired: boolean; readonly version: number },
): Result<{ readonly id: string }, Refusal> {
  const { id, name, role, retired, version } = given
  const was = getPersonRow(work.db, id)
  if (version === 0 && was) return fail({ code: 'PERSON_THERE', id })
  if (version !== 0 && !was) return fail({ code: 'UNKNOWN_PERSON', id })
  const others = listPersonRows(work.db).filter((p) => p.id !== id && p.role === 'administrator' && !p.retired)
  const rules = role === 'administrator' && !retired
  if (!rules && others.length === 0) return fail({ code: 'LAST_ADMINISTRATOR' })
  const entry = { code: 'PERSON', name, role, was: was?.role ?? null, retired } as const
  return write(work, { entry, ...(was ? { before: was } : {}), after: { id, name, role, retired } }, (tx) => {
    if (was) {
      must(updatePerson(tx.db, given, version), CHANGED)
      if (retired || role !== was.role) endSessionsOf(tx.db, id, tx.now)
    } else insertPerson(tx.db, given)
    return { id }
  })
}

/** A new PIN, or none; whoever sets it proves nothing of the old one, so only an administrator sets another's. */
export async function setPin(
  work: Work,
  pins: PinKeeper,
  { personId, pin }: { readonly personId: string; readonly pin: string | null },
): Promise<Result<null, Refusal>> {
  const person = getPersonRow(work.db, personId)
  if (!person) return fail({ code: 'UNKNOWN_PERSON', id: personId })
  if (personId !== work.person.id && work.person.role !== 'administrator')
    return fail({ code: 'ADMINISTRATOR_ONLY', what: 'people' })
  if (pin !== null && isWeakPin(pin)) return fail({ code: 'WEAK_PIN' })
  const hash = pin === null ? null : await pins.hash(pin)
  return write(work, { entry: { code: 'PIN_SET', name: person.name, none: pin === null } }, (tx) => {
    putPinHash(tx.db, personId, hash)
    putTries(tx.db, personId, { wrong: 0, until: '' })
    if (personId !== work.person.id) endSessionsOf(tx.db, personId, tx.now)
    return null
  })
}

/** Whether a badge alone is enough for whoever has no PIN. */
export function setSignIn(work: Work, given: SignInSetting & { readonly version: number }): Result<null, Refusal> {
  const { version, ...rule } = given
  if (signInSetting(work.db).version !== version) return fail(CHANGED)
  return write(work, { entry: { code: 'SIGN_IN_RULE', ...rule } }, (tx) => {
    must(putSignInSetting(tx.db, rule, version), CHANGED)
    return null
  })
}

/** Signs a person out at every terminal. */
export function endSessions(work: Work, personId: string): Result<{ readonly ended: number }, Refusal> {
  const person = getPersonRow(work.db, personId)
  if (!person) return fail({ code: 'UNKNOWN_PERSON', id: personId })
  return write(work, { entry: { code: 'SESSIONS_ENDED', name: person.name } }, (tx) => ({
    ended: endSessionsOf(tx.db, personId, tx.now),
  }))
}
