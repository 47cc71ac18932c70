import type { AtMachineRefusals } from '@/stations/at-machine/contract'
import type { Sentences } from './sentences'

export const AT_MACHINE: Sentences<AtMachineRefusals> = {
  OTHER_ACTIVE: ({ t, active, machine }) =>
    `T${active} is active in ${machine}, not T${t}. Call T${t} at the control first: else the wrong tool gets this value.`,
  NOT_IN_MACHINE: ({ serial }) => `${serial} is not in a machine. Change its insert at the bench, and measure it.`,
  EDGE_IN_USE: ({ t, program }) =>
    `${program} is running and uses ${t === null ? 'this tool' : `T${t}`}. Wait until it has ended.`,
  NO_STATION: ({ machine, station, stations }) =>
    stations === null ? `${machine} has no turret.` : `${machine} has ${stations} stations. There is no station ${station}.`,
  STATION_OUT: ({ serials, station }) =>
    `${serials.join(', ')} ${serials.length === 1 ? 'is' : 'are'} handed over for station ${station}. Take the hand-over back first, then hand it over again.`,
  NO_APPROACH: () => 'The tool must come from farther off than it may change. Move the clearance away from the setter.',
  CHECK_WRONG: ({ stopped }) =>
    stopped
      ? 'The control stopped this block with a good tool. It is not given out.'
      : 'The control went on with a tool that is worn out. This block is not given out.',
  NO_INSERT: ({ serial }) => `${serial} has no inserts.`,
  NO_SUCH_EDGE: ({ edge, edges }) =>
    edges === 1 ? 'This insert has one edge only.' : `This insert has ${edges} edges. There is no edge ${edge}.`,
  COARSE_INSERT: ({ insertClass }) =>
    `An insert of class ${insertClass} can move the tip by a tenth of a millimetre and more. Probe the tool, or take it out and measure it.`,
  NOT_ZEROED: ({ held, register, number }) =>
    `Offset ${number} still has ${held ?? 'nothing'} as ${register}. Look at the control before the machine is started.`,
  ACTIVE_UNSAID: ({ t, machine }) =>
    `${machine} does not tell which tool is active. Look at the control, and confirm that it is T${t}.`,
}
