import type { LessonRefusals } from '@/stations/lessons/contract'
import type { Sentences } from './sentences'

export const LESSONS: Sentences<LessonRefusals> = {
  LESSON_ENDED: () => 'This lesson has ended. Start another one.',
}
