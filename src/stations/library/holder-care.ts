import { COUPLINGS, readMark, roleOf, type Coupling } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { inTransaction, isTaken } from '@/db/connection'
import { getComponent, getHolder } from '@/db/library/read'
import { insertHolder, setFallen, updateHolder } from '@/db/library/write'
import { note } from '../records/note'
import type { Refusal } from '../refusals'
import type { Work } from '../work'

/** A holder or an extension gets its serial and its type. */
export function addHolder(
  work: Work,
  given: { readonly serial: string; readonly component: string; readonly place: string | null },
): Result<{ serial: string }, Refusal> {
  const { serial } = given
  if (readMark(serial) !== serial) return fail({ code: 'BAD_MARK' })
  const type = getComponent(work.db, given.component)
  const role = type && roleOf(type)
  if (!type || (role !== 'holder' && role !== 'extension')) return fail({ code: 'NOT_A_HOLDER', part: given.component })
  const coupling: Coupling | '' = 'CCMS' in type ? (type.CCMS as Coupling) : ''
  try {
    inTransaction(work.db, () => {
      const known = getHolder(work.db, serial)
      if (known?.component === null && known.coupling === coupling) updateHolder(work.db, serial, { componentId: type.id })
      else insertHolder(work.db, { serial, componentId: type.id, coupling, place: given.place })
      note(work, 'holder added', type.name, { serial, after: { component: type.id } })
    })
  } catch (error) {
    if (isTaken(error)) return fail({ code: 'SERIAL_TAKEN', serial })
    throw error
  }
  return ok({ serial })
}

/** Inspected: good until a date, or retired with a reason. */
export function inspectHolder(
  work: Work,
  given: { readonly serial: string; readonly until: string | null; readonly retireReason: string | null },
): Result<null, Refusal> {
  const holder = getHolder(work.db, given.serial)
  if (!holder) return fail({ code: 'UNKNOWN_HOLDER', serial: given.serial })
  if (given.retireReason !== null && given.retireReason.trim().length < 3) return fail({ code: 'WHY_RETIRED' })
  if (given.retireReason !== null && holder.carries)
    return fail({ code: 'HOLDER_CARRIES_TOOL', serial: given.serial, then: 'take apart' })
  if (given.until !== null && given.until <= work.now) return fail({ code: 'INSPECTION_PAST' })
  inTransaction(work.db, () => {
    updateHolder(work.db, given.serial, given.retireReason !== null ? { retired: true } : { inspectBy: given.until })
    // whatever fell was looked at
    setFallen(work.db, given.serial, null)
    note(
      work,
      given.retireReason !== null ? 'retired' : 'inspected',
      given.retireReason ?? `taper, nose and stud looked at; next by ${given.until?.slice(0, 10) ?? 'no date'}`,
      {
        serial: given.serial,
        before: { inspectBy: holder.inspectBy, retired: holder.retired },
        after: { inspectBy: given.until, retired: given.retireReason !== null },
      },
    )
  })
  return ok(null)
}

/** A new pull stud: its form and its torque come from the type, its age counts from now. */
export function replaceStud(work: Work, serial: string, stud: string): Result<null, Refusal> {
  const holder = getHolder(work.db, serial)
  const type = getComponent(work.db, stud)
  if (!holder) return fail({ code: 'UNKNOWN_HOLDER', serial })
  if (type?.kind !== 'pull-stud') return fail({ code: 'NOT_A_STUD', part: stud })
  if (!COUPLINGS[holder.coupling]?.stud || type.CCMS !== holder.coupling)
    return fail({ code: 'WRONG_STUD', stud: type.name, for: type.CCMS, holder: holder.coupling })
  inTransaction(work.db, () => {
    updateHolder(work.db, serial, { stud, studSince: work.now })
    note(work, 'stud replaced', `${type.name}, ${type.TQ} N·m`, {
      serial,
      before: { stud: holder.stud, since: holder.studSince },
      after: { stud, since: work.now },
    })
  })
  return ok(null)
}
