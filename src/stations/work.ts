import type { Person } from '@/core/tool'
import type { Db } from '@/db/connection'

/** What every verb is handed: the database, the time, and who does it. */
export interface Work {
  readonly db: Db
  /** ISO 8601, UTC. */
  readonly now: string
  readonly person: Person
}
