/** What is wrong with a pair of parts, a set-up or a holder. */
import { KIND_LABELS } from './properties'
import type { ShrinkError } from '@/core/clamp'
import type { Refusal } from '@/core/fits'
import type { LengthUnit, Units } from '@/core/units'
import { gripText, massLimitText, massText, temperatureText } from './quantity'
import { nominal, small } from './size'
import { dayText } from './time'

const rpm = (n: number) => `${n.toLocaleString('en')} rev/min`

// eslint-disable-next-line max-lines-per-function -- one sentence a code
export function fitsText(r: Refusal, units: Units): string {
  const unit = units.length
  const mm = (value: number) => nominal(value, unit)
  switch (r.code) {
    case 'NO_PART':
      return `The parts list has no ${r.role}.`
    case 'OTHER_TYPE':
      return `This is a ${r.has}. The tool needs a ${r.needs}.`
    case 'WRONG_TAPER':
      return `Wrong taper: this holder is ${r.has}, the tool needs ${r.needs}.`
    case 'WRONG_STUD':
      return `Pull stud ${r.stud} is ${r.has}, needed is ${r.needs}. The wrong stud drops the tool.`
    case 'NO_STUD':
      return `${r.coupling} needs a pull stud. The parts list has none.`
    case 'WRONG_BORE':
      return `Wrong bore: this holder takes ${mm(r.hasMm)}, the shank is ${mm(r.needsMm)}.`
    case 'SHANK_TOO_COARSE_HERE':
      return `A ${KIND_LABELS[r.holder]} needs a shank to h6 or better. This one is ${r.shankClass}.`
    case 'NEEDS_FLAT':
      return `A side-lock holder needs a shank with a flat. ${r.cutter} has none.`
    case 'FLAT_NOT_HERE':
      return `${r.cutter} has a flat on its shank. Use a side-lock holder for it.`
    case 'OTHER_COLLET':
      return `Collet ${r.has} does not fit this holder. It takes ${r.needs}.`
    case 'OTHER_NUT':
      return `Nut ${r.has} does not fit this holder. It takes ${r.needs}.`
    case 'SHANK_TOO_LARGE':
      return `The shank of ${mm(r.shankMm)} is larger than the collet (${mm(r.largestMm)}). It would ruin the collet.`
    case 'SHANK_TOO_SMALL':
      return `The shank of ${mm(r.shankMm)} is too small. This collet closes to ${mm(r.smallestMm)}.`
    case 'NOT_THAT_SIZE':
      return `This collet holds ${mm(r.sizeMm)} only. The shank is ${mm(r.shankMm)}.`
    case 'TOO_SHALLOW':
      return `The shank would be only ${mm(r.depthMm)} deep. It needs at least ${mm(r.leastMm)}.`
    case 'TOO_DEEP':
      return `The shank would be ${mm(r.depthMm)} deep. There is room for ${mm(r.greatestMm)}.`
    case 'FLUTES_IN_BORE':
      return `The flutes would be ${mm(r.byMm)} inside the bore.`
    case 'WRONG_PILOT':
      return `The arbor’s pilot is ${mm(r.hasMm)}, the bore of the mill ${mm(r.needsMm)}.`
    case 'WRONG_THREAD':
      return `Thread ${r.has} does not fit ${r.needs}.`
    case 'WRONG_MODULE':
      return `Module ${r.has} does not fit ${r.needs}.`
    case 'WRONG_SHANK_HEIGHT':
      return `The block takes a shank ${mm(r.hasMm)} high. The tool has ${mm(r.needsMm)}.`
    case 'NOT_FOR_THIS_HOLDER':
      return `A ${KIND_LABELS[r.holder]} cannot hold ${r.cutter}.`
    case 'WRONG_SEAT':
      return `${r.insert} has seat size ${r.has}. The pocket needs ${r.needs}.`
    case 'INSERT_COUNT':
      return `The parts list has ${r.has} inserts. The body has ${r.needs} pockets.`
    case 'WRONG_NOSE_RADIUS':
      return `The nose radius is ${mm(r.hasMm)}. The tool needs ${mm(r.needsMm)}.`
    case 'WRONG_DIAMETER':
      return `The cutter has a diameter of ${mm(r.hasMm)}. The tool needs ${mm(r.needsMm)}.`
    case 'LENGTH_OFF':
      return `Assembled it would be ${mm(r.wouldMm)} long. It must be ${mm(r.wantedMm)}.`
    case 'REACH_TOO_SHORT':
      return `The job needs a reach of ${mm(r.reachMm)}. The ${r.part} touches after ${mm(r.clearMm)}.`
    case 'TOO_FAST':
      return `The program runs at ${rpm(r.programRpm)}. The ${r.part} allows ${rpm(r.greatestRpm)}.`
    case 'TORQUE_LOW':
      return `The ${r.part} holds ${gripText(r.holdsNm, units)}. The job may need ${gripText(r.wantedNm, units)}.`
    case 'TOO_LONG':
      return `It is ${mm(r.LF)} long. The machine takes ${mm(r.greatestMm)}.`
    case 'TOO_HEAVY':
      return `It weighs ${massText(r.massKg, units)}. The changer carries ${massLimitText(r.greatestKg, units)}.`
    case 'SHRINK':
      return shrinkText(r.error, unit, units)
    case 'HOLDER_CARRIES_TOOL':
      return `There is ${r.t === null ? 'a tool' : `T${r.t}`} on holder ${r.serial} already. Take another holder, or take that tool apart first.`
    case 'HOLDER_RETIRED':
      return `Holder ${r.serial} is retired. Put it aside and take another one.`
    case 'HEATS_USED_UP':
      return `Holder ${r.serial} has ${r.heats} heat cycles of ${r.greatest}. Put it aside for the lead.`
    case 'INSPECTION_DUE':
      return `Holder ${r.serial} was due for inspection on ${dayText(r.since)}. Inspect it first, or take another one.`
    case 'STUD_TOO_OLD':
      return `The pull stud in ${r.serial} has been in since ${dayText(r.since)}. Replace it first.`
    case 'HOLDER_FELL':
      return `Holder ${r.serial} was dropped on ${dayText(r.at)}. Inspect it first, or take another one.`
    case 'HOLDER_HOT':
      return `Holder ${r.serial} is hot from its last heat. Wait for the unit’s light, or take another one.`
    case 'COLLET_NOT_NEAREST':
      return `Take ${r.better} instead of ${r.has}: it is the nearest size above the shank.`
    case 'STUD_NOT_KNOWN':
      return `The pull stud in ${r.serial} is not on record. Enter it in the library first.`
    case 'NONE_IN_STOCK':
      return `No ${r.name} in stock. Receive or regrind one first.`
  }
}

export function shrinkText(error: ShrinkError, unit: LengthUnit, units: Units): string {
  switch (error.code) {
    case 'SIZE_NOT_IN_TABLE':
      return `A shank of ${nominal(error.nominalMm, unit)} is outside the ISO 286 table here (up to ${nominal(50, unit)}).`
    case 'SHANK_TOO_COARSE':
      return `A shank to ${error.shankClass} is too coarse to shrink. Take h6 or better.`
    case 'NO_INTERFERENCE':
      return `The smallest shank in the widest bore has no grip (${small(error.leastMm, unit)}). Do not shrink this pair.`
    case 'TOO_HOT':
      return `The tightest pair needs ${temperatureText(error.neededC, units)}. The holder limit is ${temperatureText(error.limitC, units)}.`
    case 'OVERSTRESSED':
      return `The stress in the nose would be ${error.stressMPa.toFixed(0)} N/mm². Its limit is ${error.yieldMPa} N/mm².`
  }
}
