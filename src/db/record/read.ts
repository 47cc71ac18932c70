import type { RecordEntry } from '@/core/tool'
import type { Db } from '../connection'

interface RecordRow {
  seq: number
  at: string
  person_id: string | null
  who: string | null
  what: string
  serial: string | null
  t: number | null
  machine_key: string | null
  text: string
  before: string | null
  after: string | null
}

const entry = (row: unknown): RecordEntry => {
  const r = row as RecordRow
  return {
    seq: r.seq,
    at: r.at,
    personId: r.person_id,
    who: r.who ?? 'Boulder',
    what: r.what,
    serial: r.serial,
    t: r.t,
    machine: r.machine_key,
    text: r.text,
    before: r.before === null ? null : JSON.parse(r.before),
    after: r.after === null ? null : JSON.parse(r.after),
  }
}

/** Newest first. */
export const listRecord = (db: Db, filter: { serial?: string; limit?: number } = {}): RecordEntry[] =>
  db
    .prepare(
      `SELECT r.*, p.name AS who FROM record r LEFT JOIN person p ON p.id = r.person_id
       WHERE :serial IS NULL OR r.serial = :serial ORDER BY r.seq DESC LIMIT :limit`,
    )
    .all({ serial: filter.serial ?? null, limit: filter.limit ?? 500 })
    .map(entry)

/** Who last had each of these holders in hand, by the record. */
export function lastHands(db: Db, serials: readonly string[]): Map<string, string> {
  const read = db.prepare(
    'SELECT p.name FROM record r JOIN person p ON p.id = r.person_id WHERE r.serial = ? ORDER BY r.seq DESC LIMIT 1',
  )
  return new Map(
    serials.flatMap((serial) => {
      const row = read.get(serial) as { name: string } | undefined
      return row ? [[serial, row.name] as const] : []
    }),
  )
}
