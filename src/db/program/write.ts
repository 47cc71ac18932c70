import type { MeasuringProgram } from '@/core/measure'
import type { Db } from '../connection'

/** @throws when somebody else has kept this version meanwhile */
export function insertProgram(db: Db, p: MeasuringProgram): void {
  db.prepare(
    'INSERT INTO measuring_program (definition_id, version, at, person_id, why, steps, evidence) VALUES (?, ?, ?, ?, ?, ?, ?)',
  ).run(p.definition, p.version, p.at, p.personId, p.why, JSON.stringify(p.steps), p.evidence)
}
