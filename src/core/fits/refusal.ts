/** What speaks against a pair of parts, a stack or a holder; each says which part and which number. */
import type { ShrinkError } from '../clamp'
import type { Role } from '../tool'

export type Refusal =
  | { readonly code: 'NO_PART'; readonly role: Role }
  | { readonly code: 'OTHER_TYPE'; readonly has: string; readonly needs: string }
  | { readonly code: 'WRONG_TAPER'; readonly has: string; readonly needs: string }
  | { readonly code: 'WRONG_STUD'; readonly stud: string; readonly has: string; readonly needs: string }
  | { readonly code: 'NO_STUD'; readonly coupling: string }
  | { readonly code: 'WRONG_BORE'; readonly hasMm: number; readonly needsMm: number }
  | { readonly code: 'SHANK_TOO_COARSE_HERE'; readonly holder: string; readonly shankClass: string }
  | { readonly code: 'NEEDS_FLAT'; readonly cutter: string }
  | { readonly code: 'FLAT_NOT_HERE'; readonly cutter: string }
  | { readonly code: 'OTHER_COLLET'; readonly has: string; readonly needs: string }
  | { readonly code: 'OTHER_NUT'; readonly has: string; readonly needs: string }
  | { readonly code: 'SHANK_TOO_LARGE'; readonly shankMm: number; readonly largestMm: number }
  | { readonly code: 'SHANK_TOO_SMALL'; readonly shankMm: number; readonly smallestMm: number }
  | { readonly code: 'NOT_THAT_SIZE'; readonly shankMm: number; readonly sizeMm: number }
  | { readonly code: 'TOO_SHALLOW'; readonly depthMm: number; readonly leastMm: number }
  | { readonly code: 'TOO_DEEP'; readonly depthMm: number; readonly greatestMm: number }
  | { readonly code: 'FLUTES_IN_BORE'; readonly byMm: number }
  | { readonly code: 'WRONG_PILOT'; readonly hasMm: number; readonly needsMm: number }
  | { readonly code: 'WRONG_THREAD'; readonly has: string; readonly needs: string }
  | { readonly code: 'WRONG_MODULE'; readonly has: string; readonly needs: string }
  | { readonly code: 'WRONG_SHANK_HEIGHT'; readonly hasMm: number; readonly needsMm: number }
  | { readonly code: 'NOT_FOR_THIS_HOLDER'; readonly holder: string; readonly cutter: string }
  | { readonly code: 'WRONG_SEAT'; readonly insert: string; readonly has: string; readonly needs: string }
  | { readonly code: 'INSERT_COUNT'; readonly has: number; readonly needs: number }
  | { readonly code: 'WRONG_NOSE_RADIUS'; readonly hasMm: number; readonly needsMm: number }
  | { readonly code: 'WRONG_DIAMETER'; readonly hasMm: number; readonly needsMm: number }
  | { readonly code: 'LENGTH_OFF'; readonly wouldMm: number; readonly wantedMm: number }
  | { readonly code: 'REACH_TOO_SHORT'; readonly clearMm: number; readonly reachMm: number; readonly part: string }
  | { readonly code: 'TOO_FAST'; readonly programRpm: number; readonly greatestRpm: number; readonly part: string }
  | { readonly code: 'TORQUE_LOW'; readonly part: string; readonly holdsNm: number; readonly wantedNm: number }
  | { readonly code: 'TOO_LONG'; readonly LF: number; readonly greatestMm: number }
  | { readonly code: 'TOO_HEAVY'; readonly massKg: number; readonly greatestKg: number }
  | { readonly code: 'SHRINK'; readonly error: ShrinkError }
  // of one piece with a serial
  | { readonly code: 'HOLDER_CARRIES_TOOL'; readonly serial: string; readonly t: number | null }
  | { readonly code: 'HOLDER_RETIRED'; readonly serial: string }
  | { readonly code: 'HEATS_USED_UP'; readonly serial: string; readonly heats: number; readonly greatest: number }
  | { readonly code: 'INSPECTION_DUE'; readonly serial: string; readonly since: string }
  | { readonly code: 'STUD_TOO_OLD'; readonly serial: string; readonly since: string }
  | { readonly code: 'STUD_NOT_KNOWN'; readonly serial: string }
  | { readonly code: 'HOLDER_FELL'; readonly serial: string; readonly at: string }
  /** Hot from its last heat; computed, the unit's light comes first. */
  | { readonly code: 'HOLDER_HOT'; readonly serial: string; readonly until: string }
  /** The library has a collet whose size is nearer above the shank. */
  | { readonly code: 'COLLET_NOT_NEAREST'; readonly has: string; readonly better: string }
  // of the stock
  | { readonly code: 'NONE_IN_STOCK'; readonly name: string }

