import { fail, type Result } from '@/core/units'
import { assemblyIn, getAssembly } from '@/db/assembly/read'
import { placeAssembly } from '@/db/assembly/write'
import { getHolder } from '@/db/library/read'
import { updateHolder } from '@/db/library/write'
import { getPlace, getUnit } from '@/db/store/read'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'

/** Puts a complete tool, or a free holder, into a place by scan of both: any free slot of its taper. Hot tools go on no cart. */
export function putIntoPlace(work: Work, serial: string, placeId: string): Result<{ text: string }, Refusal> {
  const holder = getHolder(work.db, serial)
  if (!holder) return fail({ code: 'UNKNOWN_HOLDER', serial })
  const place = getPlace(work.db, placeId)
  const unit = place && getUnit(work.db, place.unit)
  if (!place || !unit) return fail({ code: 'UNKNOWN_PLACE', place: placeId })
  if (place.taper !== null && place.taper !== holder.coupling)
    return fail({ code: 'WRONG_SLOT', place: place.id, takes: place.taper, has: holder.coupling })
  const assembly = getAssembly(work.db, serial)
  if (assembly?.state === 'loaded')
    return fail({ code: 'STILL_IN_MACHINE', serial, machine: assembly.machine ?? '', pocket: assembly.pocket })
  if (assembly?.heat && assembly.heat.touchAt > work.now && unit.kind === 'cart')
    return fail({ code: 'TOOL_HOT', serial, until: assembly.heat.touchAt })
  const there = place.taper === null ? null : assemblyIn(work.db, place.id)
  if (there && there.serial !== serial)
    return fail({ code: 'SLOT_TAKEN', place: place.id, by: { t: there.t, serial: there.serial } })
  const noted = {
    entry: { code: 'PUT_AWAY', unit: unit.name, place: place.name },
    serial,
    t: assembly?.t,
    machine: assembly?.machine,
    before: { place: assembly ? assembly.place : holder.place },
    after: { place: place.id },
  } as const
  return write(
    work,
    noted,
    (tx) => {
      if (assembly) placeAssembly(tx.db, assembly.id, place.id)
      else must(updateHolder(tx.db, holder, { place: place.id }), { code: 'CHANGED', what: 'holder', serial })
      return { text: `${serial} stands in ${unit.name}, ${place.name}` }
    },
    { code: 'SLOT_TAKEN', place: place.id, by: null },
  )
}
