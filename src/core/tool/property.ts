/**
 * What parts are described by: ISO 13399 symbols where one exists (symbols and words from memory), with quantity and the
 * range that makes sense. One list for forms, tables, imports and checks.
 */
import { COUPLING_NAMES } from './coupling'

export type Quantity =
  'length' | 'angle' | 'mass' | 'torque' | 'speed' | 'temperature' | 'stress' | 'count' | 'months' | 'choice' | 'text'

export interface PropertySpec {
  readonly name: string
  /** ISO 13399 symbol, when there is one. */
  readonly symbol?: string
  readonly quantity: Quantity
  /** Both belong to the range. Lengths mm, angles degrees, masses kg, torques N·m. */
  readonly min?: number
  readonly max?: number
  readonly choices?: readonly string[]
}

const length = (name: string, symbol?: string, min = 0.01, max = 1000) =>
  ({ name, symbol, quantity: 'length', min, max }) as const
const choice = <const C extends readonly string[]>(name: string, choices: C, symbol?: string) =>
  ({ name, symbol, quantity: 'choice', choices }) as const

export const SHANK_CLASSES = ['h5', 'h6', 'h7', 'g6', 'n6'] as const

export const PROPERTIES = {
  CCMS: choice('machine side', COUPLING_NAMES, 'CCMS'),
  moduleMS: { name: 'module, machine side', symbol: 'CCMS', quantity: 'text' },
  moduleWS: { name: 'module, work side', symbol: 'CCWS', quantity: 'text' },
  DCONWS: length('bore or pilot, work side', 'DCONWS', 1, 80),
  boreMin: length('cold bore, least', undefined, 1, 80),
  boreMax: length('cold bore, greatest', undefined, 1, 80),
  LPR: length('gauge line to nose', 'LPR', 5, 600),
  BD: length('nose diameter', 'BD', 3, 250),
  coneDeg: { name: 'half angle of the nose', quantity: 'angle', min: 0, max: 30 },
  heatedMm: length('heated length', undefined, 5, 120),
  LSCN: length('clamping length, least', 'LSCN', 1, 200),
  LSCX: length('clamping length, greatest', 'LSCX', 1, 300),
  greatestC: { name: 'temperature limit', quantity: 'temperature', min: 100, max: 600 },
  yieldMPa: { name: 'yield strength of the nose', quantity: 'stress', min: 200, max: 2500 },
  greatestHeats: { name: 'heats until held back', quantity: 'count', min: 1, max: 100_000 },
  coil: { name: 'coil position', quantity: 'text' },
  RPMX: { name: 'greatest speed', symbol: 'RPMX', quantity: 'speed', min: 1, max: 200_000 },
  WT: { name: 'mass', symbol: 'WT', quantity: 'mass', min: 0.0005, max: 60 },
  TQ: { name: 'tightening torque', symbol: 'TQ', quantity: 'torque', min: 0.05, max: 500 },
  TQX: { name: 'greatest torque it passes on', quantity: 'torque', min: 0.1, max: 5000 },
  torqueSchool: choice('torque after', ['by hand and an eighth', 'rated for the size', 'tool maker'] as const),
  lubricated: choice('threads and cone', ['dry', 'oiled'] as const),
  keyMm: length('key width', undefined, 0.5, 60),
  colletSystem: choice('collet system', ['ISO 15488', 'single size'] as const),
  colletSize: { name: 'collet size', quantity: 'count', min: 8, max: 50 },
  /** The number on a collet is its largest size. */
  DCX: length('largest diameter', 'DCX', 0.1, 500),
  DCN: length('smallest diameter', 'DCN', 0.1, 500),
  OAL: length('overall length', 'OAL', 1, 800),
  DMM: length('shank diameter', 'DMM', 0.5, 80),
  shankClass: choice('shank tolerance', SHANK_CLASSES, 'TCDMM'),
  shankMaterial: choice('shank material', ['carbide', 'HSS', 'steel'] as const),
  shankForm: choice('shank form', ['plain', 'flat'] as const),
  form: choice('form', ['corner', 'ball', 'square', 'drill', 'reamer', 'tap', 'chamfer'] as const),
  DC: length('cutting diameter', 'DC', 0.05, 500),
  RE: length('corner radius', 'RE', 0, 100),
  SIG: { name: 'point angle', symbol: 'SIG', quantity: 'angle', min: 10, max: 180 },
  KAPR: { name: 'edge angle', symbol: 'KAPR', quantity: 'angle', min: 1, max: 120 },
  NOF: { name: 'edges', symbol: 'NOF', quantity: 'count', min: 1, max: 60 },
  LCF: length('fluted length', 'LCF', 0.1, 600),
  LF: length('functional length', 'LF', 0.1, 800),
  coolantBoreMm: length('coolant bore', undefined, 0, 30),
  TDZ: { name: 'thread', symbol: 'TDZ', quantity: 'text' },
  SSC: { name: 'seat size', symbol: 'SSC', quantity: 'text' },
  CICT: { name: 'insert seats', symbol: 'CICT', quantity: 'count', min: 1, max: 40 },
  IC: length('inscribed circle', 'IC', 1, 60),
  S: length('insert thickness', 'S', 0.5, 30),
  insertEdges: { name: 'edges to turn to', quantity: 'count', min: 1, max: 16 },
  shankHeight: length('shank height', 'H', 3, 80),
  LH: length('head length', 'LH', 0.1, 300),
  studForm: { name: 'stud form', quantity: 'text' },
  ageMonths: { name: 'months until replaced', quantity: 'months', min: 1, max: 240 },
  divisionMm: length('division on diameter', undefined, 0.0001, 1),
} as const satisfies Record<string, PropertySpec>

export type PropertyKey = keyof typeof PROPERTIES

export type ValueOf<P extends PropertyKey> = (typeof PROPERTIES)[P] extends { readonly choices: readonly (infer C)[] }
  ? C
  : (typeof PROPERTIES)[P]['quantity'] extends 'text'
    ? string
    : number

/** The unit a number is kept in, as people write it; empty where there is none. */
export const UNIT_OF: Readonly<Record<Quantity, string>> = {
  length: 'mm',
  angle: '°',
  mass: 'kg',
  torque: 'N·m',
  speed: 'rev/min',
  temperature: '°C',
  stress: 'N/mm²',
  months: 'months',
  count: '',
  choice: '',
  text: '',
}

export const specOf = (key: PropertyKey): PropertySpec => PROPERTIES[key]