const mm = (value: number) => `${Number(value.toFixed(3))} mm`

export function refusalText(r: Refusal): string {
  switch (r.code) {
    case 'NO_PART':
      return `The parts list names no ${r.role}.`
    case 'OTHER_TYPE':
      return `This is a ${r.has}; the tool is set up for a ${r.needs}.`
    case 'WRONG_TAPER':
      return `Wrong taper: this holder is ${r.has}, the tool needs ${r.needs}.`
    case 'WRONG_STUD':
      return `Pull stud ${r.stud} is ${r.has}, needed is ${r.needs}: a wrong stud drops the tool.`
    case 'NO_STUD':
      return `A ${r.coupling} needs a pull stud, the parts list names none.`
    case 'WRONG_BORE':
      return `Wrong bore: this holder takes ${mm(r.hasMm)}, the shank is ${mm(r.needsMm)}.`
    case 'SHANK_TOO_COARSE_HERE':
      return `A ${r.holder} wants a shank to h6 or better, this one is ${r.shankClass}.`
    case 'NEEDS_FLAT':
      return `A side-lock holder needs a shank with a flat; ${r.cutter} has none.`
    case 'FLAT_NOT_HERE':
      return `${r.cutter} has a flat on its shank: it goes into a side-lock holder, it is not to be shrunk or held by oil.`
    case 'OTHER_COLLET':
      return `Collet ${r.has} does not go into this holder, which takes ${r.needs}.`
    case 'OTHER_NUT':
      return `Nut ${r.has} does not go on this holder, which takes ${r.needs}.`
    case 'SHANK_TOO_LARGE':
      return `The shank of ${mm(r.shankMm)} is larger than the collet (${mm(r.largestMm)}): the collet would be spoiled.`
    case 'SHANK_TOO_SMALL':
      return `The shank of ${mm(r.shankMm)} is too small: this one closes to ${mm(r.smallestMm)}.`
    case 'NOT_THAT_SIZE':
      return `This collet holds exactly ${mm(r.sizeMm)}, the shank is ${mm(r.shankMm)}.`
    case 'TOO_SHALLOW':
      return `The shank would be only ${mm(r.depthMm)} deep; at least ${mm(r.leastMm)} is needed.`
    case 'TOO_DEEP':
      return `The shank would be ${mm(r.depthMm)} deep; there is room for ${mm(r.greatestMm)} before the cutter bottoms.`
    case 'FLUTES_IN_BORE':
      return `The flutes would reach ${mm(r.byMm)} into the bore.`
    case 'WRONG_PILOT':
      return `The arbor's pilot is ${mm(r.hasMm)}, the mill's bore ${mm(r.needsMm)}.`
    case 'WRONG_THREAD':
      return `Thread ${r.has} does not go into ${r.needs}.`
    case 'WRONG_MODULE':
      return `Module ${r.has} does not fit ${r.needs}.`
    case 'WRONG_SHANK_HEIGHT':
      return `The block takes a shank ${mm(r.hasMm)} high, the tool has ${mm(r.needsMm)}.`
    case 'NOT_FOR_THIS_HOLDER':
      return `${r.cutter} cannot be held by a ${r.holder}.`
    case 'WRONG_SEAT':
      return `${r.insert} is for seat size ${r.has}, the pocket is ${r.needs}.`
    case 'INSERT_COUNT':
      return `The parts list names ${r.has} inserts, the body has ${r.needs} pockets.`
    case 'WRONG_NOSE_RADIUS':
      return `The nose radius is ${mm(r.hasMm)}, the tool is set up for ${mm(r.needsMm)}.`
    case 'WRONG_DIAMETER':
      return `The cutter is ${mm(r.hasMm)} in diameter, the tool is set up for ${mm(r.needsMm)}.`
    case 'LENGTH_OFF':
      return `Put together it would be ${mm(r.wouldMm)} long, wanted is ${mm(r.wantedMm)}.`
    case 'REACH_TOO_SHORT':
      return `The job reaches ${mm(r.reachMm)} deep, the ${r.part} is in the way after ${mm(r.clearMm)}.`
    case 'TOO_FAST':
      return `The program turns at ${r.programRpm.toLocaleString('en')} rev/min, the ${r.part} allows ${r.greatestRpm.toLocaleString('en')}.`
    case 'TORQUE_LOW':
      return `The ${r.part} passes on ${r.holdsNm} N·m, the job may ask for ${r.wantedNm}.`
    case 'TOO_LONG':
      return `At ${mm(r.LF)} it is longer than the machine takes (${mm(r.greatestMm)}).`
    case 'TOO_HEAVY':
      return `At ${r.massKg.toFixed(2)} kg it is heavier than the machine's changer carries (${r.greatestKg} kg).`
    case 'SHRINK':
      return shrinkErrorText(r.error)
    case 'HOLDER_CARRIES_TOOL':
      return `Holder ${r.serial} already carries ${r.t === null ? 'a tool' : `T${r.t}`}. Take another holder, or take that tool apart first.`
    case 'HOLDER_RETIRED':
      return `Holder ${r.serial} is retired. Put it aside and take another.`
    case 'HEATS_USED_UP':
      return `Holder ${r.serial} has seen ${r.heats} heats, ${r.greatest} are allowed: it is held back. Put it aside for the lead.`
    case 'INSPECTION_DUE':
      return `Holder ${r.serial} was due for inspection on ${r.since.slice(0, 10)}. Inspect it first, or take another.`
    case 'STUD_TOO_OLD':
      return `The pull stud in ${r.serial} has been in since ${r.since.slice(0, 10)}: replace it first.`
    case 'HOLDER_FELL':
      return `Holder ${r.serial} was dropped on ${r.at.slice(0, 10)}. Inspect it first, or take another.`
    case 'HOLDER_HOT':
      return `Holder ${r.serial} is hot from its last heat. Wait for the unit’s light, or take another.`
    case 'COLLET_NOT_NEAREST':
      return `Take ${r.better} instead of ${r.has}: its size is nearer above the shank.`
    case 'STUD_NOT_KNOWN':
      return `Nobody noted which pull stud is in ${r.serial}. Note it in the library first.`
    case 'NONE_IN_STOCK':
      return `No ${r.name} left in stock. Receive or regrind one first.`
  }
}

export function shrinkErrorText(error: ShrinkError): string {
  switch (error.code) {
    case 'SIZE_NOT_IN_TABLE':
      return `A shank of ${error.nominalMm} mm is outside ISO 286 as far as it is kept here (to 50 mm).`
    case 'SHANK_TOO_COARSE':
      return `A shank to ${error.shankClass} is too coarse to shrink: take h6 or better.`
    case 'NO_INTERFERENCE':
      return `With the smallest shank and the widest bore nothing grips (${(error.leastMm * 1000).toFixed(0)} µm). This pair must not be shrunk.`
    case 'TOO_HOT':
      return `The tightest pair needs ${error.neededC.toFixed(0)} °C; this holder may see ${error.limitC} °C at most.`
    case 'OVERSTRESSED':
      return `The nose would be stressed to ${error.stressMPa.toFixed(0)} N/mm², its limit is ${error.yieldMPa}.`
  }
}
