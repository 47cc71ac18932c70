import { isLead } from '@/core/tool'
import { checkSteps, type ProgramStep } from '@/core/judge'
import { fail, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { getDefinition } from '@/db/library/read'
import { lastMeasurement } from '@/db/measurement/read'
import { getProgram } from '@/db/program/read'
import { insertProgram } from '@/db/program/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { write } from '../write'

export interface ProgramSave {
  /** The tool on the spindle. */
  readonly serial: string
  readonly steps: readonly ProgramStep[]
  /** The version that was changed; 0 where there was none. */
  readonly base: number
  readonly why: string
}

/** Whether a step that was there allows something else now, or is gone. */
const otherLimits = (before: readonly ProgramStep[], after: readonly ProgramStep[]): boolean =>
  before.some((old) => JSON.stringify(old.limits) !== JSON.stringify(after.find((step) => step.name === old.name)?.limits))

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
  if (!isLead(work.person) && current && otherLimits(current.steps, steps.value))
    return fail({ code: 'LEAD_ONLY', what: 'limits' })
  const last = lastMeasurement(work.db, assembly.id)
  const version = save.base + 1
  const { why, serial } = save
  const entry = { code: 'ROUTINE_KEPT', definition: definition.id, version, why } as const
  return write(
    work,
    { entry, serial, t: definition.t, before: current?.steps, after: steps.value },
    (tx) => {
      insertProgram(tx.db, {
        definition: definition.id,
        version,
        at: tx.now,
        personId: tx.person.id,
        why,
        steps: steps.value,
        evidence: last?.evidence || (current?.evidence ?? null),
      })
      return { version }
    },
    changed,
  )
}
