/** What a control can get wrong while it says that all is well; `none` is the truth. */
export const LIES = [
  'none',
  'changes another row',
  'keeps another value than it reports',
  'reports another value than it keeps',
  'runs twice',
  'runs half',
  'runs nothing',
  'serves an old table',
  'rounds',
  'reports another unit',
  'writes another row',
  'lists it elsewhere',
  'turns to another pocket',
  'cuts its answer',
  'answers late',
  'answers twice',
  'answers nothing',
  'answers for another machine',
  'changes after it was looked at',
] as const
export type Lie = (typeof LIES)[number]
