/**
 * Machine sides of holders. The standard figures are from memory and a shop may set them right; apart from `stud` and the
 * flange's width they only serve drawings.
 */

/** The name of a coupling, such as `CAT 40`; what it is stands in the shop's table of couplings. */
export type Coupling = string

export const COUPLING_FORMS = ['steep', 'hollow', 'polygon', 'cylinder'] as const
/** Steep taper 7:24; hollow taper shank; polygon shank; cylindrical shank. */
export type CouplingForm = (typeof COUPLING_FORMS)[number]

export interface CouplingFacts {
  readonly name: Coupling
  readonly standard: string
  readonly form: CouplingForm
  /** Diameter at the gauge line; of a cylinder its shank's. */
  readonly gaugeMm: number
  /** How far it reaches into the spindle from the gauge line. */
  readonly insideMm: number
  readonly flangeMm: number
  /** Gauge line to the flange's end on the tool's side. */
  readonly flangeHighMm: number
  /** Whether a pull stud holds it. */
  readonly stud: boolean
}
export type Couplings = ReadonlyMap<Coupling, CouplingFacts>

/** Size, gauge diameter, depth, flange, flange height: mm. */
type Row = readonly [size: number, gauge: number, inside: number, flange: number, flangeHigh: number]

const family = (prefix: string, standard: string, form: CouplingForm, rows: readonly Row[], stud = false): CouplingFacts[] =>
  rows.map(([size, gaugeMm, insideMm, flangeMm, flangeHighMm]) => ({
    name: `${prefix}${size}`,
    ...{ standard, form, gaugeMm, insideMm, flangeMm, flangeHighMm, stud },
  }))

/** As they come with Boulder, in the order in which they are offered. */
export const STANDARD_COUPLINGS: readonly CouplingFacts[] = [
  ...family('HSK-A', 'ISO 12164-1', 'hollow', [
    [32, 24, 16, 32, 20],
    [40, 30, 20, 40, 20],
    [50, 38, 25, 50, 26],
    [63, 48, 32, 63, 26],
    [80, 60, 40, 80, 26],
    [100, 75, 50, 100, 29],
    [125, 95, 63, 125, 29],
  ]),
  ...family('HSK-C', 'ISO 12164-1', 'hollow', [
    [32, 24, 16, 32, 10],
    [40, 30, 20, 40, 10],
    [50, 38, 25, 50, 12.5],
    [63, 48, 32, 63, 12.5],
    [80, 60, 40, 80, 16],
    [100, 75, 50, 100, 16],
  ]),
  ...family('HSK-E', 'DIN 69893-5', 'hollow', [
    [25, 19, 13, 25, 10],
    [32, 24, 16, 32, 20],
    [40, 30, 20, 40, 20],
    [50, 38, 25, 50, 26],
    [63, 48, 32, 63, 26],
  ]),
  ...family('HSK-F', 'DIN 69893-6', 'hollow', [
    [50, 30, 20, 50, 26],
    [63, 38, 25, 63, 26],
    [80, 48, 32, 80, 26],
  ]),
  ...family(
    'SK ',
    'ISO 7388-1',
    'steep',
    [
      [30, 31.75, 47.8, 50, 19.1],
      [40, 44.45, 68.4, 63.55, 19.1],
      [50, 69.85, 101.75, 97.5, 19.1],
    ],
    true,
  ),
  ...family(
    'BT ',
    'ISO 7388-2',
    'steep',
    [
      [30, 31.75, 48.4, 46, 22],
      [40, 44.45, 65.4, 63, 27],
      [50, 69.85, 101.8, 100, 38],
    ],
    true,
  ),
  ...family(
    'CAT ',
    'ASME B5.50',
    'steep',
    [
      [30, 31.75, 47.63, 46.02, 19.05],
      [40, 44.45, 68.25, 63.5, 19.05],
      [50, 69.85, 101.6, 98.43, 19.05],
    ],
    true,
  ),
  ...family('PSC ', 'ISO 26623-1', 'polygon', [
    [32, 22, 19, 32, 15],
    [40, 28, 24, 40, 20],
    [50, 35, 30, 50, 20],
    [63, 44, 38, 63, 22],
    [80, 55, 48, 80, 30],
  ]),
  ...family('VDI ', 'ISO 10889-1', 'cylinder', [
    [20, 20, 40, 50, 18],
    [25, 25, 48, 58, 18],
    [30, 30, 55, 68, 22],
    [40, 40, 63, 83, 22],
    [50, 50, 78, 98, 30],
    [60, 60, 94, 123, 30],
  ]),
  ...family('Straight ', 'ISO 3338-1', 'cylinder', [
    [16, 16, 48, 16, 1],
    [20, 20, 50, 20, 1],
    [25, 25, 56, 25, 1],
    [32, 32, 60, 32, 1],
    [40, 40, 70, 40, 1],
  ]),
]

/** @param own what a shop has changed or added; a standard one of the same name gives way */
export const couplingTable = (own: readonly CouplingFacts[] = []): Couplings =>
  new Map([...STANDARD_COUPLINGS, ...own].map((facts) => [facts.name, facts]))

const PLAIN: Omit<CouplingFacts, 'name'> = {
  ...{ standard: '', form: 'cylinder', gaugeMm: 40, insideMm: 60, flangeMm: 63, flangeHighMm: 22, stud: false },
}
/** A name that the table has not (any more) is drawn as a plain shank. */
export const factsOf = (couplings: Couplings, name: Coupling): CouplingFacts => couplings.get(name) ?? { name, ...PLAIN }

/** The outline in the spindle, for drawings: diameter and height, mm, from the gauge line down. */
export function couplingOutline({ form, gaugeMm: d, insideMm: l }: CouplingFacts): readonly (readonly [number, number])[] {
  switch (form) {
    case 'steep':
      return [
        [d, 0],
        [d - (7 / 24) * l, -l],
        [0.38 * d, -l - 0.6],
      ]
    case 'hollow':
      // the taper 1:10 for half its length, then the clamping zone
      return [
        [d, 0],
        [d - 0.05 * l, -l / 2],
        [0.79 * d, -l],
      ]
    case 'polygon':
      return [
        [d, 0],
        [d - l / 20, -l],
      ]
    case 'cylinder':
      return [
        [d, 0],
        [d, -0.95 * l],
        [0.9 * d, -l],
      ]
  }
}
