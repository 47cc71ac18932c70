import { say } from '@/words/screens/load'
/** Safety at the machine, second to its own instructions. */
export const CAUTIONS = [say.neverReachInWhileThe, say.afterwardsFirstApproachSlowly]
export const BY_HAND =
  'Hold it from below by its holder. After the change, cycle start may drive to the work position. What was in the spindle must be put away first; call a tool afterwards and watch the old one go home.'
