import 'server-only'
import type { Shop } from '@/runtime'
import { planterOf } from '@/runtime/plant'
import { plantLesson } from '@/stations/lessons/plant'
import type { RoomRun } from '@/stations/lessons/room'
import { PLANT_WORDS } from '@/words/lessons'

/** Puts into a new practice room what its lesson is about. */
export const plantRoom = (room: Shop, run: RoomRun): Promise<void> =>
  plantLesson(
    {
      db: room.db,
      now: () => room.clock.now(),
      control: room.control,
      planter: planterOf(room),
      words: PLANT_WORDS,
    },
    run,
  )
