import { readMark, type Coupling } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { readCouplings } from '@/db/coupling/read'
import { insertAssembly } from '@/db/assembly/write'
import { getHolder } from '@/db/library/read'
import { insertHolder } from '@/db/library/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { write } from '../write'

export interface UnplannedTool {
  readonly serial: string
  readonly coupling: Coupling
  readonly name: string
  readonly t: number | null
  readonly machine: string | null
}

/** A tool without a job or a definition comes to the bench: its holder is noted, and it can be measured at once. */
export function takeInTool(work: Work, tool: UnplannedTool): Result<{ serial: string }, Refusal> {
  if (readMark(tool.serial) !== tool.serial) return fail({ code: 'BAD_MARK' })
  if (!readCouplings(work.db).has(tool.coupling)) return fail({ code: 'UNKNOWN_TAPER', taper: tool.coupling })
  const holder = getHolder(work.db, tool.serial)
  if (holder?.carries) return fail({ code: 'HOLDER_CARRIES_TOOL', serial: tool.serial, then: 'open' })
  if (holder && holder.coupling !== tool.coupling)
    return fail({ code: 'OTHER_TAPER', serial: tool.serial, has: holder.coupling, not: tool.coupling })
  const { serial, t, machine, coupling } = tool
  return write(
    work,
    { entry: { code: 'TAKEN_IN', name: tool.name }, serial, t, machine, after: { coupling } },
    (tx) => {
      if (!holder) insertHolder(tx.db, { serial, componentId: null, coupling })
      insertAssembly(tx.db, {
        serial: tool.serial,
        t: tool.t,
        name: tool.name,
        definition: null,
        machine: tool.machine,
        job: null,
        coupling: tool.coupling,
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
