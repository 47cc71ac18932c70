import type { Answer, BalanceWanted, HolderHas, Influence, Standing } from '@/core/balance'
import type { VoidReason } from '@/core/handover'
import type { Complex } from '@/core/numeric'
import type { Coupling } from '@/core/tool'
import { prepare, type Db } from '../connection'

/** How the sensors answer, and how well that was found. */
export interface Calibration {
  readonly id: number
  readonly coupling: Coupling
  readonly at: string
  readonly who: string
  readonly rpm: number
  readonly rotor: string
  readonly influence: Influence
  /** Unbalance of the mass it was made with, g·mm; null: not noted at that time. */
  readonly trialGmm: number | null
  /** What the rotor alone came to less its certificate, g·mm a plane. */
  readonly residual: readonly Complex[]
  readonly condition: number
}

/** One run as it was recorded. */
export interface BalanceRun {
  readonly id: number
  readonly assemblyId: number | null
  readonly serial: string
  readonly round: number
  readonly seat: 0 | 180
  readonly at: string
  readonly who: string
  readonly rpm: number
  /** Which calibration was valid then; null: it is a run of the rotor, or from before this was noted. */
  readonly calibration: number | null
  /** What the sensors answered in step with the spindle. */
  readonly answers: readonly Answer[]
  /** Where the signals are kept. */
  readonly evidence: string
}

/** How a tool was found, or what somebody else says of it. */
export interface BalanceResult {
  readonly id: number
  readonly assemblyId: number
  readonly serial: string
  readonly at: string
  readonly who: string
  readonly wanted: BalanceWanted
  readonly grade: number
  /** Speed at which the grade was reached, rev/min. */
  readonly rpm: number
  /** Up to this speed it keeps the wanted grade; never above the weakest part. */
  readonly goodToRpm: number
  readonly massKg: number | null
  /** null where it was typed. */
  readonly standing: Standing | null
  /** Who balanced it elsewhere; null where it was done here. */
  readonly elsewhere: string | null
  /** Run and calibration that it rests on. */
  readonly runs: readonly number[]
  readonly calibration: number | null
  readonly voidedAt: string | null
  readonly voidReason: VoidReason | null
}

interface Row {
  readonly id: number
  readonly body: string
  readonly at: string
  readonly who: string
}

const calibration = (row: unknown): Calibration => {
  const r = row as Row & { coupling: Coupling }
  const body = JSON.parse(r.body) as Omit<Calibration, 'trialGmm'> & Partial<Calibration>
  return { ...body, trialGmm: body.trialGmm ?? null, id: r.id, coupling: r.coupling, at: r.at, who: r.who }
}

/** The newest calibration with an adapter for this coupling; null before the first. */
export function lastCalibration(db: Db, coupling: Coupling): Calibration | null {
  const row = prepare(
    db,
    'SELECT c.*, p.name AS who FROM spindle_calibration c JOIN person p ON p.id = c.person_id WHERE c.coupling = ? ORDER BY c.id DESC LIMIT 1',
  ).get(coupling)
  return row ? calibration(row) : null
}

/** Those that these runs were made with, by their numbers. */
export function calibrationsOf(db: Db, ids: Iterable<number>): Map<number, Calibration> {
  const read = prepare(
    db,
    'SELECT c.*, p.name AS who FROM spindle_calibration c JOIN person p ON p.id = c.person_id WHERE c.id = ?',
  )
  return new Map([...new Set(ids)].map((id) => [id, calibration(read.get(id))]))
}

/** The last so many, newest first. */
export const listCalibrations = (db: Db, most: number): Calibration[] =>
  prepare(
    db,
    'SELECT c.*, p.name AS who FROM spindle_calibration c JOIN person p ON p.id = c.person_id ORDER BY c.id DESC LIMIT ?',
  )
    .all(most)
    .map(calibration)

