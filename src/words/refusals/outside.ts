import type { OutsideRefusals } from '@/stations/outside/contract'
import type { Sentences } from './sentences'

export const OUTSIDE: Sentences<OutsideRefusals> = {
  UNKNOWN_HOOK: () => 'This web hook was ended already.',
}
