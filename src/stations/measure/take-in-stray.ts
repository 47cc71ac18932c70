import { readMark, type Coupling } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { insertAssembly } from '@/db/assembly/write'
import { inTransaction, isTaken } from '@/db/connection'
import { getHolder } from '@/db/library/read'
import { insertHolder } from '@/db/library/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { note } from '../records/note'

export interface Stray {
  readonly serial: string
  readonly coupling: Coupling
  readonly name: string
  readonly t: number | null
  readonly machine: string | null
}

/** A tool without a job or a definition comes to the bench: its holder is noted, and it can be measured at once. */
export function takeInStray(work: Work, stray: Stray): Result<{ serial: string }, Refusal> {
  if (readMark(stray.serial) !== stray.serial) return fail({ code: 'BAD_MARK' })
  const holder = getHolder(work.db, stray.serial)
  if (holder?.carries) return fail({ code: 'HOLDER_CARRIES_TOOL', serial: stray.serial, then: 'open' })
  if (holder && holder.coupling !== stray.coupling)
    return fail({ code: 'OTHER_TAPER', serial: stray.serial, has: holder.coupling, not: stray.coupling })
  try {
    inTransaction(work.db, () => {
      if (!holder) insertHolder(work.db, { serial: stray.serial, componentId: null, coupling: stray.coupling })
      insertAssembly(work.db, {
        serial: stray.serial,
        t: stray.t,
        name: stray.name,
        definition: null,
        machine: stray.machine,
        job: null,
        coupling: stray.coupling,
        state: 'built',
        pocket: null,
        place: null,
        parts: [],
        condition: 'fit',
        lifeUsedMin: 0,
        dueAt: null,
        builtAt: work.now,
        stopSetMm: null,
        heat: null,
      })
      note(work, 'taken in', `${stray.name} came to the bench without a job`, {
        serial: stray.serial,
        t: stray.t,
        machine: stray.machine,
        after: { coupling: stray.coupling },
      })
    })
  } catch (error) {
    if (isTaken(error)) return fail({ code: 'HOLDER_CARRIES_TOOL', serial: stray.serial, then: 'open' })
    throw error
  }
  return ok({ serial: stray.serial })
}
