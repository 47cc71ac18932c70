import { COUPLINGS, MARK_RULE, readMark, roleOf, type Coupling } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { inTransaction, isTaken } from '@/db/connection'
import { getComponent, getHolder } from '@/db/library/read'
import { insertHolder, setFallen, updateHolder } from '@/db/library/write'
import { note } from '../records/note'
import type { Refused, Work } from '../work'

/** A holder or an extension gets its serial and its type. */
export function addHolder(
  work: Work,
  given: { readonly serial: string; readonly component: string; readonly place: string | null },
): Result<{ serial: string }, Refused> {
  const { serial } = given
  if (readMark(serial) !== serial)
    return fail({
      code: 'BAD_SERIAL',
      text: `A mark has ${MARK_RULE}, as it is on the holder.`,
    })
  const type = getComponent(work.db, given.component)
  const role = type && roleOf(type)
  if (!type || (role !== 'holder' && role !== 'extension'))
    return fail({ code: 'NOT_A_HOLDER', text: `${given.component} is no type of holder or extension.` })
  const coupling: Coupling | '' = 'CCMS' in type ? (type.CCMS as Coupling) : ''
  try {
    inTransaction(work.db, () => {
      const known = getHolder(work.db, serial)
      if (known?.component === null && known.coupling === coupling) updateHolder(work.db, serial, { componentId: type.id })
      else insertHolder(work.db, { serial, componentId: type.id, coupling, place: given.place })
      note(work, 'holder added', type.name, { serial, after: { component: type.id } })
    })
  } catch (error) {
    if (isTaken(error)) return fail({ code: 'SERIAL_TAKEN', text: `${serial} is known already.` })
    throw error
  }
  return ok({ serial })
}

/** Inspected: good until a date, or retired with a reason. */
export function inspectHolder(
  work: Work,
  given: { readonly serial: string; readonly until: string | null; readonly retireReason: string | null },
): Result<null, Refused> {
  const holder = getHolder(work.db, given.serial)
  if (!holder) return fail({ code: 'UNKNOWN_SERIAL', text: `No holder ${given.serial} is known here.` })
  if (given.retireReason !== null && given.retireReason.trim().length < 3)
    return fail({ code: 'NO_REASON', text: 'Say why it is retired.' })
  if (given.retireReason !== null && holder.carries)
    return fail({ code: 'HOLDER_CARRIES_TOOL', text: `${given.serial} carries a tool. Take it apart first.` })
  if (given.until !== null && given.until <= work.now)
    return fail({ code: 'BAD_DATE', text: 'The next inspection lies in the future.' })
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
export function replaceStud(work: Work, serial: string, stud: string): Result<null, Refused> {
  const holder = getHolder(work.db, serial)
  const type = getComponent(work.db, stud)
  if (!holder) return fail({ code: 'UNKNOWN_SERIAL', text: `No holder ${serial} is known here.` })
  if (type?.kind !== 'pull-stud') return fail({ code: 'NOT_A_STUD', text: `${stud} is no pull stud.` })
  if (!COUPLINGS[holder.coupling]?.stud || type.CCMS !== holder.coupling)
    return fail({
      code: 'WRONG_STUD',
      text: `${type.name} is for ${type.CCMS}, this holder is ${holder.coupling}: a wrong stud drops the tool.`,
    })
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
