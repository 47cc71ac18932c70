import { isQuiet, type Person } from '@/core/tool'
import { inTransaction, type Db } from '@/db/connection'
import { getSession } from '@/db/session/read'
import { noteActed } from '@/db/session/write'
import { signInSetting } from '@/db/shop/read'
import type { Refusal } from '../refusals'

/** Closer together than this, acts at a terminal are one. */
const SAME_MS = 30_000

interface Terminal {
  readonly db: Db
  readonly now: string
  readonly sessionId: string | null
  readonly person: Person
}

/** Why whoever is signed in has to say first that it is still them; null: they were here a moment ago. */
export function refuseQuiet({ db, now, sessionId, person }: Terminal): Refusal | null {
  const { askAgainMin } = signInSetting(db)
  const last = sessionId === null ? null : (getSession(db, sessionId)?.actedAt ?? null)
  return isQuiet(last, now, askAgainMin) ? { code: 'ASK_AGAIN', name: person.name, minutes: askAgainMin } : null
}

/** Something was done at this terminal. */
export function noteAct({ db, now, sessionId }: Omit<Terminal, 'person'>): void {
  if (sessionId === null) return
  const last = getSession(db, sessionId)?.actedAt ?? null
  if (last !== null && Math.abs(Date.parse(now) - Date.parse(last)) < SAME_MS) return
  inTransaction(db, (tx) => noteActed(tx, sessionId, now))
}
