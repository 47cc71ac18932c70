import { checkComponent, type Component } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { inTransaction, isTaken } from '@/db/connection'
import { getComponent } from '@/db/library/read'
import { insertComponent, updateComponent } from '@/db/library/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { note } from '../records/note'

function entry(work: Work, what: string, part: Component, before: Component | null, text: string): void {
  note(work, what, text, { before, after: part })
}

/** A new part, or a changed one: its kind stays, and every property is checked. */
export function putPart(work: Work, raw: Readonly<Record<string, unknown>>, isNew: boolean): Result<Component, Refusal> {
  const checked = checkComponent(raw)
  if (!checked.ok) return fail({ code: 'PART', faults: checked.error })
  const part = checked.value
  const before = getComponent(work.db, part.id)
  if (isNew && before) return fail({ code: 'PART_EXISTS', part: part.id, name: before.name, in: 'form' })
  if (!isNew && !before) return fail({ code: 'UNKNOWN_PART', part: part.id })
  if (before && before.kind !== part.kind) return fail({ code: 'KIND_STAYS', part: part.id, kind: before.kind })
  try {
    inTransaction(work.db, () => {
      if (before) updateComponent(work.db, part)
      else insertComponent(work.db, part)
      entry(work, before ? 'part changed' : 'part added', part, before, `${part.id} ${part.name}`)
    })
  } catch (error) {
    if (isTaken(error)) return fail({ code: 'PART_EXISTS', part: part.id, name: null, in: 'form' })
    throw error
  }
  return ok(part)
}
