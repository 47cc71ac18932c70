/**
 * What parts are described by: ISO 13399 symbols where one exists (symbols and words from memory), with quantity and the
 * range that makes sense. One list for forms, tables, imports and checks; what each is called stands in the words.
 */

export type Quantity =
  | 'length'
  | 'angle'
  | 'mass'
  | 'grams'
  | 'unbalance'
  | 'torque'
  | 'speed'
  | 'temperature'
  | 'stress'
  | 'count'
  | 'months'
  | 'choice'
  /** A name of the shop's table of couplings. */
  | 'coupling'
  | 'text'
  /** Places round an axis, degrees: `0 60 120`; or stretches of it: `40-80 200-230`. */
  | 'angles'
  | 'arcs'

export interface PropertySpec {
  /** ISO 13399 symbol, when there is one. */
  readonly symbol?: string
  readonly quantity: Quantity
  /** Both belong to the range. Lengths mm, angles degrees, masses kg, torques N·m. */
  readonly min?: number
  readonly max?: number
  readonly choices?: readonly string[]
}

const length = (symbol?: string, min = 0.01, max = 1000) => ({ symbol, quantity: 'length', min, max }) as const
const choice = <const C extends readonly string[]>(choices: C, symbol?: string) =>
  ({ symbol, quantity: 'choice', choices }) as const

export const SHANK_CLASSES = ['h5', 'h6', 'h7', 'g6', 'n6'] as const

