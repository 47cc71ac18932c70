import type { Db } from '@/db/connection'
import { listRecord } from '@/db/record/read'
import type { News } from './contract'

/** Number of the last entry; 0 in an empty record. */
export const lastSeq = (db: Db): number => listRecord(db, { limit: 1 })[0]?.seq ?? 0

/** The last entry after `seq` that tells of something done; null where there is none, or nothing but refusals. */
export function newsAfter(db: Db, seq: number): News | null {
  const [last] = listRecord(db, { limit: 1 })
  if (!last || last.seq <= seq || last.entry?.code === 'REFUSED') return null
  const { who, what, serial, t, machine } = last
  return { who, what, serial, t, machine }
}
