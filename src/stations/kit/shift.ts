import { isHot } from '../build/warm'
import { fail, type Result } from '@/core/units'
import type { Assembly } from '@/core/tool'
import { listAssemblies } from '@/db/assembly/read'
import { listBuilds, type BuildUnderWay } from '@/db/build/read'
import type { Db } from '@/db/connection'
import { listNotes, type ShiftNote } from '@/db/note/read'
import { insertNote, tickNote } from '@/db/note/write'
import { lastHands } from '@/db/record/read'
import { listTaken } from '@/db/stock/read'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { headsOf, type Heads } from '@/db/record/heads'
import { partName } from '../names'
import { write } from '../write'

/** What the next shift walks into. */
export interface ShiftSheet {
  readonly builds: readonly BuildUnderWay[]
  /** Tools and half-built ones whose nose is hot by the computed times. */
  readonly hot: readonly { readonly serial: string; readonly t: number | null; readonly touchAt: string }[]
  /** Built or measured, with nobody at them. */
  readonly waiting: readonly (Assembly & { readonly lastHand: string | null })[]
  readonly fetched: readonly { readonly job: string; readonly component: string; readonly name: string; readonly count: number }[]
  readonly notes: readonly ShiftNote[]
  /** Where the record ends: on paper it shows when somebody cuts it off later. */
  readonly heads: Heads
}

export function readShift(db: Db, now: string): ShiftSheet {
  const tools = listAssemblies(db).filter((a) => a.state !== 'loaded')
  const builds = listBuilds(db)
  const hands = lastHands(
    db,
    tools.map((a) => a.serial),
  )
  const hot = [...tools, ...builds].filter((a) => isHot(a, now))
  return {
    builds,
    hot: hot.map(({ serial, t, heat }) => ({ serial, t, touchAt: heat!.touchAt })),
    waiting: tools.filter((a) => !isHot(a, now)).map((a) => ({ ...a, lastHand: hands.get(a.serial) ?? null })),
    fetched: listTaken(db).map((line) => ({ ...line, name: partName(db, line.component) })),
    notes: listNotes(db),
    heads: headsOf(db),
  }
}

export function writeNote(work: Work, text: string): Result<null, Refusal> {
  if (text.trim().length < 2) return fail({ code: 'NOTE_EMPTY' })
  return write(work, null, (tx) => {
    insertNote(tx.db, text.trim(), tx.person.id, tx.now)
    return null
  })
}

export function tickOff(work: Work, id: number): Result<null, Refusal> {
  return write(work, null, (tx) => {
    tickNote(tx.db, id, tx.now)
    return null
  })
}
