import type { StepKind, Wait } from '@/core/schedule'

const PLACE_NAMES = {
  'shrink unit': 'the shrink unit',
  cooling: 'a cooling body',
  assembly: 'a place to put it together',
  bench: 'the bench',
  balance: 'the balancing spindle',
  cart: 'a cart',
} as const

/** What the screens of planning say. */
export const say = {
  plan: 'Plan',
  day: 'Day',
  magazine: 'Magazine',
  machines: 'Machines',
  whatIf: 'What if',
  today: 'Today',
  toolsToDo: (tools: number) => (tools === 1 ? 'one tool' : `${tools} tools`),
  nothingToDo: 'Every tool that the open jobs want is in its machine. New jobs are entered under Kit.',
  nobodyLate: 'no machine waits',
  waits: (machine: string, time: string) => `${machine} waits ${time}`,
  ways: { 'one-by-one': 'one tool through everything', 'shrink-first': 'all shrunk first' } as const,
  wayNames: { 'one-by-one': 'One tool through everything', 'shrink-first': 'Shrink all first' } as const,
  whichWay: 'Order of work',
  whatIsLate: 'What is late, and why',
  nothingLate: 'Nothing is late.',
  allInTime: (time: string) => `The last tool is ready at ${time}.`,
  lateBy: (time: string) => `${time} late`,
  onTime: 'on time',
  jobOn: (job: string, machine: string) => `${job} on ${machine}`,
  lastTool: (tool: string, time: string) => `${tool} is the last one, ready at ${time}.`,
  wait: (wait: Wait, behind: string, time: string): string => {
    switch (wait.for) {
      case 'place':
        return `It waits ${time} for ${PLACE_NAMES[wait.place]}${behind ? `, which ${behind} has` : ''}.`
      case 'person':
        return `It waits ${time} for somebody to have time.`
      case 'piece':
        return `It waits ${time} for ${wait.piece}${behind ? `, which ${behind} has` : ''}.`
      case 'freed':
        return `It waits ${time} for ${wait.piece}: ${wait.job} has it until it is done.`
      case 'part':
        return `Its part comes in ${time}.`
      case 'adapter':
        return `The adapter of the bench is changed for it: ${time}.`
    }
  },
  noAdapter: (coupling: string) => `There is no adapter for ${coupling}. Enter one in Settings › Adapters.`,
  pastAlready: 'Its date has passed.',
  blocked: (tools: number) => (tools === 1 ? 'One tool cannot be planned' : `${tools} tools cannot be planned`),
  leastPossible: (time: string) => `With what is here, ${time} is the least possible.`,
  notLessThan: (time: string) => `No order stays below ${time}. This one may not be the best.`,
  searchOn: 'Look for a better order',
  stopSearch: 'Stop looking',
  tried: (orders: number) => `${orders.toLocaleString('en-GB')} orders tried.`,
  betterFound: 'A better one was found: it is shown here.',
  nothingBetterYet: 'Nothing better yet.',
  nothingBetter: 'Nothing better was found.',
  learned: 'Minutes',
  learnedFrom: (of: number) => (of === 1 ? 'from one' : `from ${of}`),
  startValue: 'start value',
  spread: (from: string, to: string) => `${from} to ${to}`,
  minutes: (minutes: number) => (minutes < 10 ? minutes.toFixed(1).replace(/\.0$/, '') : String(Math.round(minutes))),
  kinds: {
    fetch: 'Fetch',
    heat: 'Shrink',
    cool: 'Cool',
    build: 'Assemble',
    measure: 'Measure',
    balance: 'Balance',
    'hand over': 'Hand over',
    load: 'Load',
  } satisfies Record<StepKind, string>,
  rows: {
    fetch: 'Fetch',
    heat: 'Shrink unit',
    cool: 'Cooling',
    build: 'Assembly',
    measure: 'Bench',
    balance: 'Balance',
    'hand over': 'Hand over',
    load: 'Cart',
  } satisfies Record<StepKind, string>,
  chartLabel: (tools: number) => `The room’s day: ${tools} tools by place and by machine`,
  now: (time: string) => `now ${time}`,
  due: (job: string, time: string, more: number) => `${job} ${time}${more > 0 ? `, ${more} more later` : ''}`,
  about: (tool: string, step: string, from: string, to: string) => `${tool}: ${step}, ${from} to ${to}`,
  dueAt: (time: string) => `due ${time}`,
  planTable: 'As a table',
  columns: { tool: 'Tool', job: 'Job', step: 'Step', from: 'From', to: 'To' },
  print: 'Print list',
  shopValues: 'People, cooling bodies and minutes of the adapter are shop values in Settings.',

  // what if
  whatIfAbout: 'see what would change, nothing is saved',
  people: 'People at work',
  laterJob: 'A machine begins later',
  laterBy: 'by',
  comesTool: 'A part comes',
  comesIn: 'in',
  brokenTool: 'A tool is broken',
  none: 'none',
  compare: 'Compare',
  asItIs: 'As it is',
  ifSo: 'If it were so',
  change: 'Change',
  sameTime: 'the same',
  sooner: (time: string) => `${time} sooner`,
  laterTime: (time: string) => `${time} later`,
  nothingChosen: 'Choose something at the right, and compare.',
  job: 'Job',
  ready: 'Ready',
  notPlanned: 'not planned',

  // magazine
  magazineAbout: (jobs: number, pockets: number) => `${jobs === 1 ? 'one job' : `${jobs} jobs`}, ${pockets} pockets`,
  noJobs: 'This machine has no open job with tools. Jobs are entered under Kit.',
  asPlanned: 'As the dates have it',
  otherOrder: 'Fewer tools put in',
  putIn: (count: number) => (count === 1 ? 'one tool put in' : `${count} tools put in`),
  fewest: 'No order of these jobs that keeps the dates puts in fewer.',
  maybeFewer: (least: number) => `No order puts in fewer than ${least}. This is the best that was found.`,
  keptFree: (kept: number) =>
    kept === 1 ? 'One wide tool keeps a pocket free beside it.' : `${kept} wide tools keep a pocket free each.`,
  cells: { comes: 'put in', used: 'used', stays: 'stays', goes: 'taken out' } as const,
  listFor: (job: string) => `Before ${job}`,
  putInList: (tools: string) => `Put in ${tools}`,
  takeOutList: (tools: string) => `Take out ${tools}`,
  nothingToChange: 'Nothing to change.',
  tooLarge: (job: string, wanted: number, pockets: number) =>
    `The tools of ${job} need ${wanted} pockets at once. The magazine has ${pockets}.`,
  loadedTooLarge: (taken: number, pockets: number) =>
    `By the record the tools in it take ${taken} pockets, and it has ${pockets}.`,
  sister: (number: number) => `sister ${number}`,
  loadedTwice: (tool: string) => `T${tool} is in it twice by the record.`,
  inItNow: (tools: number) => (tools === 1 ? 'One tool is in it now.' : `${tools} tools are in it now.`),

  // machines
  machinesAbout: 'this job, the next and the third',
  noMachines: 'There is no machine yet. Enter the first one in Settings › Machines.',
  noJobsOfMachine: 'no open job',
  readyOf: (ready: number, tools: number) => `${ready} of ${tools} ready`,
  allReady: 'All ready',
  onCart: (cart: string, tools: number) => `${cart}: ${tools === 1 ? 'one tool' : `${tools} tools`} on it`,
  noCart: 'on no cart yet',
  moreMissing: (count: number) => `and ${count} more`,
}
