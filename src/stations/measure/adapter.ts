import { SHIFT_H } from '@/core/measure'
import type { Coupling } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { insertAdapter, insertOverrule } from '@/db/bench/write'
import { inTransaction } from '@/db/connection'
import { note } from '../records/note'
import type { Refused, Work } from '../work'
import { readBench } from './bench-state'

const NOTHING = { serial: null, t: null, machine: null }

/** Another adapter stands on the spindle: its master is due before anything else is measured. */
export function changeAdapter(work: Work, coupling: Coupling): Result<null, Refused> {
  const { adapter } = readBench(work.db, work.now)
  if (adapter?.coupling === coupling)
    return fail({ code: 'SAME_ADAPTER', text: `The adapter for ${coupling} is on the spindle already.` })
  inTransaction(work.db, () => {
    insertAdapter(work.db, coupling, work.now, work.person.id)
    note(work, 'adapter changed', `Adapter for ${coupling} on the spindle`, {
      ...NOTHING,
      before: { adapter: adapter?.coupling ?? null },
      after: { adapter: coupling },
    })
  })
  return ok(null)
}

/** A lead lets measuring go on for a shift although the check is due. */
export function overruleCheck(work: Work, reason: string): Result<null, Refused> {
  if (work.person.role !== 'lead')
    return fail({ code: 'LEAD_ONLY', text: 'Only a lead may let measuring go on without the check.' })
  if (!readBench(work.db, work.now).due) return fail({ code: 'NOT_DUE', text: 'The bench is checked; nothing holds it back.' })
  const until = new Date(Date.parse(work.now) + SHIFT_H * 3_600_000).toISOString()
  inTransaction(work.db, () => {
    insertOverrule(work.db, work.now, until, work.person.id, reason)
    note(work, 'overruled', `Measuring goes on without the check of the bench: ${reason}`, { ...NOTHING, after: { until } })
  })
  return ok(null)
}
