import type { RoomLesson } from '@/core/practice'
import { LESSON_WORDS } from './lessons'
import { TRIES } from './tries'

/**
 * What each screen is for, which scans it takes, and what to be careful with: told under `?`. Cautions are short, and second to the unit's
 * instructions, the shop's rules and qualified people.
 */

export interface Help {
  /** The screen: its address, and all that is below it, where nothing longer fits. */
  readonly path: string
  readonly name: string
  /** What it is for, in three sentences at most. */
  readonly about: readonly string[]
  /** What may be scanned here, and what happens then. */
  readonly scans?: readonly (readonly [scan: string, does: string])[]
  readonly cautions?: readonly string[]
}

const SPINDLE = [
  'Spindle and carriage move by themselves. Keep hands, sleeves and rags clear.',
  'Wipe only with the spindle stopped. No gloves near it while it turns.',
  'Wear eye protection when you blow with air.',
] as const
const SHRINK = [
  'Hot metal looks like cold metal. Wear gloves with cuffs, hold the cutter by its shank or guard.',
  'Keep solvent and oily rags away from the coil. Never quench by hand.',
  'Take off rings and watches. People with an implant keep away from the coil.',
] as const
const MACHINE = [
  'Never reach in while the magazine can turn.',
  'Lift heavy tools with a lift. Keep edges capped.',
  'Afterwards approach slowly, in single block, and watch the distance to go.',
] as const

export const HELP: readonly Help[] = [
  {
    path: '/kit',
    name: 'Kit',
    about: [
      'A job is an NC program and a date.',
      'Here you see which tools it needs, which are ready, and which have to be built.',
      'Fetch complete tools first, then the parts for the rest.',
    ],
    scans: [
      ['job', 'opens its tool list'],
      ['part or place', 'shows what is there'],
      ['holder', 'opens the tool on it'],
    ],
    cautions: ['Heavy tools low on the cart, taper down, nothing hot on it.'],
  },
  {
    path: '/kit/carts',
    name: 'Carts',
    about: ['Which tool is in which slot of a cart or rack.', 'A cart is ready to go out when nothing of its job is missing.'],
    scans: [['slot, then holder', 'puts the tool into that slot']],
    cautions: ['Heavy tools low on the cart, taper down, nothing hot on it.'],
  },
  {
    path: '/kit/now',
    name: 'Rush',
    about: ['A tool broke and its machine waits.', 'Scan the broken one: its sister tool then comes first everywhere.'],
    scans: [['holder or label of the broken tool', 'reports it broken, after you confirm']],
  },
  {
    path: '/build',
    name: 'Build',
    about: [
      'Put holder, cutter and what joins them together, step by step.',
      'Boulder computes the stop, the heat, the torque and what speaks against a part.',
      'Somebody else can go on with a build that you left.',
    ],
    scans: [
      ['holder', 'begins the build, or ends it after the last step'],
      ['part', 'is compared with the parts list'],
    ],
    cautions: SHRINK,
  },
  {
    path: '/measure',
    name: 'Measure',
    about: [
      'Clean the tool, clamp it, and measure every edge.',
      'A tool is in tolerance only when it is inside by more than the uncertainty.',
      'Scan the mark on the holder before you measure and again to save.',
    ],
    scans: [['mark on the clamped holder', 'opens the tool, and saves what was measured']],
    cautions: SPINDLE,
  },
  {
    path: '/measure/masters',
    name: 'Master check',
    about: [
      'Measure the setting master once a shift and after every change of adapter.',
      'Boulder then knows the zero of the bench, and holds back measurements without it.',
    ],
    scans: [
      ['adapter', 'says which one is on the spindle'],
      ['setting master', 'begins the check'],
    ],
    cautions: SPINDLE,
  },
  {
    path: '/measure/programs',
    name: 'Measuring routines',
    about: [
      'What is measured on a tool, where, and within which limits.',
      'Change it at the bench and try it on a tool before you save it.',
    ],
    cautions: SPINDLE,
  },
  {
    path: '/balance',
    name: 'Balance',
    about: [
      'Measure the whole tool, once as it is and once turned by 180° in the spindle.',
      'Boulder says which screw, ring or hole leaves the least unbalance.',
      'Measure again after every correction.',
    ],
    scans: [['holder', 'opens the tool']],
    cautions: ['Shut the guard, take keys out, lock every screw and ring.', 'Never run faster than the weakest part allows.'],
  },
  {
    path: '/hand-over',
    name: 'Hand over',
    about: [
      'Freeze what was measured and hand it to a machine: by label, tag, post file or network.',
      'The control’s own reader tries the file first. A value that differs stops it.',
    ],
    scans: [['mark on the holder', 'releases the tool that is in front of you']],
  },
  {
    path: '/load',
    name: 'Load',
    about: [
      'Put a tool into its machine and write its offsets.',
      'Boulder checks tool, taper, job, balance, size and pocket before anything is written.',
      'Offsets are read back and compared.',
    ],
    scans: [
      ['machine, holder, label', 'in any order'],
      ['the label alone', 'does not prove which tool hangs under it'],
    ],
    cautions: MACHINE,
  },
  {
    path: '/return',
    name: 'Return',
    about: [
      'Take a tool out, keep its wear and the minutes it cut.',
      'Its offsets are emptied to the machine’s safe state and read back.',
      'Choose what is next: use it again, measure it again, take it apart.',
    ],
    scans: [['holder', 'opens the tool in its machine']],
    cautions: MACHINE,
  },
  {
    path: '/plan',
    name: 'Plan',
    about: [
      'What the tool room does today, in which order, and which machine would wait.',
      'Minutes come from this shop’s own record once there are ten of a kind.',
    ],
  },
  {
    path: '/plan/magazine',
    name: 'Magazine',
    about: ['Which tools stay, come and go for a machine’s next jobs.', 'Another order of the jobs may need fewer tools put in.'],
    cautions: MACHINE,
  },
  {
    path: '/plan/what-if',
    name: 'What if',
    about: ['See the day with one person more, a machine later, a part that comes or a broken tool.', 'Nothing of it is saved.'],
  },
  {
    path: '/library',
    name: 'Library',
    about: [
      'Parts, tools, holders and the store: one copy of everything, for everybody.',
      'For each part you see what uses it and what used it.',
    ],
    scans: [['part, holder or place', 'opens its page']],
  },
  {
    path: '/tools',
    name: 'Tool page',
    about: [
      'Everything about one tool: drawing, values, where it is, its history.',
      'It says what would be refused and why, and what is most likely wrong with it.',
    ],
    scans: [['any holder', 'opens that tool']],
  },
  {
    path: '/records',
    name: 'Records',
    about: [
      'Everything that happened, with date, person, old and new value.',
      'It is only added to, and chained so that a change would show.',
    ],
  },
  {
    path: '/records/quality',
    name: 'Quality',
    about: [
      'How far set lengths and diameters scatter against what was wanted.',
      'A limit that is never needed, or never kept, is named.',
    ],
  },
  {
    path: '/records/wear',
    name: 'Wear',
    about: [
      'How tools that were measured again have changed while they cut.',
      'A new insert, an adjustment or a fall begins a new life.',
    ],
  },
  {
    path: '/records/returns',
    name: 'Returned',
    about: ['What came back broken, longer or early, and how much of its life it reached.'],
  },
  {
    path: '/records/learned',
    name: 'Learned',
    about: ['Minutes by step, shrink stops and drift of the bench, from this shop’s own record.'],
  },
  {
    path: '/records/study',
    name: 'Bench study',
    about: [
      'Find out whether the bench repeats and whether people agree.',
      'Whoever measures does not see what others found until all readings are there.',
    ],
    cautions: SPINDLE,
  },
  {
    path: '/records/that-day',
    name: 'That day',
    about: ['Which tools were in a machine at any moment, with their values, and what changed since.'],
  },
  {
    path: '/records/watch',
    name: 'Table watch',
    about: [
      'Each control’s table is compared with what was handed over.',
      'Correct a difference at the machine, save it as wear, or a lead lets it stay.',
      'An open difference stops loads of a job that needs the tool.',
    ],
  },
  {
    path: '/records/worth',
    name: 'Worth',
    about: [
      'Minutes of machine stop by method, what was refused most often, and what it is worth.',
      'Every figure can be changed.',
    ],
  },
  {
    path: '/practice',
    name: 'Practice',
    about: ['Try things without breaking anything.', 'Nothing here reaches a real machine, record or stock.'],
  },
  {
    path: '/practice/lessons',
    name: 'Practice room',
    about: [
      'A tool room of its own, made for one lesson and thrown away after it.',
      'Look at each thing on the usual screens, then say here what is wrong with it.',
      'Some are good; what you missed comes again sooner.',
    ],
  },
  {
    path: '/practice/teach',
    name: 'Teaching',
    about: [
      'A lead sees who has learned what, and makes lessons of tools that were really measured.',
      'A lesson can be asked for before somebody loads a machine or heats a holder alone.',
    ],
  },
  {
    path: '/practice/edges',
    name: 'Read the edges',
    about: [
      'Six made-up tools: some have a fault, some are good.',
      'Say what is wrong with each, then see what you found, missed or blamed for nothing.',
      'What you missed comes again sooner.',
    ],
  },
  {
    path: '/settings',
    name: 'Settings',
    about: [
      'Machines, people, devices and everything this shop does its own way.',
      'A value of the shop shows its standard and its source.',
    ],
  },
]

