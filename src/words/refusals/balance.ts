import type { CalibrationFault, SpinFault } from '@/core/balance'
import type { BalanceRefusals } from '@/stations/balance/contract'
import { badBalanceText, massText, speedText } from '../balance'
import { spindleErrorText } from '../devices'
import { dayText, timeText } from '../time'
import type { Sentences } from './sentences'

function spinText(fault: SpinFault): string {
  switch (fault.code) {
    case 'FEW_TURNS':
      return `Only ${fault.turns} turns were counted, ${fault.wanted} are needed. Check the mark sensor and run it again.`
    case 'UNEVEN_SPEED':
      return `The speed changed by ${fault.percent.toFixed(0)} % during the run. Check the drive and the mark sensor, then run it again.`
    case 'NEAR_MAINS':
      return `At ${speedText(fault.rpm)} the spindle turns in step with the mains (${fault.hz} Hz). Choose another speed.`
    case 'CLIPPED':
      return `Sensor ${fault.sensor + 1} was at its limit. The tool is too far out of balance to be run at this speed: correct it roughly first, or run it slower.`
    case 'SENSOR_DEAD':
      return `Sensor ${fault.sensor + 1} gave no signal. Check its cable.`
  }
}

const calibrationText = (fault: CalibrationFault): string =>
  fault.code === 'NO_ANSWER'
    ? `The mass in the ${fault.plane === 0 ? 'back' : 'front'} plane changed nothing. Check that it is in, and calibrate again.`
    : 'The two planes cannot be told apart. Check that each mass was in its own plane, and calibrate again.'

export const BALANCE: Sentences<BalanceRefusals> = {
  BAD_BALANCE: ({ why }) => badBalanceText(why),
  SPINDLE: ({ error }) => spindleErrorText(error),
  SPINDLE_ADAPTER: ({ has, needs }) =>
    `The tool is ${needs}, the balancing spindle has an adapter for ${has}. Change the adapter, then calibrate.`,
  NOT_CALIBRATED: ({ coupling, since }) =>
    since === null
      ? `The balancing spindle was never calibrated for ${coupling}. Calibrate it with the rotor first.`
      : `The calibration of ${dayText(since)} is too old. Calibrate with the rotor again.`,
  CALIBRATION: ({ fault }) => calibrationText(fault),
  SPIN: ({ fault }) => spinText(fault),
  NO_GRADE: () => 'Neither the tool nor a program says at what speed it runs. Type grade and speed.',
  NO_WEIGHT: () => 'The weight of the tool is missing. Enter the mass of its parts in the library.',
  ABOVE_WEAKEST: ({ rpm, most, part }) => `${speedText(rpm)} is more than ${part} can take: ${speedText(most)} at most.`,
  STILL_WARM: ({ until }) => `The tool is still warm. It can be balanced from ${timeText(until)}.`,
  SET_FIRST: ({ serial }) => `${serial} is adjustable. Set and measure it first: its slide moves mass.`,
  BROKEN_TOOL: ({ serial }) => `${serial} is worn or broken. Change the cutter first.`,
  OTHER_RUN: () => 'The spindle has run with another tool, or at the other seat, since. Start the run again.',
  NOT_BALANCED: ({ serial }) => `${serial} has not been run at both seats yet.`,
  NOTHING_TO_CORRECT: ({ serial }) => `There is no correction to choose for ${serial}. Run it at both seats first.`,
  FIT_UNDER_WAY: ({ left }) =>
    left === 1
      ? 'One step of the correction is left. Finish it first.'
      : `${left} steps of the correction are left. Finish them first.`,
  NO_SCREW: ({ massG }) =>
    `There is no ${massText(massG)} screw in the drawer. Compute the correction again, or count the drawer.`,
}
