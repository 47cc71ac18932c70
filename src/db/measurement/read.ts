import type { MeasurementSource, SavedMeasurement } from '@/core/measure'
import type { Db } from '../connection'

interface MeasurementRow {
  id: number
  assembly_id: number
  serial: string
  at: string
  person_id: string
  body: string
  evidence: string
  source: MeasurementSource
  reason: string | null
}

const measurement = (row: unknown): SavedMeasurement => {
  const r = row as MeasurementRow
  const body = JSON.parse(r.body) as Pick<SavedMeasurement, 'summary' | 'edges' | 'result' | 'verdict'>
  return {
    ...body,
    id: r.id,
    assemblyId: r.assembly_id,
    serial: r.serial,
    at: r.at,
    personId: r.person_id,
    evidence: r.evidence,
    source: r.source,
    reason: r.reason,
  }
}

const SELECT = 'SELECT m.*, a.serial FROM measurement m JOIN assembly a ON a.id = m.assembly_id'

/** The last measurement of a tool. */
export function lastMeasurement(db: Db, assemblyId: number): SavedMeasurement | null {
  const row = db.prepare(`${SELECT} WHERE m.assembly_id = ? ORDER BY m.id DESC LIMIT 1`).get(assemblyId)
  return row ? measurement(row) : null
}

export function getMeasurement(db: Db, id: number): SavedMeasurement | null {
  const row = db.prepare(`${SELECT} WHERE m.id = ?`).get(id)
  return row ? measurement(row) : null
}

/** Pictures that the figures of a tool that still stands rest on: of its last measurement, and of the bench's last check. */
export function listEvidenceInUse(db: Db): Set<string> {
  const rows = db
    .prepare(
      `SELECT evidence FROM measurement WHERE id IN
         (SELECT max(m.id) FROM measurement m JOIN assembly a ON a.id = m.assembly_id WHERE a.state <> 'apart' GROUP BY a.id)
       UNION SELECT evidence FROM bench_check WHERE id = (SELECT max(id) FROM bench_check)`,
    )
    .all() as { evidence: string | null }[]
  return new Set(rows.flatMap((r) => (r.evidence ? [r.evidence] : [])))
}

export const listMeasurements = (db: Db, assemblyId: number): SavedMeasurement[] =>
  db.prepare(`${SELECT} WHERE m.assembly_id = ? ORDER BY m.id DESC`).all(assemblyId).map(measurement)

/** When each assembly was last measured. */
export function listMeasuredAt(db: Db): Map<number, string> {
  const rows = db.prepare('SELECT assembly_id AS id, max(at) AS at FROM measurement GROUP BY assembly_id').all() as {
    id: number
    at: string
  }[]
  return new Map(rows.map(({ id, at }) => [id, at]))
}
