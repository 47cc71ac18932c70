import { checkSteps, type ProgramStep } from '@/core/measure'
import { fail, ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { inTransaction, isTaken } from '@/db/connection'
import { getDefinition } from '@/db/library/read'
import { lastMeasurement } from '@/db/measurement/read'
import { getProgram } from '@/db/program/read'
import { insertProgram } from '@/db/program/write'
import { note } from '../records/note'
import type { Refusal } from '../refusals'
import type { Work } from '../work'

export interface ProgramSave {
  /** The tool on the spindle. */
  readonly serial: string
  readonly steps: readonly ProgramStep[]
  /** The version that was changed; 0 where there was none. */
  readonly base: number
  readonly why: string
}

/** Keeps a program as the next version of its definition's one copy: from now on everyone measures by it. */
export function keepProgram(work: Work, save: ProgramSave): Result<{ readonly version: number }, Refusal> {
  const assembly = getAssembly(work.db, save.serial)
  const definition = assembly?.definition && getDefinition(work.db, assembly.definition.id, assembly.definition.version)
  if (!assembly || !definition) return fail({ code: 'NO_DEFINITION' })
  const steps = checkSteps(save.steps)
  if (!steps.ok) return fail({ code: 'ROUTINE', error: steps.error })
  const changed = { code: 'CHANGED', what: 'routine' } as const
  const current = getProgram(work.db, definition.id)
  if ((current?.version ?? 0) !== save.base) return fail(changed)
  const last = lastMeasurement(work.db, assembly.id)
  const version = save.base + 1
  try {
    inTransaction(work.db, () => {
      insertProgram(work.db, {
        definition: definition.id,
        version,
        at: work.now,
        personId: work.person.id,
        why: save.why,
        steps: steps.value,
        evidence: last?.evidence || (current?.evidence ?? null),
      })
      note(work, 'program kept', `Measuring program of ${definition.id}, version ${version}: ${save.why}`, {
        serial: save.serial,
        t: definition.t,
        before: current?.steps ?? null,
        after: steps.value,
      })
    })
  } catch (error) {
    if (isTaken(error)) return fail(changed)
    throw error
  }
  return ok({ version })
}
