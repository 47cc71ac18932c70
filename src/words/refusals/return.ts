import { pocketText } from '../pocket'
import { SPINDLE } from '@/core/tool'
import type { ReturnRefusals } from '@/stations/return/contract'
import type { Sentences } from './sentences'

export const RETURN: Sentences<ReturnRefusals> = {
  NOT_LOADED: ({ serial }) => `${serial} is in no machine. There is nothing to unload.`,
  NOT_EMPTY: ({ held, register, number }) =>
    `Offset ${number} is not empty: the control holds ${held ?? 'nothing'} as ${register}. Check its table before you run anything.`,
  STILL_IN: ({ pocket }) =>
    pocket === SPINDLE
      ? 'There is still something clamped in the spindle. Take it out first.'
      : `The switch still reports a tool in pocket ${pocket}. Take it out first, then scan it.`,
  OTHER_POCKET: ({ serial, pocket, atDoor }) =>
    `Pocket ${atDoor} is at the loading place. ${serial} is in pocket ${pocket}. Turn to pocket ${pocket}, or check which tool was taken out.`,
  IN_USE: ({ t, program }) =>
    program === null
      ? `T${t} is in the spindle by the control’s list. Call another tool first.`
      : `${program} is running and uses T${t}. Do not unload it now.`,
  HANDOVER_OLD: () => 'Its hand-over is out of date. Measure it again.',
  WEAR_UNSAID: () => 'Its wear was corrected in the machine. Say whether the wear goes along, or measure it again.',
  NO_NEXT_MACHINE: () => 'Choose the machine it goes to.',
  NEXT_TAPER: ({ has, machine, needs }) => `Wrong taper: the tool is ${has}, ${machine} takes ${needs}.`,
  STILL_LISTED: ({ t, pocket }) => `The control still lists T${t} in ${pocketText(pocket)}. Check its list.`,
}
