/** Machine sides of holders, by standard. Outlines are for drawing only. */
export const COUPLINGS = {
  'HSK-A63': {
    standard: 'DIN 69893-1 / ISO 12164-1',
    flangeMm: 63,
    flangeHighMm: 26,
    taper: [
      [48, 0],
      [46.5, -16],
      [38, -32],
    ],
  },
  'SK 40': {
    standard: 'ISO 7388-1',
    flangeMm: 63.55,
    flangeHighMm: 19.1,
    taper: [
      [44.45, 0],
      [25.3, -65.4],
      [17, -66],
    ],
  },
} as const

export type Coupling = keyof typeof COUPLINGS
export const COUPLING_NAMES = Object.keys(COUPLINGS) as Coupling[]
