/** Where the record and the seals end, so that it can be kept outside of the database: an end that was cut off shows there. */
import { prepare, type Db } from '../connection'
import { headSeal } from './seal'

export interface Head {
  readonly seq: number
  readonly hash: string
}
export interface Heads {
  readonly record: Head
  readonly seals: Head
}

const NONE: Head = { seq: 0, hash: '0'.repeat(64) }

export const headsOf = (db: Db): Heads => ({
  record: (prepare(db, 'SELECT seq, hash FROM record_chain ORDER BY seq DESC LIMIT 1').get() as Head | undefined) ?? NONE,
  seals: headSeal(db),
})

/** Whether what was the end once is still there as it was. */
export function holdsHeads(db: Db, { record, seals }: Heads): boolean {
  const is = (table: 'record_chain' | 'seal', { seq, hash }: Head) =>
    seq === 0 || (prepare(db, `SELECT hash FROM ${table} WHERE seq = ?`).get(seq) as Head | undefined)?.hash === hash
  return is('record_chain', record) && is('seal', seals)
}

/** One line a time: when, and both ends. */
export const headLine = (at: string, { record, seals }: Heads): string =>
  `${at} ${record.seq} ${record.hash} ${seals.seq} ${seals.hash}\n`

const LINE = /^(\S+) (\d+) ([0-9a-f]{64}) (\d+) ([0-9a-f]{64})$/

/** @returns null for a line that is none of ours, such as one that was cut off while it was written */
export function readHeadLine(line: string): (Heads & { readonly at: string }) | null {
  const found = LINE.exec(line)
  if (!found) return null
  const [, at, record, recordHash, seal, sealHash] = found
  return { at, record: { seq: Number(record), hash: recordHash }, seals: { seq: Number(seal), hash: sealHash } }
}
