/** The tour: one tool all the way, station by station, in a practice room in which nothing is wrong. */

export interface TourStep {
  readonly title: string
  readonly text: string
  /** Where it is done. @param label of the tool as it was handed over; null: not yet */
  readonly page: (label: string | null) => string
}

/** The job, the tool and the holder that the tour goes by: they stand in the seeded room. */
const [JOB, T] = ['HP-2207', 12]
export const TOUR_HOLDER = 'BX00142'
const MACHINE = 'HERON'

export const TOUR_STEPS: readonly TourStep[] = [
  {
    title: 'Kit',
    text: 'A job and the tools it needs. T12 has to be built: its parts lie in drawers.',
    page: () => `/kit/${JOB}`,
  },
  {
    title: 'Build',
    text: `Scan a free holder: type ${TOUR_HOLDER} at the top and press Enter. Then the big button, step by step. At the end scan the holder again.`,
    page: () => `/build?job=${JOB}&t=${T}`,
  },
  {
    title: 'Measure',
    text: `Press “Measure all edges”, and clean the edge that is named. While it is warm, press “Ten minutes later”. Scan ${TOUR_HOLDER} again to save.`,
    page: () => `/measure/${TOUR_HOLDER}`,
  },
  {
    title: 'Hand over',
    text: `Look at what the control would hold, then scan ${TOUR_HOLDER} once more to release it.`,
    page: () => `/hand-over/${TOUR_HOLDER}`,
  },
  {
    title: 'Load',
    text: 'Every rule is looked at. It was not balanced: write why it may go in. Then turn the magazine, open, put, shut, and send the offsets.',
    page: (label) =>
      `/load?${new URLSearchParams({ machine: MACHINE, serial: TOUR_HOLDER, ...(label === null ? {} : { label }) }).toString()}`,
  },
  {
    title: 'Return',
    text: 'It comes back: take it out, read its wear, and say what happens with it next.',
    page: () => `/return?serial=${TOUR_HOLDER}`,
  },
  {
    title: 'Records',
    text: 'Everything that was done to this tool stands here, with who and when. That was the tour.',
    page: () => `/tools/${TOUR_HOLDER}`,
  },
]