export const PROPERTIES = {
  CCMS: { symbol: 'CCMS', quantity: 'coupling' },
  moduleMS: { symbol: 'CCMS', quantity: 'text' },
  moduleWS: { symbol: 'CCWS', quantity: 'text' },
  DCONWS: length('DCONWS', 1, 80),
  boreMin: length(undefined, 1, 80),
  boreMax: length(undefined, 1, 80),
  LPR: length('LPR', 5, 600),
  BD: length('BD', 3, 250),
  coneDeg: { quantity: 'angle', min: 0, max: 30 },
  heatedMm: length(undefined, 5, 120),
  LSCN: length('LSCN', 1, 200),
  LSCX: length('LSCX', 1, 300),
  greatestC: { quantity: 'temperature', min: 100, max: 600 },
  yieldMPa: { quantity: 'stress', min: 200, max: 2500 },
  greatestHeats: { quantity: 'count', min: 1, max: 100_000 },
  coil: { quantity: 'text' },
  RPMX: { symbol: 'RPMX', quantity: 'speed', min: 1, max: 200_000 },
  WT: { symbol: 'WT', quantity: 'mass', min: 0.0005, max: 60 },
  TQ: { symbol: 'TQ', quantity: 'torque', min: 0.05, max: 500 },
  TQX: { quantity: 'torque', min: 0.1, max: 5000 },
  torqueSchool: choice(['by hand and an eighth', 'rated for the size', 'tool maker'] as const),
  lubricated: choice(['dry', 'oiled'] as const),
  keyMm: length(undefined, 0.5, 60),
  colletSystem: choice(['ISO 15488', 'single size'] as const),
  colletSize: { quantity: 'count', min: 8, max: 50 },
  /** The number on a collet is its largest size. */
  DCX: length('DCX', 0.1, 500),
  DCN: length('DCN', 0.1, 500),
  OAL: length('OAL', 1, 800),
  DMM: length('DMM', 0.5, 80),
  shankClass: choice(SHANK_CLASSES, 'TCDMM'),
  shankMaterial: choice(['carbide', 'HSS', 'steel'] as const),
  shankForm: choice(['plain', 'flat'] as const),
  form: choice(['corner', 'ball', 'square', 'drill', 'reamer', 'tap', 'chamfer'] as const),
  DC: length('DC', 0.05, 500),
  RE: length('RE', 0, 100),
  SIG: { symbol: 'SIG', quantity: 'angle', min: 10, max: 180 },
  KAPR: { symbol: 'KAPR', quantity: 'angle', min: 1, max: 120 },
  NOF: { symbol: 'NOF', quantity: 'count', min: 1, max: 60 },
  LCF: length('LCF', 0.1, 600),
  LF: length('LF', 0.1, 800),
  coolantBoreMm: length(undefined, 0, 30),
  TDZ: { symbol: 'TDZ', quantity: 'text' },
  SSC: { symbol: 'SSC', quantity: 'text' },
  CICT: { symbol: 'CICT', quantity: 'count', min: 1, max: 40 },
  IC: length('IC', 1, 60),
  S: length('S', 0.5, 30),
  insertEdges: { quantity: 'count', min: 1, max: 16 },
  shankHeight: length('H', 3, 80),
  LH: length('LH', 0.1, 300),
  studForm: { quantity: 'text' },
  ageMonths: { quantity: 'months', min: 1, max: 240 },
  divisionMm: length(undefined, 0.0001, 1),
  // an adjustable head: what it cuts at dial zero with an insert of which nose radius, and the play of its slide
  zeroMm: length(undefined, 0, 1000),
  noseMm: length(undefined, 0, 10),
  backlashMm: length(undefined, 0, 2),
  insertClass: choice(['A', 'F', 'C', 'H', 'E', 'G', 'J', 'K', 'L', 'M', 'N', 'U'] as const),
  EPSR: { symbol: 'EPSR', quantity: 'angle', min: 10, max: 170 },
  // where a holder is balanced: two rows of threaded holes, two pairs of rings, two heights at which it may be drilled
  balanceThread: { quantity: 'text' },
  frontAngles: { quantity: 'angles' },
  frontRadiusMm: length(undefined, 2, 250),
  frontHeightMm: length(undefined, 0, 600),
  backAngles: { quantity: 'angles' },
  backRadiusMm: length(undefined, 2, 250),
  backHeightMm: length(undefined, 0, 600),
  frontRingGmm: { quantity: 'unbalance', min: 0.1, max: 10_000 },
  frontRingHeightMm: length(undefined, 0, 600),
  backRingGmm: { quantity: 'unbalance', min: 0.1, max: 10_000 },
  backRingHeightMm: length(undefined, 0, 600),
  drillRadiusMm: length(undefined, 2, 250),
  drillDepthMm: length(undefined, 0.1, 100),
  drillFrontMm: length(undefined, 0, 600),
  drillBackMm: length(undefined, 0, 600),
  drillNever: { quantity: 'arcs' },
  addAngles: { quantity: 'angles' },
  addRadiusMm: length(undefined, 2, 250),
  addMostG: { quantity: 'grams', min: 0.05, max: 1000 },
  addFrontMm: length(undefined, 0, 600),
  addBackMm: length(undefined, 0, 600),
  screwG: { quantity: 'grams', min: 0.01, max: 200 },
} as const satisfies Record<string, PropertySpec>

export type PropertyKey = keyof typeof PROPERTIES

export type ValueOf<P extends PropertyKey> = (typeof PROPERTIES)[P] extends { readonly choices: readonly (infer C)[] }
  ? C
  : (typeof PROPERTIES)[P]['quantity'] extends 'text' | 'coupling' | 'angles' | 'arcs'
    ? string
    : number

/** Properties that are kept as a text. */
export const isText = (key: PropertyKey): boolean =>
  ['text', 'choice', 'coupling', 'angles', 'arcs'].includes(specOf(key).quantity)

/** The unit a number is kept in, as people write it; empty where there is none. */
export const UNIT_OF: Readonly<Record<Quantity, string>> = {
  length: 'mm',
  angle: '°',
  mass: 'kg',
  grams: 'g',
  unbalance: 'g·mm',
  torque: 'N·m',
  speed: 'rev/min',
  temperature: '°C',
  stress: 'N/mm²',
  months: 'months',
  count: '',
  choice: '',
  coupling: '',
  text: '',
  angles: '°',
  arcs: '°',
}

export const specOf = (key: PropertyKey): PropertySpec => PROPERTIES[key]
