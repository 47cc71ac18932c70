import type { RecordEntry } from '@/core/tool'
import type { Db } from '../connection'

export { verifyChain, type ChainState } from './chain'

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

/** What is looked for; what is left out is not asked. */
export interface RecordQuery {
  readonly serial?: string
  readonly t?: number
  readonly machine?: string
  readonly personId?: string
  readonly what?: string
  /** ISO 8601, from this moment on and before that one. */
  readonly from?: string
  readonly before?: string
  /** Words in the text, each of them. */
  readonly words?: readonly string[]
  readonly limit?: number
}

/** Newest first. */
export function listRecord(db: Db, query: RecordQuery = {}): RecordEntry[] {
  const words = query.words ?? []
  const rows = db
    .prepare(
      `SELECT r.*, p.name AS who FROM record r LEFT JOIN person p ON p.id = r.person_id
       WHERE (:serial IS NULL OR r.serial = :serial) AND (:t IS NULL OR r.t = :t)
         AND (:machine IS NULL OR r.machine_key = :machine) AND (:person IS NULL OR r.person_id = :person)
         AND (:what IS NULL OR r.what = :what) AND (:from IS NULL OR r.at >= :from) AND (:before IS NULL OR r.at < :before)
         ${words.map((_, i) => `AND r.text LIKE :word${i} ESCAPE '\\'`).join(' ')}
       ORDER BY r.seq DESC LIMIT :limit`,
    )
    .all({
      serial: query.serial ?? null,
      t: query.t ?? null,
      machine: query.machine ?? null,
      person: query.personId ?? null,
      what: query.what ?? null,
      from: query.from ?? null,
      before: query.before ?? null,
      limit: query.limit ?? 500,
      ...Object.fromEntries(words.map((word, i) => [`word${i}`, `%${word.replace(/[\\%_]/g, '\\$&')}%`])),
    })
  return rows.map(entry)
}

/** Every kind of entry that there is. */
export const listKinds = (db: Db): string[] =>
  (db.prepare('SELECT DISTINCT what FROM record ORDER BY what').all() as { what: string }[]).map((r) => r.what)

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
