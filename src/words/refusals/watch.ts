import type { WatchRefusals } from '@/stations/watch/contract'
import type { Sentences } from './sentences'

export const WATCH: Sentences<WatchRefusals> = {
  WATCH_SETTLED: () => 'Somebody settled this difference already, or it is no longer there. Read the table again.',
  NOT_WEAR: () => 'Only a corrected length, radius or diameter can be wear.',
}
