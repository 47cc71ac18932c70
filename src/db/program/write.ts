import type { MeasuringProgram } from '@/core/judge'
import { prepare, type Tx } from '../connection'

/** @throws when somebody else has kept this version meanwhile */
export function insertProgram(tx: Tx, p: MeasuringProgram): void {
  prepare(
    tx,
    'INSERT INTO measuring_program (definition_id, version, at, person_id, why, steps, evidence) VALUES (?, ?, ?, ?, ?, ?, ?)',
  ).run(p.definition, p.version, p.at, p.personId, p.why, JSON.stringify(p.steps), p.evidence)
}
