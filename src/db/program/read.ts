import type { MeasuringProgram, ProgramStep } from '@/core/judge'
import { prepare, type Db } from '../connection'

interface ProgramRow {
  definition_id: string
  version: number
  at: string
  person_id: string
  why: string
  steps: string
  evidence: string | null
}

const program = (row: unknown): MeasuringProgram => {
  const r = row as ProgramRow
  return {
    definition: r.definition_id,
    version: r.version,
    at: r.at,
    personId: r.person_id,
    why: r.why,
    steps: JSON.parse(r.steps) as ProgramStep[],
    evidence: r.evidence,
  }
}

/** The program in force; null where tools of this definition are measured freely. */
export function getProgram(db: Db, definition: string): MeasuringProgram | null {
  const row = prepare(db, 'SELECT * FROM measuring_program WHERE definition_id = ? ORDER BY version DESC LIMIT 1').get(definition)
  return row ? program(row) : null
}

/** All versions, the newest first. */
export const listProgramVersions = (db: Db, definition: string): MeasuringProgram[] =>
  prepare(db, 'SELECT * FROM measuring_program WHERE definition_id = ? ORDER BY version DESC').all(definition).map(program)

/** The programs in force, by definition. */
export const listRoutines = (db: Db): Map<string, MeasuringProgram> =>
  new Map(
    prepare(
      db,
      `SELECT * FROM measuring_program p WHERE version =
           (SELECT max(version) FROM measuring_program WHERE definition_id = p.definition_id)`,
    )
      .all()
      .map((row) => {
        const p = program(row)
        return [p.definition, p] as const
      }),
  )
