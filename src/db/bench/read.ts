import type { Adapter, AdapterPiece, BenchKind, Master, ZeroCheck } from '@/core/judge'
import type { Coupling } from '@/core/tool'
import { prepare, type Db } from '../connection'

export interface MasterRead extends Master {
  readonly version: number
}

const master = (row: unknown): MasterRead => {
  const { body, version } = row as { body: string; version: number }
  return { ...(JSON.parse(body) as Master), version }
}

/** Masters that are in use. */
export const listMasters = (db: Db): MasterRead[] =>
  prepare(db, 'SELECT body, version FROM master WHERE retired = 0 ORDER BY id').all().map(master)

/** Those that were retired too, at the end. */
export const listAllMasters = (db: Db): { readonly master: MasterRead; readonly retired: boolean }[] =>
  prepare(db, 'SELECT body, version, retired FROM master ORDER BY retired, id')
    .all()
    .map((row) => ({ master: master(row), retired: (row as { retired: number }).retired === 1 }))

/** The adapter on the spindle now; null before the first. */
export function adapterNow(db: Db): Adapter | null {
  const row = prepare(
    db,
    'SELECT a.serial, a.coupling, a.name, b.at AS since FROM bench_adapter b JOIN adapter a ON a.serial = b.serial ORDER BY b.id DESC LIMIT 1',
  ).get()
  return (row as Adapter | undefined) ?? null
}

/** Adapters that are in use. */
export const listAdapters = (db: Db): AdapterPiece[] =>
  prepare(db, 'SELECT serial, coupling, name FROM adapter WHERE retired = 0 ORDER BY coupling, serial').all() as AdapterPiece[]

export interface AdapterRow extends AdapterPiece {
  readonly version: number
  readonly retired: boolean
}

/** Those that were retired too, at the end. */
export const listAllAdapters = (db: Db): AdapterRow[] =>
  (
    prepare(db, 'SELECT serial, coupling, name, version, retired FROM adapter ORDER BY retired, coupling, serial').all() as (Omit<
      AdapterRow,
      'retired'
    > & { readonly retired: number })[]
  ).map((row) => ({ ...row, retired: row.retired === 1 }))

export function getAdapter(db: Db, serial: string): AdapterPiece | null {
  const row = prepare(db, 'SELECT serial, coupling, name FROM adapter WHERE serial = ? AND retired = 0').get(serial)
  return (row as AdapterPiece | undefined) ?? null
}

interface CheckRow {
  id: number
  at: string
  who: string
  master_id: string
  coupling: Coupling
  adapter: string
  bench: BenchKind
  drift_x: number
  drift_z: number
  zero_x: number
  zero_z: number
  reason: string | null
  calibration: string | null
}

/** One that was kept before it told how wide the picture is cannot say how well the camera measures: it no longer counts. */
const calibration = (kept: ZeroCheck['calibration']) => (kept?.halfFieldMm === undefined ? null : kept)

const check = (row: unknown): ZeroCheck => {
  const r = row as CheckRow
  return {
    id: r.id,
    at: r.at,
    who: r.who,
    masterId: r.master_id,
    coupling: r.coupling,
    adapter: r.adapter,
    bench: r.bench,
    drift: { x: r.drift_x, z: r.drift_z },
    zero: { x: r.zero_x, z: r.zero_z },
    reason: r.reason,
    calibration: r.calibration === null ? null : calibration(JSON.parse(r.calibration) as ZeroCheck['calibration']),
  }
}

const SELECT = 'SELECT c.*, p.name AS who FROM bench_check c JOIN person p ON p.id = c.person_id'

/** The last check of the bench with the camera, whatever adapter was on it. */
export function lastCheck(db: Db): ZeroCheck | null {
  const row = prepare(db, `${SELECT} WHERE c.bench = 'camera' ORDER BY c.id DESC LIMIT 1`).get()
  return row ? check(row) : null
}

/** The last check of one adapter on one bench. */
export function lastCheckOf(db: Db, adapter: string, bench: BenchKind = 'camera'): ZeroCheck | null {
  const row = prepare(db, `${SELECT} WHERE c.bench = ? AND c.adapter = ? ORDER BY c.id DESC LIMIT 1`).get(bench, adapter)
  return row ? check(row) : null
}

/** Checks, oldest first, at most `count` of the newest. */
export const listChecks = (db: Db, count: number): ZeroCheck[] =>
  prepare(db, `SELECT * FROM (${SELECT} WHERE c.bench = 'camera' ORDER BY c.at DESC, c.id DESC LIMIT ?) ORDER BY at, id`)
    .all(count)
    .map(check)

export interface Overrule {
  readonly until: string
  readonly who: string
  readonly reason: string
}

/** A lead's word that measuring may go on although a check is due; null when none holds at that time. */
export function overruleAt(db: Db, at: string): Overrule | null {
  const row = prepare(
    db,
    'SELECT o.until, p.name AS who, o.reason FROM bench_overrule o JOIN person p ON p.id = o.person_id WHERE o.at <= ? AND o.until > ? ORDER BY o.id DESC LIMIT 1',
  ).get(at, at)
  return (row as Overrule | undefined) ?? null
}
