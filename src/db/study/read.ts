import type { FeatureKey } from '@/core/judge'
import { prepare, type Db } from '../connection'

export interface Study {
  readonly id: number
  readonly name: string
  readonly feature: FeatureKey
  /** Persons and holders: each at least two, or one of each where a calibrated value is measured again and again. */
  readonly people: readonly string[]
  readonly serials: readonly string[]
  readonly repeats: number
  /** Width of the limits that it is held against, mm; null: none. */
  readonly toleranceMm: number | null
  /** The calibrated value of the only tool, mm; missing: what people and tools add to the spread is looked at. */
  readonly referenceMm?: number | null
  readonly startedAt: string
  readonly endedAt: string | null
}

const study = (row: unknown): Study => {
  const r = row as { id: number; body: string; started_at: string; ended_at: string | null }
  const body = JSON.parse(r.body) as Omit<Study, 'id' | 'startedAt' | 'endedAt'>
  return { ...body, id: r.id, startedAt: r.started_at, endedAt: r.ended_at }
}

/** The newest first. */
export const listStudies = (db: Db): Study[] => prepare(db, 'SELECT * FROM study ORDER BY id DESC LIMIT 50').all().map(study)

export function getStudy(db: Db, id: number): Study | null {
  const row = prepare(db, 'SELECT * FROM study WHERE id = ?').get(id)
  return row ? study(row) : null
}
