import type { BoreRefusals } from '@/stations/bore/contract'
import { sized } from '../size'
import type { Sentences } from './sentences'

export const BORE: Sentences<BoreRefusals> = {
  NO_HEAD: ({ serial }) => `${serial} has no adjustable head. There is no dial to set.`,
  HEAD_UNKNOWN: ({ part }) =>
    `The library does not say what head ${part} cuts at dial zero. Enter it there, with its smallest and largest diameter.`,
  DIAL: ({ fault }, unit) =>
    fault.code === 'OUT_OF_RANGE'
      ? `The head bores ${sized(fault.min, unit)} to ${sized(fault.max, unit)}. It cannot bore ${sized(fault.wouldMm, unit)}.`
      : `The dial would have to stand ${sized(-fault.dialMm, unit)} below zero. Take a smaller head, or an insert with a larger nose radius.`,
  BORE_FIRST: () => 'Measure the bore of the last setting first, and enter it.',
  NO_SETTING: () => 'No setting is waiting for its bore. Set the dial first.',
  FAR_BORE: ({ boreMm, expectedMm }, unit) =>
    `A bore of ${sized(boreMm, unit)} is far from the ${sized(expectedMm, unit)} that was expected. Enter the diameter, not the radius, and check the dial.`,
}
