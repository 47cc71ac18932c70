'use server'
import { randomInt } from 'node:crypto'
import { fail } from '@/core/units'
import { clearRoom, isPracticeReady } from '@/runtime'
import * as lessons from '@/stations/lessons/contract'
import { endLesson, sayFault } from '@/stations/lessons/lessons'
import { startRoom, stepDone } from '@/stations/lessons/room'
import { defineAction } from '../../_server/action'
import { practiceAt } from '../../_server/practice'

export const startRoomAction = defineAction(lessons.startRoom, async (work, { lesson }, { sessionId }) => {
  if (!isPracticeReady()) return fail({ code: 'ROOM_NOT_READY' })
  const begun = startRoom(work, lesson, randomInt(1, 2 ** 30))
  // made ready while somebody still looks at the button, not at the first page of the room
  if (begun.ok) await practiceAt(sessionId)
  return begun
})
export const sayThingAction = defineAction(lessons.sayFault, (work, given) => sayFault(work, given))
export const stepDoneAction = defineAction(lessons.stepDone, (work, given) => stepDone(work, given))
export const endRoomAction = defineAction(lessons.endRoom, async (work, { run }) => {
  const ended = endLesson(work, run)
  if (ended.ok) await clearRoom(run)
  return ended
})
