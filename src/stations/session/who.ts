import { isQuiet, type Person } from '@/core/tool'
import type { OwnDevices } from '@/core/set-up'
import { usualUnits, type Units } from '@/core/units'
import type { Db } from '@/db/connection'
import { getPerson, listPeople } from '@/db/person/read'
import { getSession, type Session, type TextSize } from '@/db/session/read'
import { shopItself, signInSetting } from '@/db/shop/read'

/** Who stands at a terminal, and how it shows things. */
export interface Who extends Pick<Session, 'unit' | 'theme'> {
  readonly units: Units
  readonly text: TextSize
  /** What the terminal has of its own. */
  readonly own: OwnDevices
  readonly person: Person | null
  readonly people: readonly Person[]
}

/** @param sessionId of the terminal's cookie; null before it has one */
export function readWho(db: Db, sessionId: string | null, now: string): Who {
  const session = sessionId ? getSession(db, sessionId) : null
  const gone = session !== null && isQuiet(session.actedAt, now, 60 * signInSetting(db).stayHours)
  const usual = shopItself(db)?.unit ?? 'mm'
  const unit = session?.unit ?? usual
  const { text = 'usual', ...chosen } = session?.shows ?? {}
  return {
    person: session?.personId && !gone ? getPerson(db, session.personId) : null,
    people: listPeople(db),
    unit,
    units: { ...usualUnits(usual), ...chosen, length: unit },
    text,
    own: session?.devices ?? {},
    theme: session?.theme ?? 'granite',
  }
}
