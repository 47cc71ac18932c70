import { say } from '@/words/screens/load'
/** Safety at the machine, second to its own instructions. */
export const CAUTIONS = [say.neverReachInWhileThe, say.afterwardsFirstApproachSlowly]
export const BY_HAND = say.holdItFromBelow
