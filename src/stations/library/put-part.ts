import { checkComponent, partFaultText, type Component, type PartFault } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { inTransaction, isTaken } from '@/db/connection'
import { getComponent } from '@/db/library/read'
import { insertComponent, updateComponent } from '@/db/library/write'
import type { Refused, Work } from '../work'
import { note } from '../records/note'

export const faultsText = (faults: readonly PartFault[]): string => faults.map(partFaultText).join(' ')

function entry(work: Work, what: string, part: Component, before: Component | null, text: string): void {
  note(work, what, text, { before, after: part })
}

/** A new part, or a changed one: its kind stays, and every property is checked. */
export function putPart(work: Work, raw: Readonly<Record<string, unknown>>, isNew: boolean): Result<Component, Refused> {
  const checked = checkComponent(raw)
  if (!checked.ok) return fail({ code: checked.error[0].code, text: faultsText(checked.error) })
  const part = checked.value
  const before = getComponent(work.db, part.id)
  if (isNew && before)
    return fail({ code: 'PART_EXISTS', text: `${part.id} is there already: ${before.name}. Give this one another number.` })
  if (!isNew && !before) return fail({ code: 'UNKNOWN_PART', text: `The library knows no part ${part.id}.` })
  if (before && before.kind !== part.kind)
    return fail({ code: 'OTHER_KIND', text: `${part.id} is a ${before.kind}; its kind stays. Add another part instead.` })
  try {
    inTransaction(work.db, () => {
      if (before) updateComponent(work.db, part)
      else insertComponent(work.db, part)
      entry(work, before ? 'part changed' : 'part added', part, before, `${part.id} ${part.name}`)
    })
  } catch (error) {
    if (isTaken(error)) return fail({ code: 'PART_EXISTS', text: `Somebody has just added ${part.id}.` })
    throw error
  }
  return ok(part)
}
