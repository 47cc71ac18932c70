import { PRACTICE_NAMES } from '../properties'
import type { PracticeRefusals } from '@/stations/practice/contract'
import type { Sentences } from './sentences'

export const PRACTICE_VALUES: Sentences<PracticeRefusals> = {
  OUT_OF_RANGE: ({ key, min, max, unit }) =>
    `${PRACTICE_NAMES[key][0]} is from ${min} to ${max} ${unit}. Type a value in that range.`,
}
