import type { AtMachineRefusals } from '@/stations/at-machine/contract'
import type { Sentences } from './sentences'

export const AT_MACHINE: Sentences<AtMachineRefusals> = {
  OTHER_ACTIVE: ({ t, active, machine }) =>
    `T${active} is active in ${machine}, not T${t}. Call T${t} at the control first: else the wrong tool gets this value.`,
  ACTIVE_UNSAID: ({ t, machine }) =>
    `${machine} does not tell which tool is active. Look at the control, and confirm that it is T${t}.`,
}
