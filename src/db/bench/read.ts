import type { Adapter, Master, ZeroCheck } from '@/core/measure'
import type { Coupling } from '@/core/tool'
import type { Db } from '../connection'

export const listMasters = (db: Db): Master[] =>
  (db.prepare('SELECT body FROM master ORDER BY id').all() as { body: string }[]).map((r) => JSON.parse(r.body) as Master)

/** The adapter on the spindle now; null before the first. */
export function adapterNow(db: Db): Adapter | null {
  const row = db.prepare('SELECT coupling, at AS since FROM bench_adapter ORDER BY id DESC LIMIT 1').get()
  return (row as Adapter | undefined) ?? null
}

interface CheckRow {
  id: number
  at: string
  who: string
  master_id: string
  coupling: Coupling
  drift_x: number
  drift_z: number
  zero_x: number
  zero_z: number
  reason: string | null
}

const check = (row: unknown): ZeroCheck => {
  const r = row as CheckRow
  return {
    id: r.id,
    at: r.at,
    who: r.who,
    masterId: r.master_id,
    coupling: r.coupling,
    drift: { x: r.drift_x, z: r.drift_z },
    zero: { x: r.zero_x, z: r.zero_z },
    reason: r.reason,
  }
}

const SELECT = 'SELECT c.*, p.name AS who FROM bench_check c JOIN person p ON p.id = c.person_id'

/** The check that holds now. */
export function lastCheck(db: Db): ZeroCheck | null {
  const row = db.prepare(`${SELECT} ORDER BY c.id DESC LIMIT 1`).get()
  return row ? check(row) : null
}

/** Checks, oldest first, at most `count` of the newest. */
export const listChecks = (db: Db, count: number): ZeroCheck[] =>
  db.prepare(`SELECT * FROM (${SELECT} ORDER BY c.at DESC, c.id DESC LIMIT ?) ORDER BY at, id`).all(count).map(check)

export interface Overrule {
  readonly until: string
  readonly who: string
  readonly reason: string
}

/** A lead's word that measuring may go on although a check is due; null when none holds at that time. */
export function overruleAt(db: Db, at: string): Overrule | null {
  const row = db
    .prepare(
      'SELECT o.until, p.name AS who, o.reason FROM bench_overrule o JOIN person p ON p.id = o.person_id WHERE o.at <= ? AND o.until > ? ORDER BY o.id DESC LIMIT 1',
    )
    .get(at, at)
  return (row as Overrule | undefined) ?? null
}
