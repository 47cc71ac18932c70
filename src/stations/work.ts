import { fail, ok, type Result } from '@/core/units'
import { inTransaction, isTaken, type Db } from '@/db/connection'
import type { Person } from '@/core/tool'
import type { Refusal } from './refusals'

/** What every verb is handed: the database, the time, and who does it. */
export interface Work {
  readonly db: Db
  /** ISO 8601, UTC. */
  readonly now: string
  readonly person: Person
}

/** Leaves a write transaction with a refusal, so that nothing of it stays. */
export class Rollback extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.code)
  }
}

/** The value of a step inside a transaction; a refusal undoes everything before it. */
export function need<T>(step: Result<T, Refusal>): T {
  if (!step.ok) throw new Rollback(step.error)
  return step.value
}

/** One write transaction that a refusal or a lost race undoes altogether. @param taken what to say when somebody was first */
export function allOrNothing<T>(db: Db, taken: Refusal, steps: () => T): Result<T, Refusal> {
  try {
    return ok(inTransaction(db, steps))
  } catch (error) {
    if (error instanceof Rollback) return fail(error.refusal)
    if (isTaken(error)) return fail(taken)
    throw error
  }
}
