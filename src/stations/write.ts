/** The one door through which verbs write: a transaction, and what the record tells of it. */
import type { NewEntry } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { inTransaction, isTaken, storageFault, type Tx } from '@/db/connection'
import { sealUp } from '@/db/record/seal'
import { queueCalls } from '@/db/hook/write'
import { addEntry } from '@/db/record/write'
import { kindOf, type Entry, type Where } from './entries'
import { toldOutside } from './outside/told'
import { outerCode, refuse, type Refusal } from './refusals'
import type { Work } from './work'

/** A verb inside its write transaction: only here is the database one that can be written to. */
export interface Writing extends Work {
  readonly db: Tx
}

/** Which tool, at which machine; left out where there is none. */
export interface Subject {
  readonly serial?: string | null
  readonly t?: number | null
  readonly machine?: string | null
}

/** One entry of the record, with the values before and after. */
export interface Noted extends Subject, Partial<Pick<NewEntry, 'before' | 'after'>> {
  readonly entry: Entry
}

/** Leaves a write transaction with a refusal, so that nothing of it stays. */
class Rollback extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.code)
  }
}

/** The value of a step inside a transaction; a refusal undoes everything before it. */
export function need<T>(step: Result<T, Refusal>): T {
  if (!step.ok) throw new Rollback(step.error)
  return step.value
}

/** What must be so inside a transaction: a row has the version that was read. Otherwise nothing of it stays. */
export function must(so: boolean, otherwise: Refusal): void {
  if (!so) throw new Rollback(otherwise)
}

/** One more entry, inside a transaction that tells more than one thing. */
export function note(tx: Writing, { entry, serial, t, machine, before, after }: Noted): void {
  addEntry(tx.db, {
    at: tx.now,
    personId: tx.person.id,
    what: kindOf(entry),
    entry,
    text: '',
    serial: serial ?? null,
    t: t ?? null,
    machine: machine ?? null,
    before: before ?? null,
    after: after ?? null,
  })
  const told = toldOutside(entry)
  if (told) {
    const about = { at: tx.now, serial: serial ?? null, t: t ?? null, machine: machine ?? null, by: tx.person.name }
    queueCalls(tx.db, told.event, JSON.stringify({ event: told.event, ...about, ...told.data }), tx.now)
  }
}

type EntryOf<T> = Noted | null | ((done: T) => Noted | null)

/**
 * One transaction and its entry of the record: all of it or nothing.
 * @param told the entry, or how it comes of what was done; null where the record tells nothing of it
 * @param taken what to say when somebody was first: without it a broken uniqueness rule is a fault of ours
 */
export function write<T>(work: Work, entry: EntryOf<T>, steps: (tx: Writing) => T, taken?: Refusal): Result<T, Refusal> {
  try {
    return ok(
      inTransaction(work.db, (db) => {
        const tx = { ...work, db }
        const done = steps(tx)
        const noted = typeof entry === 'function' ? entry(done) : entry
        if (noted) note(tx, noted)
        sealUp(db)
        return done
      }),
    )
  } catch (error) {
    if (error instanceof Rollback) return fail(error.refusal)
    if (taken && isTaken(error)) return fail(taken)
    const fault = storageFault(error)
    if (fault) return fail({ code: fault })
    throw error
  }
}

/** A file and what the record tells of it: where it cannot be noted, it is taken away again. */
export function withFile<T>(takeAway: () => void, noted: () => Result<T, Refusal>): Result<T, Refusal> {
  let done: Result<T, Refusal> | null = null
  try {
    return (done = noted())
  } finally {
    if (!done?.ok) takeAway()
  }
}

/** What somebody is told when a file cannot be written; what is no fault of the disk is thrown on. */
export function putFile<T>(put: () => T): Result<T, Refusal> {
  try {
    return ok(put())
  } catch (error) {
    const fault = storageFault(error)
    if (fault) return fail({ code: fault })
    throw error
  }
}

/** Refuses, and notes it: which mistakes nearly happened is worth knowing. */
export const refuser =
  (work: Work, where: Where, subject: Subject = {}) =>
  (refusal: Refusal): Result<never, Refusal> => {
    const noted = { entry: { code: 'REFUSED', where, refusal }, ...subject, after: { code: outerCode(refusal) } } as const
    write(work, noted, () => null)
    return refuse(refusal)
  }
