import type { Ask } from '@/stations/contract'
import type * as lessons from '@/stations/lessons/contract'

export interface RoomActs {
  readonly start: Ask<typeof lessons.startRoom>
  readonly say: Ask<typeof lessons.sayFault>
  readonly end: Ask<typeof lessons.endRoom>
}
