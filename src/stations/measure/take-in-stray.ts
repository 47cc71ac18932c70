import { readMark, type Coupling } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { insertAssembly } from '@/db/assembly/write'
import { getHolder } from '@/db/library/read'
import { insertHolder } from '@/db/library/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { write } from '../write'

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
  const { serial, t, machine, coupling } = stray
  return write(
    work,
    { entry: { code: 'TAKEN_IN', name: stray.name }, serial, t, machine, after: { coupling } },
    (tx) => {
      if (!holder) insertHolder(tx.db, { serial, componentId: null, coupling })
      insertAssembly(tx.db, {
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
        builtAt: tx.now,
        stopSetMm: null,
        heat: null,
      })
      return { serial }
    },
    { code: 'HOLDER_CARRIES_TOOL', serial, then: 'open' },
  )
}
