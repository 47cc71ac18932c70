import type { SavedMeasurement } from '@/core/measure'
import type { Db } from '../connection'

/** @returns the new row's id */
export function insertMeasurement(db: Db, m: Omit<SavedMeasurement, 'id' | 'serial'>): number {
  const { summary, edges, steps, program, result, verdict } = m
  const done = db
    .prepare('INSERT INTO measurement (assembly_id, at, person_id, body, evidence, source, reason) VALUES (?, ?, ?, ?, ?, ?, ?)')
    .run(
      m.assemblyId,
      m.at,
      m.personId,
      JSON.stringify({ summary, edges, steps, program, result, verdict }),
      m.evidence,
      m.source,
      m.reason,
    )
  return Number(done.lastInsertRowid)
}
