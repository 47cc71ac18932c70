import type { Db } from '@/db/connection'
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
