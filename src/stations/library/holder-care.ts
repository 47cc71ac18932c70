import { factsOf, readMark, roleOf, type Coupling } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { readCouplings } from '@/db/coupling/read'
import { getComponent, getHolder } from '@/db/library/read'
import { insertHolder, updateHolder } from '@/db/library/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'

const somebodyElse = (serial: string): Refusal => ({ code: 'CHANGED', what: 'holder', serial })

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
  return write(
    work,
    { entry: { code: 'HOLDER_ADDED', type: type.name }, serial, after: { component: type.id } },
    (tx) => {
      const known = getHolder(tx.db, serial)
      if (known?.component === null && known.coupling === coupling)
        must(updateHolder(tx.db, known, { componentId: type.id }), somebodyElse(serial))
      else insertHolder(tx.db, { serial, componentId: type.id, coupling, place: given.place })
      return { serial }
    },
    { code: 'SERIAL_TAKEN', serial },
  )
}

/** Inspected: good until a date, or retired with a reason. */
export function inspectHolder(
  work: Work,
  given: {
    readonly serial: string
    readonly until: string | null
    readonly retireReason: string | null
    /** Until when it was good before. */
    readonly from?: string | null
  },
): Result<null, Refusal> {
  const holder = getHolder(work.db, given.serial)
  if (!holder) return fail({ code: 'UNKNOWN_HOLDER', serial: given.serial })
  if (given.from !== undefined && given.from !== holder.inspectBy) return fail(somebodyElse(given.serial))
  if (given.retireReason !== null && given.retireReason.trim().length < 3) return fail({ code: 'WHY_RETIRED' })
  if (given.retireReason !== null && holder.carries)
    return fail({ code: 'HOLDER_CARRIES_TOOL', serial: given.serial, then: 'take apart' })
  if (given.until !== null && given.until <= work.now) return fail({ code: 'INSPECTION_PAST' })
  const { serial, until, retireReason } = given
  const noted = {
    entry: retireReason !== null ? ({ code: 'RETIRED', reason: retireReason } as const) : ({ code: 'INSPECTED', until } as const),
    serial,
    before: { inspectBy: holder.inspectBy, retired: holder.retired },
    after: { inspectBy: until, retired: retireReason !== null },
  }
  return write(work, noted, (tx) => {
    // whatever fell was looked at
    const change = { ...(retireReason !== null ? { retired: true } : { inspectBy: until }), fallenAt: null }
    must(updateHolder(tx.db, holder, change), somebodyElse(serial))
    return null
  })
}

/** A new pull stud: its form and its torque come from the type, its age counts from now. @param seen since when the one before it was in */
export function replaceStud(work: Work, serial: string, stud: string, seen?: string | null): Result<null, Refusal> {
  const holder = getHolder(work.db, serial)
  const type = getComponent(work.db, stud)
  if (!holder) return fail({ code: 'UNKNOWN_HOLDER', serial })
  if (seen !== undefined && seen !== holder.studSince) return fail(somebodyElse(serial))
  if (type?.kind !== 'pull-stud') return fail({ code: 'NOT_A_STUD', part: stud })
  if (!factsOf(readCouplings(work.db), holder.coupling).stud || type.CCMS !== holder.coupling)
    return fail({ code: 'WRONG_STUD', stud: type.name, for: type.CCMS, holder: holder.coupling })
  const noted = {
    entry: { code: 'STUD_REPLACED', stud: type.name, torqueNm: type.TQ },
    serial,
    before: { stud: holder.stud, since: holder.studSince },
    after: { stud, since: work.now },
  } as const
  return write(work, noted, (tx) => {
    must(updateHolder(tx.db, holder, { stud, studSince: tx.now }), somebodyElse(serial))
    return null
  })
}
