import { pocketText } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { assemblyIn, getAssembly } from '@/db/assembly/read'
import { placeAssembly } from '@/db/assembly/write'
import { inTransaction, isTaken } from '@/db/connection'
import { getHolder } from '@/db/library/read'
import { updateHolder } from '@/db/library/write'
import { getPlace, getUnit } from '@/db/store/read'
import { timeText } from '@/words/time'
import type { Refused, Work } from '../work'
import { note } from '../records/note'

/** Puts a complete tool, or a free holder, into a place by scan of both: any free slot of its taper. Hot tools go on no cart. */
export function putIntoPlace(work: Work, serial: string, placeId: string): Result<{ text: string }, Refused> {
  const holder = getHolder(work.db, serial)
  if (!holder) return fail({ code: 'UNKNOWN_SERIAL', text: `No holder ${serial} is known here.` })
  const place = getPlace(work.db, placeId)
  const unit = place && getUnit(work.db, place.unit)
  if (!place || !unit) return fail({ code: 'UNKNOWN_PLACE', text: `There is no place ${placeId} on the plan.` })
  if (place.taper !== null && place.taper !== holder.coupling)
    return fail({
      code: 'WRONG_SLOT',
      text: `${place.id} takes ${place.taper}, this holder is ${holder.coupling}. Take another slot.`,
    })
  const assembly = getAssembly(work.db, serial)
  if (assembly?.state === 'loaded')
    return fail({
      code: 'IN_A_MACHINE',
      text: `${serial} stands in ${assembly.machine}, ${pocketText(assembly.pocket)}, as far as is known. Return it first.`,
    })
  if (assembly?.heat && assembly.heat.touchAt > work.now && unit.kind === 'cart')
    return fail({
      code: 'HOT',
      text: `${serial} is hot until ${timeText(assembly.heat.touchAt)} at the earliest, computed. Nothing hot goes on a cart.`,
    })
  const there = place.taper === null ? null : assemblyIn(work.db, place.id)
  if (there && there.serial !== serial)
    return fail({ code: 'SLOT_TAKEN', text: `T${there.t ?? '?'} on ${there.serial} stands in ${place.id}. Take another slot.` })
  try {
    inTransaction(work.db, () => {
      if (assembly) placeAssembly(work.db, assembly.id, place.id)
      else updateHolder(work.db, serial, { place: place.id })
      note(work, 'put away', `${unit.name}, ${place.name}`, {
        serial,
        t: assembly?.t ?? null,
        machine: assembly?.machine ?? null,
        before: { place: assembly ? assembly.place : holder.place },
        after: { place: place.id },
      })
    })
  } catch (error) {
    if (isTaken(error)) return fail({ code: 'SLOT_TAKEN', text: `Somebody has just put another tool into ${place.id}.` })
    throw error
  }
  return ok({ text: `${serial} stands in ${unit.name}, ${place.name}` })
}
