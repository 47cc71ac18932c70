import type { ConditionOn } from '@/core/practice'

/** What the sheet of whoever teaches says. */
export const say = {
  practice: 'Practice',
  teach: 'Teaching',
  teachAbout: 'who has learned what, and what is asked of them',
  who: 'Who',
  missed: 'Missed last time',
  andMore: (names: string, more: number) => `${names} and ${more} more`,
  share: (share: number) => `${Math.round(100 * share)} %`,
  conditions: 'Needed before somebody works alone',
  conditionsAbout: 'Passed is whoever told 80 % of a lesson right. Leads are never held up.',
  noConditions: 'Nothing is asked of anybody.',
  condition: (what: ConditionOn, machine: string, lesson: string) =>
    what === 'load' ? `Load, ${machine}: “${lesson}”` : `Heat a holder: “${lesson}”`,
  everyMachine: 'every machine',
  forWhat: 'For',
  forWhats: { load: 'loading', shrink: 'heating a holder' },
  machine: 'Machine',
  lesson: 'Lesson',
  ask: 'Ask for it',
  doNotAsk: 'Ask no more',
  notAsked: 'Not changed.',
  ownLessons: 'Lessons of real tools',
  tools: (count: number) => `${count} tools`,
  takeOff: 'Take it off',
  newLesson: 'Make one',
  newLessonAbout:
    'Choose tools whose cause was found and proved right, and good ones. Only their readings are kept; nobody can see whose they were.',
  noCases: 'There are none yet. They come when somebody says what was wrong with a tool and the next measurement proves it.',
  title: 'What it is called',
  cases: 'Tools of the record',
  caseOf: (cause: string, edge: number | null, edges: number, when: string) =>
    `${cause}${edge === null ? '' : ` (edge ${edge})`}, ${edges} edges, ${when}`,
  make: 'Make the lesson',
  made: (title: string) => `${title}: made.`,
  notMade: 'Not made.',
} as const
