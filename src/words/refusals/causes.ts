import type { CauseRefusals } from '@/stations/causes/contract'
import { badCaseText } from '../causes'
import type { Sentences } from './sentences'

export const CAUSES: Sentences<CauseRefusals> = {
  BAD_CASE: ({ bad }) => badCaseText(bad),
  CAUSE_SETTLED: () => 'The tool was measured again since. Look at its new values first.',
}