/** What can be practised of a screen: where, and what it is called. */
export interface HelpLesson {
  readonly href: string
  readonly name: string
}

const room = (lesson: RoomLesson): HelpLesson => ({
  href: `/practice/lessons?lesson=${lesson}`,
  name: LESSON_WORDS[lesson].title,
})
const tried = (key: string): HelpLesson => ({
  href: `/practice?try=${key}`,
  name: TRIES.find((one) => one.key === key)?.title ?? key,
})

/** By the beginning of a screen’s address, the longest first. */
const LESSONS: readonly (readonly [path: string, lesson: HelpLesson])[] = [
  ['/measure/pictures', room('slips')],
  ['/measure', room('bench')],
  ['/build', room('build')],
  ['/balance', tried('balanced-holder')],
  ['/hand-over', room('slips')],
  ['/load', room('load')],
  ['/return', room('load')],
  ['/records', { href: '/practice/edges', name: 'Read the edges' }],
  ['/tools', { href: '/practice/edges', name: 'Read the edges' }],
  ['/library', room('build')],
]

/** The lesson for a screen; where none is about it, one tool all the way. */
export const lessonFor = (path: string): HelpLesson =>
  LESSONS.find(([begin]) => path === begin || path.startsWith(`${begin}/`))?.[1] ?? room('tour')

/** The help of a screen: the longest address that it begins with; null where there is none. */
export const helpFor = (path: string): Help | null =>
  HELP.filter((help) => path === help.path || path.startsWith(`${help.path}/`)).reduce<Help | null>(
    (best, help) => (best && best.path.length >= help.path.length ? best : help),
    null,
  )
