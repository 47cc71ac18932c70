import { checkComponent, isLead, PROPERTIES, type Component, type PropertyKey } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { readCouplings } from '@/db/coupling/read'
import { componentVersion, getComponent } from '@/db/library/read'
import { insertComponent, updateComponent } from '@/db/library/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'

/** Prices, and what heat a holder bears: what a lead stands for. */
const LEADS: readonly string[] = [
  'price',
  ...(Object.keys(PROPERTIES) as PropertyKey[]).filter((key) => PROPERTIES[key].quantity === 'temperature'),
]
const leadsOf = (part: Component | null): string =>
  JSON.stringify(LEADS.map((key) => (part as Readonly<Record<string, unknown>> | null)?.[key] ?? null))

/**
 * A new part, or a changed one: its kind stays, and every property is checked.
 * @param version the one that was changed; 0 for a new part
 */
export function putPart(work: Work, raw: Readonly<Record<string, unknown>>, version: number): Result<Component, Refusal> {
  const isNew = version === 0
  const checked = checkComponent(raw, readCouplings(work.db))
  if (!checked.ok) return fail({ code: 'PART', faults: checked.error })
  const part = checked.value
  const before = getComponent(work.db, part.id)
  if (isNew && before) return fail({ code: 'PART_EXISTS', part: part.id, name: before.name, in: 'form' })
  if (!isNew && !before) return fail({ code: 'UNKNOWN_PART', part: part.id })
  if (before && before.kind !== part.kind) return fail({ code: 'KIND_STAYS', part: part.id, kind: before.kind })
  if (before && componentVersion(work.db, part.id) !== version) return fail({ code: 'CHANGED', what: 'part', part: part.id })
  if (!isLead(work.person) && leadsOf(part) !== leadsOf(before)) return fail({ code: 'LEAD_ONLY', what: 'prices' })
  const entry = { code: 'PART_PUT', part: part.id, name: part.name, isNew: !before } as const
  return write(
    work,
    { entry, before, after: part },
    (tx) => {
      if (before) must(updateComponent(tx.db, part, version), { code: 'CHANGED', what: 'part', part: part.id })
      else insertComponent(tx.db, part)
      return part
    },
    { code: 'PART_EXISTS', part: part.id, name: null, in: 'form' },
  )
}
