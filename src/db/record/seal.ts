/**
 * Seals of the rows that nobody changes once they are written. Each seal's hash covers the row and the seal before it
 * (SHA-256, FIPS 180-4), so that a row that was changed or taken out behind its back shows. One that was put in shows until
 * the next write, which seals it like any other; the record has no entry for it then.
 */
import { createHash } from 'node:crypto'
import type { SealFault, SealState } from '@/core/tool'
import { prepare, type Db, type Tx } from '../connection'

/** What of each table is sealed: everything that stays as it was written. */
const SEALED = {
  measurement: 'id, assembly_id, at, person_id, body, evidence, reason, source',
  handover:
    'id, serial, issue, assembly_id, measurement_id, machine_key, frozen, label, post_name, post_file, post_text, post_check, released_at, person_id',
  move: 'id, component_id, name, from_account, to_account, count, from_place, to_place, job_id, serial, person_id, at, counters',
  assembly: 'id, serial, name, definition_id, definition_version, coupling, built_at',
  bench_check: 'id, master_id, coupling, at, person_id, drift_x, drift_z, zero_x, zero_z, evidence, reason, adapter, bench',
  spindle_calibration: 'id, coupling, at, person_id, body',
  balance_run: 'id, assembly_id, serial, round, seat, at, person_id, body, evidence',
  balance_result: 'id, assembly_id, serial, at, person_id, body',
} as const
type Sealed = keyof typeof SEALED
const TABLES = Object.keys(SEALED) as Sealed[]

const START = '0'.repeat(64)

type Values = readonly unknown[]

const hashOf = (before: string, table: Sealed, row: Values): string =>
  createHash('sha256')
    .update(`${before}\n${JSON.stringify([table, ...row])}`)
    .digest('hex')

interface SealRow {
  readonly seq: number
  readonly tbl: Sealed
  readonly id: number
  readonly hash: string
}

/** Seals every row that has none yet; inside the transaction that wrote it. */
export function sealUp(tx: Tx): void {
  let hash: string | null = null
  for (const table of TABLES) {
    const last = prepare(tx, 'SELECT max(id) AS id FROM seal WHERE tbl = ?').get(table) as { id: number | null }
    const rows = prepare(tx, `SELECT ${SEALED[table]} FROM ${table} WHERE id > ? ORDER BY id`)
      .raw()
      .all(last.id ?? 0) as Values[]
    if (!rows.length) continue
    hash ??= headSeal(tx).hash
    const insert = prepare(tx, 'INSERT INTO seal (tbl, id, hash) VALUES (?, ?, ?)')
    for (const row of rows) {
      hash = hashOf(hash, table, row)
      insert.run(table, row[0], hash)
    }
  }
}

/** The last seal; before the first its number is 0. */
export const headSeal = (db: Db): { readonly seq: number; readonly hash: string } =>
  (prepare(db, 'SELECT seq, hash FROM seal ORDER BY seq DESC LIMIT 1').get() as { seq: number; hash: string } | undefined) ?? {
    seq: 0,
    hash: START,
  }

export const NOTHING_SEALED = { seq: 0, hash: START } as const

export interface SealWalk {
  readonly state: SealState
  readonly proven: { readonly seq: number; readonly hash: string }
  readonly more: boolean
}

/** Walks on from what is proven and computes every seal again. @param most seals in one go */
export function walkSeals(db: Db, from: SealWalk['proven'], most: number): SealWalk {
  const seals = prepare(db, 'SELECT seq, tbl, id, hash FROM seal WHERE seq > ? ORDER BY seq LIMIT ?').all(
    from.seq,
    most,
  ) as SealRow[]
  let { seq, hash } = from
  const broken = (table: string, id: number, fault: SealFault): SealWalk => ({
    state: { whole: false, table, id, fault },
    proven: { seq, hash },
    more: false,
  })
  for (const seal of seals) {
    if (seal.seq !== seq + 1) return broken('seal', seq + 1, 'missing')
    if (!(seal.tbl in SEALED)) return broken(seal.tbl, seal.id, 'changed')
    const row = prepare(db, `SELECT ${SEALED[seal.tbl]} FROM ${seal.tbl} WHERE id = ?`).raw().get(seal.id) as Values | undefined
    if (!row) return broken(seal.tbl, seal.id, 'missing')
    const next = hashOf(hash, seal.tbl, row)
    if (next !== seal.hash) return broken(seal.tbl, seal.id, 'changed')
    seq = seal.seq
    hash = next
  }
  const proven = { seq, hash }
  if (seals.length === most) return { state: { whole: true, rows: seq, head: hash }, proven, more: true }
  // numbers are never given twice: the highest one ever given must still be there
  const given = prepare(db, "SELECT seq FROM sqlite_sequence WHERE name = 'seal'").get() as { seq: number } | undefined
  if ((given?.seq ?? 0) > seq) return broken('seal', seq + 1, 'missing')
  for (const table of TABLES) {
    const unsealed = prepare(
      db,
      `SELECT id FROM ${table} t WHERE NOT EXISTS (SELECT 1 FROM seal WHERE tbl = ? AND id = t.id) ORDER BY id LIMIT 1`,
    ).get(table) as { id: number } | undefined
    if (unsealed) return broken(table, unsealed.id, 'not sealed')
  }
  return { state: { whole: true, rows: seq, head: hash }, proven, more: false }
}

const AT_ONCE = 2000

export function verifySeals(db: Db, progress: (rows: number) => void = () => undefined): SealState {
  let walk = walkSeals(db, NOTHING_SEALED, AT_ONCE)
  while (walk.more) {
    progress(walk.proven.seq)
    walk = walkSeals(db, walk.proven, AT_ONCE)
  }
  return walk.state
}
