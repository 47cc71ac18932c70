import type { SavedMeasurement } from '@/core/judge'
import { prepare, type Tx } from '../connection'

/** @returns the new row's id */
export function insertMeasurement(tx: Tx, m: Omit<SavedMeasurement, 'id' | 'serial'>): number {
  const { summary, edges, steps, program, result, verdict, cutMin } = m
  const done = prepare(
    tx,
    'INSERT INTO measurement (assembly_id, at, person_id, body, evidence, source, reason) VALUES (?, ?, ?, ?, ?, ?, ?)',
  ).run(
    m.assemblyId,
    m.at,
    m.personId,
    JSON.stringify({ summary, edges, steps, program, result, verdict, cutMin }),
    m.evidence,
    m.source,
    m.reason,
  )
  return Number(done.lastInsertRowid)
}
