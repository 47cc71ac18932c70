import type { BadStudy } from '@/core/stats'

/** What the sheet of bench studies says. */
export const say = {
  study: 'Bench study',
  about: 'who measures what next, and whether the bench can be trusted',
  none: 'No study yet. A lead starts one at the right: people, tools and how often each is measured.',
  askALead: 'Only a lead starts or ends a study.',
  newStudy: 'New study',
  kinds: { several: 'People and tools', one: 'One tool of known size' } as const,
  kind: 'What is looked at',
  reference: 'Its calibrated value',
  known: 'One tool, again and again',
  mean: 'Mean',
  spread: 'Spread 1σ',
  bias: 'Off its value by',
  Cg: 'Cg, spread alone',
  Cgk: 'Cgk, with how far it is off',
  enough: (least: number) => `Good enough for these limits: both at least ${least}.`,
  notEnough: (least: number) => `Not good enough for these limits: both should be at least ${least}.`,
  usualForm: 'Cg = 0.2 T / 6 s, Cgk = (0.1 T − off) / 3 s: common practice, other shares are in use.',
  inOrder: (name: string) => `Readings of ${name} in their order`,
  name: 'Name',
  feature: 'Feature',
  people: 'People',
  tools: 'Tools',
  repeats: 'Each measured',
  timesUnit: 'times',
  tolerance: 'Width of the limits (if any)',
  limits: 'Width of the limits',
  start: 'Start study',
  started: (name: string) => `${name} started.`,
  end: 'End study',
  ended: 'ended',
  notStarted: 'Not started.',
  notEnded: 'Not ended.',
  progress: (done: number, of: number) => `${done} of ${of} readings`,
  next: 'Next',
  nextIs: (person: string, serial: string) => `${person} measures ${serial}.`,
  repeatOf: (repeat: number, of: number) => `Time ${repeat} of ${of}. Take it off the spindle and clamp it again.`,
  measureIt: (serial: string) => `Measure ${serial}`,
  allDone: 'All readings are there.',
  blind: 'Values are shown once all readings are there, so that nobody knows what others found.',
  result: 'Gauge R&R',
  percentOfTotal: 'Of the total spread',
  percentOfTolerance: 'Of the limits',
  ndc: 'Distinct categories',
  sources: 'Where the spread comes from',
  equipment: 'Bench (repeatability)',
  persons: 'People (reproducibility)',
  both: 'Bench and people',
  parts: 'Tools',
  pooled: 'No interaction of people and tools: counted with the bench.',
  notPooled: 'People and tools interact: somebody measures some tools otherwise.',
  percent: (value: number) => `${value.toFixed(1)} %`,
  good: 'The bench can be trusted: below 10 %.',
  fair: 'Fair: between 10 and 30 %. Enough for coarse limits.',
  poor: 'Not to be trusted: above 30 %.',
  source: 'Limits of 10 and 30 %: common practice (AIAG MSA, from memory).',
  readings: 'Readings',
  chart: (name: string) => `Readings of ${name} by tool and person`,
  bad: (bad: BadStudy): string => {
    switch (bad.code) {
      case 'TOO_SMALL':
        return 'At least two people, two tools and two readings each are needed.'
      case 'NOT_WHOLE':
        return 'Not everybody has measured everything equally often.'
      case 'NO_SPREAD':
        return 'All readings are the same. The bench shows too few decimals.'
    }
  },
  csvColumns: ['person', 'tool', 'repeat', 'value'],
}
