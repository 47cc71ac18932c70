/** Machine sides of holders, by standard. Outlines are for drawing only, from memory; `stud`: whether a pull stud holds it. */
export const COUPLINGS = {
  'HSK-A63': {
    standard: 'DIN 69893-1 / ISO 12164-1',
    stud: false,
    flangeMm: 63,
    flangeHighMm: 26,
    taper: [
      [48, 0],
      [46.5, -16],
      [38, -32],
    ],
  },
  'HSK-F63': {
    standard: 'DIN 69893-6',
    stud: false,
    flangeMm: 63,
    flangeHighMm: 18,
    taper: [
      [38, 0],
      [37, -13],
      [30, -25],
    ],
  },
  'SK 40': {
    standard: 'ISO 7388-1',
    stud: true,
    flangeMm: 63.55,
    flangeHighMm: 19.1,
    taper: [
      [44.45, 0],
      [25.3, -65.4],
      [17, -66],
    ],
  },
  'VDI 40': {
    standard: 'ISO 10889-1',
    stud: false,
    flangeMm: 83,
    flangeHighMm: 22,
    taper: [
      [40, 0],
      [40, -60],
      [36, -63],
    ],
  },
} as const

export type Coupling = keyof typeof COUPLINGS
export const COUPLING_NAMES = Object.keys(COUPLINGS) as Coupling[]
