import { MAY_BE_SET } from '@/core/load'
import { limitsOf, magazineOf, type LoadLimits, type Magazine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { inTransaction } from '@/db/connection'
import { getMachine } from '@/db/machine/read'
import { updateMachine } from '@/db/machine/write'
import { noteRefusal } from '../records/note-refusal'
import { note } from '../records/note'
import type { Refusal } from '../refusals'
import type { Work } from '../work'

/** A machine's own limits of loading and how its magazine is made; a lead's to change. */
export function keepLimits(work: Work, key: string, limits: LoadLimits, magazine: Magazine): Result<null, Refusal> {
  const machine = getMachine(work.db, key)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: key })
  if (work.person.role !== 'lead') {
    const refused: Refusal = { code: 'LEAD_ONLY', what: 'rules' }
    noteRefusal(work, 'Rules', { machine: key }, refused)
    return fail(refused)
  }
  const fixed = Object.keys(limits.may).find((rule) => !MAY_BE_SET.some((m) => m === rule))
  if (fixed) return fail({ code: 'RULE_FIXED' })
  inTransaction(work.db, () => {
    updateMachine(work.db, { ...machine, limits, magazine })
    note(work, 'rules kept', `Rules of loading ${machine.name}`, {
      machine: key,
      before: { limits: limitsOf(machine), magazine: magazineOf(machine) },
      after: { limits, magazine },
    })
  })
  return ok(null)
}