const run = (row: unknown): BalanceRun => {
  const r = row as Row & { assembly_id: number | null; serial: string; round: number; seat: 0 | 180; evidence: string }
  const body = JSON.parse(r.body) as Pick<BalanceRun, 'rpm' | 'answers'> & { readonly calibration?: number | null }
  return {
    ...body,
    calibration: body.calibration ?? null,
    id: r.id,
    assemblyId: r.assembly_id,
    serial: r.serial,
    round: r.round,
    seat: r.seat,
    at: r.at,
    who: r.who,
    evidence: r.evidence,
  }
}

const RUN = 'SELECT b.*, p.name AS who FROM balance_run b JOIN person p ON p.id = b.person_id'

/** All runs of a tool, oldest first. */
export const listRuns = (db: Db, assemblyId: number): BalanceRun[] =>
  prepare(db, `${RUN} WHERE b.assembly_id = ? ORDER BY b.id`).all(assemblyId).map(run)

/** What is under way, as the verb that put it there had it; null where nothing is. */
export function getBalanceWork(db: Db, assemblyId: number): { readonly body: unknown; readonly version: number } | null {
  const row = prepare(db, 'SELECT body, version FROM balance_work WHERE assembly_id = ?').get(assemblyId) as
    { body: string; version: number } | undefined
  return row ? { body: JSON.parse(row.body), version: row.version } : null
}

const result = (row: unknown): BalanceResult => {
  const r = row as Row & { assembly_id: number; serial: string; voided_at: string | null; void_reason: string | null }
  return {
    ...(JSON.parse(r.body) as BalanceResult),
    id: r.id,
    assemblyId: r.assembly_id,
    serial: r.serial,
    at: r.at,
    who: r.who,
    voidedAt: r.voided_at,
    voidReason: r.void_reason === null ? null : (JSON.parse(r.void_reason) as VoidReason),
  }
}

const RESULT = 'SELECT b.*, p.name AS who FROM balance_result b JOIN person p ON p.id = b.person_id'

/** What a tool was found to be as it is now; null where it never was balanced, or was touched since. */
export function currentBalance(db: Db, assemblyId: number): BalanceResult | null {
  const row = prepare(db, `${RESULT} WHERE b.assembly_id = ? AND b.voided_at IS NULL ORDER BY b.id DESC LIMIT 1`).get(assemblyId)
  return row ? result(row) : null
}

/** Tools that are balanced as they are. */
export const balancedIds = (db: Db): ReadonlySet<number> =>
  new Set(
    (prepare(db, 'SELECT DISTINCT assembly_id AS id FROM balance_result WHERE voided_at IS NULL').all() as { id: number }[]).map(
      (r) => r.id,
    ),
  )

/** Screws, rings, holes and added masses of a holder, whatever tool is on it. */
export interface HolderBalance extends HolderHas {
  readonly version: number
}

export function holderBalance(db: Db, serial: string): HolderBalance {
  const row = prepare(db, 'SELECT body, version FROM holder_balance WHERE serial = ?').get(serial) as
    { body: string; version: number } | undefined
  return {
    screws: [],
    rings: [],
    holes: [],
    added: [],
    ...(row ? (JSON.parse(row.body) as object) : {}),
    version: row?.version ?? 0,
  }
}

/** Whose run the spindle makes, and at which seat; a tool, or (null) the rotor. */
export interface SpindleUse {
  readonly assemblyId: number | null
  readonly seat: 0 | 180
  readonly round: number
}

interface SpindleWork {
  /** null: nothing. */
  readonly body: unknown
  readonly version: number
}

/** What the spindle itself is at, as the verb that put it there had it. */
export function spindleWork(db: Db, name: 'run' | 'calibration'): SpindleWork {
  const row = prepare(db, 'SELECT body, version FROM spindle_work WHERE name = ?').get(name) as
    { body: string; version: number } | undefined
  return { body: row ? JSON.parse(row.body) : null, version: row?.version ?? 0 }
}

export const spindleUse = (db: Db): SpindleUse | null => spindleWork(db, 'run').body as SpindleUse | null
