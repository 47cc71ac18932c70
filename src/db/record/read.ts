import type { RecordEntry } from '@/core/tool'
import { prepare, type Db } from '../connection'

export { NOTHING_PROVEN, provenSoFar, verifyChain, walkChain, type Proven } from './chain'

interface RecordRow {
  seq: number
  at: string
  person_id: string | null
  who: string | null
  what: string
  serial: string | null
  t: number | null
  machine_key: string | null
  entry: string | null
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
    entry: r.entry === null ? null : (JSON.parse(r.entry) as RecordEntry['entry']),
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
  /** Older than this entry: the next page. */
  readonly beforeSeq?: number
  /** Words that it names, each of them, by their beginnings. */
  readonly words?: readonly string[]
  readonly limit?: number
}

/** A word as FTS5 looks for its beginning; whatever else stands in it is taken as it is. */
const matched = (words: readonly string[]) => words.map((word) => `"${word.replaceAll('"', '""')}"*`).join(' ')

const WITH_WORDS = 'SELECT rowid FROM record_words WHERE record_words MATCH ?'

/** Newest first. Only what is asked stands in the question, so that its index is used. */
export function listRecord(db: Db, query: RecordQuery = {}): RecordEntry[] {
  const { words = [], limit = 500 } = query
  // the words' own index gives the newest first and stops when the page is full; one holder's few entries are looked through
  const byWords = words.length > 0 && query.serial === undefined
  const asked: [string, unknown][] = [
    ['r.serial = ?', query.serial],
    ['r.t = ?', query.t],
    ['r.machine_key = ?', query.machine],
    ['r.person_id = ?', query.personId],
    ['r.what = ?', query.what],
    ['r.at >= ?', query.from],
    ['r.at < ?', query.before],
    [`${byWords ? 'w.rowid' : 'r.seq'} < ?`, query.beforeSeq],
    [byWords ? 'record_words MATCH ?' : `r.seq IN (${WITH_WORDS})`, words.length ? matched(words) : undefined],
  ]
  const conditions = asked.filter(([, value]) => value !== undefined)
  const where = conditions.length ? `WHERE ${conditions.map(([sql]) => sql).join(' AND ')}` : ''
  return prepare(
    db,
    byWords
      ? `SELECT r.*, p.name AS who FROM record_words w CROSS JOIN record r ON r.seq = w.rowid
         LEFT JOIN person p ON p.id = r.person_id ${where} ORDER BY w.rowid DESC LIMIT ?`
      : `SELECT r.*, p.name AS who FROM record r LEFT JOIN person p ON p.id = r.person_id ${where} ORDER BY r.seq DESC LIMIT ?`,
  )
    .all(...conditions.map(([, value]) => value), limit)
    .map(entry)
}

/** Every kind of entry that there is: from each to the next in the index, however many entries there are. */
export const listKinds = (db: Db): string[] =>
  (
    prepare(
      db,
      `WITH RECURSIVE kind (what) AS (SELECT min(what) FROM record
         UNION ALL SELECT (SELECT min(what) FROM record WHERE what > kind.what) FROM kind WHERE kind.what IS NOT NULL)
       SELECT what FROM kind WHERE what IS NOT NULL`,
    ).all() as { what: string }[]
  ).map((r) => r.what)

/** Who last had each of these holders in hand, by the record. */
export function lastHands(db: Db, serials: readonly string[]): Map<string, string> {
  const read = prepare(
    db,
    'SELECT p.name FROM record r JOIN person p ON p.id = r.person_id WHERE r.serial = ? ORDER BY r.seq DESC LIMIT 1',
  )
  return new Map(
    serials.flatMap((serial) => {
      const row = read.get(serial) as { name: string } | undefined
      return row ? [[serial, row.name] as const] : []
    }),
  )
}
