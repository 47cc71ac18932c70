import type { TeachingRefusals } from '@/stations/teaching/contract'
import { lessonTitle } from '../lessons'
import type { Sentences } from './sentences'

export const TEACHING: Sentences<TeachingRefusals> = {
  LESSON_FIRST: ({ what, machine, lesson, title }) => {
    const first = `Pass the lesson “${lessonTitle({ key: lesson, title })}” first, under Practice, or ask a lead.`
    if (what === 'shrink') return `You may not heat a holder alone yet. ${first}`
    return `You may not load ${machine === null ? 'a machine' : machine} alone yet. ${first}`
  },
  UNKNOWN_LESSON: () => 'There is no such lesson any more.',
  CONDITION_EXISTS: () => 'This lesson is asked for already.',
  CONDITION_GONE: () => 'Nobody asks for this lesson any more. Load the page again.',
  NO_GOOD_CASE: () => 'Choose at least one good tool as well, so that nobody learns to find fault with everything.',
  NO_CASE: () => 'One of these tools can no longer be learned from. Load the page again.',
}
