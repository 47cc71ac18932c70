import type { BuildRefusals } from '@/stations/build/contract'
import { unitErrorText } from '../devices'
import { fitsText } from '../fits'
import { temperatureText } from '../quantity'
import { listed } from '../size'
import type { Sentences } from './sentences'

export const BUILD: Sentences<BuildRefusals> = {
  BEING_BUILT: ({ serial, by }) =>
    by
      ? `${by.who} is building T${by.t} for ${by.job} on ${serial}. Take another holder.`
      : `Somebody has just started a tool on ${serial}. Take another holder.`,
  BUILD_NOT_BEGUN: ({ serial }) => `No tool is being built on ${serial}.`,
  UNKNOWN_TYPE: ({ serial }) => `Only the taper of holder ${serial} is known. Enter its type in the library first.`,
  NOT_AN_EXTENSION: ({ serial, is }) => `${serial} is not an extension for this tool${is ? `. It is a ${is}` : ''}.`,
  EXTENSION_NOT_FREE: ({ serial, retired }) => `${serial} is ${retired ? 'retired' : 'in another tool'}. Take another one.`,
  NO_EXTENSION: ({ name }) => `Scan the ${name} in this tool: its heat cycles are counted.`,
  STEPS_LEFT: ({ steps }) =>
    `Not done yet: ${listed(steps.map((s) => s.toLowerCase()))}. Confirm ${steps.length === 1 ? 'it' : 'them'}, then scan the holder again.`,
  NOT_SHRUNK: ({ serial, now }) =>
    now ? `No cutter is being heated out of ${serial}.` : `The cutter on ${serial} is not shrunk in. It needs no heat.`,
  SHRINK_NOT_BEGUN: ({ serial }) => `No tool is being shrunk on ${serial}.`,
  COIL_NOT_CONFIRMED: () => 'Check the position of the coil and confirm it before heating.',
  HEATED: ({ out }) =>
    out
      ? 'It has been heated already. Cool it fully, then take it apart.'
      : 'It has been heated already. Cool it fully. Never heat a warm nose again.',
  STILL_HEATING: () => 'It is still heating. The unit stops by itself.',
  JOINT_WARM: ({ joint }) => `${joint} is still warm from its last heat. One heat, then cool it fully.`,
  TOO_COLD: ({ noseC, leastC }, _unit, units) =>
    `The bore is too small again: ${temperatureText(noseC, units)}, it needs ${temperatureText(leastC, units)}. Cool it fully and start over.`,
  BODY_HOT: ({ body }) => `The light of cooling body ${body} says hot. Wait for it: hot metal looks like cold metal.`,
  SHRINK_UNIT: ({ error }, _unit, units) => unitErrorText(error, units),
  HEAT_LIMIT: ({ reasonMissing, leadFor }, _unit, units) =>
    `${leadFor.map((r) => fitsText(r, units)).join(' ')} ${reasonMissing ? 'Say why it is heated all the same.' : 'Only a lead can allow it.'}`,
  NEEDS_HEAT: () => 'A shrunk cutter comes out hot only. Heat it out first.',
  NOT_WORN: ({ serial }) => `${serial} is neither worn nor broken.`,
  PART_LEFT: ({ count, name, said }) => `Say where ${count} × ${name} ${count === 1 ? 'goes' : 'go'}. Said so far: ${said}.`,
  NO_STEPS: () => 'A build needs at least one step.',
  STEP_TWICE: ({ id }) => `Two steps have the short name ${id}. Give each its own.`,
  UNKNOWN_CONFIRM: ({ step, confirm }) => `${step}: a step cannot be confirmed by “${confirm}”.`,
}
