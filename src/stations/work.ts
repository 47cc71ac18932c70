import { fail, ok, type Result } from '@/core/units'
import { inTransaction, isTaken, type Db } from '@/db/connection'
import type { Person } from '@/core/tool'

/** What every verb is handed: the database, the time, and who does it. */
export interface Work {
  readonly db: Db
  /** ISO 8601, UTC. */
  readonly now: string
  readonly person: Person
}

/** A refusal that people can read. */
export interface Refused {
  readonly code: string
  readonly text: string
}

/** Leaves a write transaction with a refusal, so that nothing of it stays. */
export class Rollback extends Error {
  constructor(readonly refused: Refused) {
    super(refused.code)
  }
}

/** The value of a step inside a transaction; a refusal undoes everything before it. */
export function need<T>(step: Result<T, Refused>): T {
  if (!step.ok) throw new Rollback(step.error)
  return step.value
}

/** One write transaction that a refusal or a lost race undoes altogether. @param taken what to say when somebody was first */
export function allOrNothing<T>(db: Db, taken: string, steps: () => T): Result<T, Refused> {
  try {
    return ok(inTransaction(db, steps))
  } catch (error) {
    if (error instanceof Rollback) return fail(error.refused)
    if (isTaken(error)) return fail({ code: 'TAKEN', text: taken })
    throw error
  }
}
