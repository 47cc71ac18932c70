import type { StudyRefusals } from '@/stations/study/contract'
import { listed } from '../size'
import type { Sentences } from './sentences'

export const STUDY: Sentences<StudyRefusals> = {
  UNKNOWN_STUDY: () => 'There is no such study.',
  STUDY_ENDED: ({ name }) => `${name} was ended already.`,
  STUDY_TOOLS: ({ serials }) => `There is no tool to measure on ${listed(serials)}. Choose tools that are outside of machines.`,
}
