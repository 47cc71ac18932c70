/** The record as a chain: every entry's hash covers the entry and the hash before it (SHA-256, FIPS 180-4). */
import { createHash } from 'node:crypto'
import type { Db } from '../connection'

/** What stands before the first entry. */
const START = '0'.repeat(64)
const COLUMNS = 'r.seq, r.at, r.person_id, r.what, r.serial, r.t, r.machine_key, r.text, r.before, r.after'

type Raw = Readonly<
  Record<'seq' | 'at' | 'person_id' | 'what' | 'serial' | 't' | 'machine_key' | 'text' | 'before' | 'after', unknown>
>

/** The hash of an entry: over the one before it, then its columns in their order as a JSON array, as they stand in the table. */
const hashOf = (before: string, r: Raw): string =>
  createHash('sha256')
    .update(
      `${before}\n${JSON.stringify([r.seq, r.at, r.person_id, r.what, r.serial, r.t, r.machine_key, r.text, r.before, r.after])}`,
    )
    .digest('hex')

/** Chains every entry that is not chained yet; inside the transaction that added it. */
export function chainUp(db: Db): void {
  const last = db.prepare('SELECT seq, hash FROM record_chain ORDER BY seq DESC LIMIT 1').get() as
    { seq: number; hash: string } | undefined
  const rows = db.prepare(`SELECT ${COLUMNS} FROM record r WHERE r.seq > ? ORDER BY r.seq`).all(last?.seq ?? 0) as Raw[]
  const insert = db.prepare('INSERT INTO record_chain (seq, hash) VALUES (?, ?)')
  let hash = last?.hash ?? START
  for (const row of rows) {
    hash = hashOf(hash, row)
    insert.run(row.seq, hash)
  }
}

export type ChainState =
  | { readonly whole: true; readonly entries: number; readonly head: string }
  | { readonly whole: false; readonly seq: number; readonly fault: 'changed' | 'missing' | 'not chained' }

/** Walks the whole record and computes every hash again. */
export function verifyChain(db: Db): ChainState {
  const rows = db
    .prepare(`SELECT ${COLUMNS}, c.hash AS hash FROM record r LEFT JOIN record_chain c ON c.seq = r.seq ORDER BY r.seq`)
    .iterate() as IterableIterator<Raw & { readonly hash: string | null }>
  let hash = START
  let entries = 0
  for (const row of rows) {
    entries++
    if (row.seq !== entries) return { whole: false, seq: entries, fault: 'missing' }
    if (row.hash === null) return { whole: false, seq: entries, fault: 'not chained' }
    hash = hashOf(hash, row)
    if (row.hash !== hash) return { whole: false, seq: entries, fault: 'changed' }
  }
  // numbers are never given twice: the highest one ever given must still be there
  const given = db.prepare("SELECT seq FROM sqlite_sequence WHERE name = 'record'").get() as { seq: number } | undefined
  if ((given?.seq ?? 0) > entries) return { whole: false, seq: entries + 1, fault: 'missing' }
  const chained = db.prepare('SELECT max(seq) AS seq FROM record_chain').get() as { seq: number | null }
  if ((chained.seq ?? 0) > entries) return { whole: false, seq: entries + 1, fault: 'missing' }
  return { whole: true, entries, head: hash }
}
