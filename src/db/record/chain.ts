/** The record as a chain: every entry's hash covers the entry and the hash before it (SHA-256, FIPS 180-4). */
import { createHash } from 'node:crypto'
import type { ChainFault, ChainState } from '@/core/tool'
import { prepare, type Db, type Tx } from '../connection'

/** What stands before the first entry. */
const START = '0'.repeat(64)
const COLUMNS = 'r.seq, r.at, r.person_id, r.what, r.serial, r.t, r.machine_key, r.text, r.before, r.after, r.entry'

type Raw = Readonly<
  Record<'seq' | 'at' | 'person_id' | 'what' | 'serial' | 't' | 'machine_key' | 'text' | 'before' | 'after' | 'entry', unknown>
>

/**
 * The hash of an entry: over the one before it, then its columns in their order as a JSON array, as they stand in the table.
 * Entries from before there were codes have one column fewer.
 */
function hashOf(before: string, r: Raw): string {
  const columns = [r.seq, r.at, r.person_id, r.what, r.serial, r.t, r.machine_key, r.text, r.before, r.after]
  const text = JSON.stringify(r.entry === null ? columns : [...columns, r.entry])
  return createHash('sha256').update(`${before}\n${text}`).digest('hex')
}

/** Chains every entry that is not chained yet; inside the transaction that added it. */
export function chainUp(db: Tx): void {
  const last = prepare(db, 'SELECT seq, hash FROM record_chain ORDER BY seq DESC LIMIT 1').get() as
    { seq: number; hash: string } | undefined
  const rows = prepare(db, `SELECT ${COLUMNS} FROM record r WHERE r.seq > ? ORDER BY r.seq`).all(last?.seq ?? 0) as Raw[]
  const insert = prepare(db, 'INSERT INTO record_chain (seq, hash) VALUES (?, ?)')
  let hash = last?.hash ?? START
  for (const row of rows) {
    hash = hashOf(hash, row)
    insert.run(row.seq, hash)
  }
}

/** Up to where the chain is known to hold. */
export interface Proven {
  readonly seq: number
  readonly hash: string
}

/** Before the first entry. */
export const NOTHING_PROVEN: Proven = { seq: 0, hash: START }

export interface Walk {
  readonly state: ChainState
  readonly proven: Proven
  /** Whether there are more entries after these. */
  readonly more: boolean
}

/** Walks on from what is proven and computes every hash again. @param most entries in one go */
export function walkChain(db: Db, from: Proven, most: number): Walk {
  const rows = prepare(
    db,
    `SELECT ${COLUMNS}, c.hash AS hash FROM record r LEFT JOIN record_chain c ON c.seq = r.seq WHERE r.seq > ? ORDER BY r.seq LIMIT ?`,
  ).all(from.seq, most) as (Raw & { readonly hash: string | null })[]
  let { seq, hash } = from
  const broken = (fault: ChainFault): Walk => ({
    state: { whole: false, seq: seq + 1, fault },
    proven: { seq, hash },
    more: false,
  })
  // what it rests on must still be what it was
  const base = prepare(db, 'SELECT hash FROM record_chain WHERE seq = ?').get(seq) as { hash: string } | undefined
  if (seq > 0 && base?.hash !== hash) return { ...broken('changed'), state: { whole: false, seq, fault: 'changed' } }
  for (const row of rows) {
    if (row.seq !== seq + 1) return broken('missing')
    if (row.hash === null) return broken('not chained')
    const next = hashOf(hash, row)
    if (row.hash !== next) return broken('changed')
    seq = row.seq as number
    hash = next
  }
  if (rows.length === most) return { state: { whole: true, entries: seq, head: hash }, proven: { seq, hash }, more: true }
  // numbers are never given twice: the highest one ever given must still be there
  const given = prepare(db, "SELECT seq FROM sqlite_sequence WHERE name = 'record'").get() as { seq: number } | undefined
  const chained = prepare(db, 'SELECT max(seq) AS seq FROM record_chain').get() as { seq: number | null }
  if ((given?.seq ?? 0) > seq || (chained.seq ?? 0) > seq) return broken('missing')
  return { state: { whole: true, entries: seq, head: hash }, proven: { seq, hash }, more: false }
}

const AT_ONCE = 5000

/** Walks the whole record and computes every hash again. @param told how many entries hold so far */
export function verifyChain(db: Db, progress: (entries: number) => void = () => undefined): ChainState {
  let walk = walkChain(db, NOTHING_PROVEN, AT_ONCE)
  while (walk.more) {
    progress(walk.proven.seq)
    walk = walkChain(db, walk.proven, AT_ONCE)
  }
  return walk.state
}

/** How far the chain was proven before. */
export const provenSoFar = (db: Db): Proven =>
  (prepare(db, 'SELECT seq, hash FROM record_proof WHERE id = 1').get() as Proven | undefined) ?? NOTHING_PROVEN
