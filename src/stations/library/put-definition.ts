import { checkTool, type StackPart } from '@/core/fits'
import { shrinkPractice } from '@/core/clamp'
import type { Definition } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { readCouplings } from '@/db/coupling/read'
import type { Db } from '@/db/connection'
import { getComponent, getDefinition, listDefinitions } from '@/db/library/read'
import { insertDefinition } from '@/db/library/write'
import { listMachines } from '@/db/machine/read'
import { practiceOf } from '../practice'
import type { DefinitionFault } from './contract'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { write } from '../write'

/** The parts of a definition, first choices; null when one is not in the library. */
export function partsOf(db: Db, definition: Pick<Definition, 'parts'>): StackPart[] | null {
  const parts = definition.parts.map((line) => ({ component: getComponent(db, line.component), count: line.count }))
  return parts.every((p): p is StackPart => p.component !== null) ? parts : null
}

/** What speaks against a definition as it stands. */
export function definitionFaults(db: Db, definition: Definition): DefinitionFault[] {
  const parts = partsOf(db, definition)
  if (!parts) {
    const lost = definition.parts.find((line) => !getComponent(db, line.component))
    return [{ code: 'UNKNOWN_PART', part: lost?.component ?? '' }]
  }
  const machines = listMachines(db).filter((m) => definition.machines.includes(m.key))
  return checkTool(definition, parts, machines, shrinkPractice(practiceOf(db)), readCouplings(db)).refusals.map((refusal) => ({
    code: 'FITS',
    refusal,
  }))
}

/**
 * A change makes a new version; what was built keeps its own. @param given its version is the one that was changed, 0 for
 * a new tool
 */
export function putDefinition(work: Work, given: Definition): Result<Definition, Refusal> {
  const current = getDefinition(work.db, given.id)
  if ((current?.version ?? 0) !== given.version)
    return fail({ code: 'CHANGED', what: 'definition', definition: given.id, version: current?.version ?? null })
  const unknown = given.machines.find((key) => !listMachines(work.db).some((m) => m.key === key))
  if (unknown) return fail({ code: 'UNKNOWN_MACHINE', machine: unknown })
  const clash = listDefinitions(work.db).find(
    (d) => d.id !== given.id && d.t === given.t && d.machines.some((m) => given.machines.includes(m)),
  )
  if (clash) return fail({ code: 'T_TAKEN', t: given.t, by: clash.name })
  const [fault] = definitionFaults(work.db, given)
  if (fault) return fail({ code: 'DOES_NOT_FIT', definition: given.id, fault, in: 'form' })
  const next: Definition = { ...given, version: given.version + 1 }
  const { name, version, t, machines } = next
  return write(
    work,
    { entry: { code: 'DEFINITION_PUT', name, version }, t, machine: machines[0], before: current, after: next },
    (tx) => {
      insertDefinition(tx.db, next)
      return next
    },
    { code: 'CHANGED', what: 'definition', definition: given.id, version },
  )
}
