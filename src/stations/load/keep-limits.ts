import { MAY_BE_SET } from '@/core/load'
import { loadLimitsOf, magazineOf, type LoadLimits, type Magazine } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { getMachine } from '@/db/machine/read'
import { updateMachine } from '@/db/machine/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'

/** A machine's own limits of loading and how its magazine is made; a lead's to change. */
export function keepLimits(
  work: Work,
  key: string,
  limits: LoadLimits,
  magazine: Magazine,
  version: number,
): Result<null, Refusal> {
  const machine = getMachine(work.db, key)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: key })
  const changed: Refusal = { code: 'CHANGED', what: 'machine', machine: machine.name }
  if (version !== machine.version) return fail(changed)
  const fixed = Object.keys(limits.may).find((rule) => !MAY_BE_SET.some((m) => m === rule))
  if (fixed) return fail({ code: 'RULE_FIXED' })
  const noted = {
    entry: { code: 'RULES_KEPT', machine: machine.name },
    machine: key,
    before: { limits: loadLimitsOf(machine), magazine: magazineOf(machine) },
    after: { limits, magazine },
  } as const
  return write(work, noted, (tx) => {
    must(updateMachine(tx.db, machine, { limits, magazine }), changed)
    return null
  })
}
