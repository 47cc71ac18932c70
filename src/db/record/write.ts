import type { NewEntry } from '@/core/tool'
import { prepare, type Tx } from '../connection'
import { chainUp, type Proven } from './chain'

const json = (value: unknown) => (value === null || value === undefined ? null : JSON.stringify(value))

/** Adds to the record and to its chain; the caller's transaction holds both together. */
export function addEntry(tx: Tx, e: NewEntry): void {
  prepare(
    tx,
    'INSERT INTO record (at, person_id, what, serial, t, machine_key, entry, text, before, after) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
  ).run(e.at, e.personId, e.what, e.serial, e.t, e.machine, json(e.entry), e.text, json(e.before), json(e.after))
  chainUp(tx)
}

/** Keeps how far the chain was proven, so that it need not be walked from its beginning each time. */
export function keepProof(tx: Tx, { seq, hash }: Proven, at: string): void {
  prepare(
    tx,
    `INSERT INTO record_proof (id, seq, hash, at) VALUES (1, ?, ?, ?)
     ON CONFLICT (id) DO UPDATE SET seq = excluded.seq, hash = excluded.hash, at = excluded.at`,
  ).run(seq, hash, at)
}
