import type { LessonRefusals } from '@/stations/lessons/contract'
import type { Sentences } from './sentences'

export const LESSONS: Sentences<LessonRefusals> = {
  LESSON_ENDED: () => 'This lesson has ended. Start another one.',
  LESSON_RUNS: () => 'A lesson of yours is still running. End it first.',
  NO_LESSON: () => 'No lesson of yours is running. Start one under Practice.',
  ROOM_NOT_READY: () => 'The practice room is still being set up. Try again in a minute.',
  NOT_IN_PRACTICE: () => 'This belongs to the shop itself. Leave the practice room to change it.',
}
