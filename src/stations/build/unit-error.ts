import type { UnitError } from '@/devices/shrink/port'

export function unitErrorText(error: UnitError): string {
  switch (error.code) {
    case 'BUSY':
      return `${error.serial} is in the coil. Set it into a cooling body first.`
    case 'UNKNOWN_COIL':
      return `The unit has no coil position ${error.coil}. It has ${error.coils.join(', ')}.`
    case 'ABOVE_LIMIT':
      return `${Math.round(error.targetC)} °C is above the holder limit ${error.greatestC} °C.`
    case 'STILL_WARM':
      return `${error.serial} is still at ${Math.round(error.noseC)} °C. One heat, then cool fully. Never a second heat on a warm nose.`
    case 'BODY_TAKEN':
      return `${error.serial} is cooling in body ${error.body}. Take a free one.`
    case 'NOT_IN_COIL':
      return `${error.serial} is not in the coil.`
    case 'UNREACHABLE':
      return 'The shrink unit does not answer. Check that it is switched on and connected.'
  }
}
