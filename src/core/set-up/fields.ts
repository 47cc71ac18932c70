/**
 * What a shop sets up for itself, as lists of rows with fields. One description serves the forms, the tables, what is pasted
 * from a spreadsheet and the checks; what each field is called stands in the words. Lengths mm, masses kg.
 */
import { COUPLING_FORMS, PERSON_ROLES } from '../tool'

export type FieldKind =
  /** A short name that never changes: of a machine or a person. */
  | 'key'
  /** What stands on a piece and can be scanned. */
  | 'mark'
  | 'text'
  | 'choice'
  | 'coupling'
  | 'post'
  /** The number of a part of the library. */
  | 'part'
  | 'place'
  | 'length'
  /** A whole number. */
  | 'count'
  | 'mass'
  /** In the network: `host:port`, with a path where it needs one. */
  | 'address'
  /** ISO 8601 date. */
  | 'day'
  | 'yes'
  /** Words with commas between them. */
  | 'words'

export interface FieldSpec {
  readonly kind: FieldKind
  readonly min?: number
  readonly max?: number
  readonly choices?: readonly string[]
  /** How the letters of a key are kept. */
  readonly letters?: 'capital' | 'small'
  /** It may be left empty. */
  readonly may?: true
  /** What stands in a new row; in the form of what is kept (mm, `yes`). */
  readonly standard?: string
  /** Under which heading it stands in the form. */
  readonly group: string
}

const length = (min: number, max: number) => ({ kind: 'length', min, max }) as const
const count = (min: number, max: number) => ({ kind: 'count', min, max }) as const
const choice = <const C extends readonly string[]>(...choices: C) => ({ kind: 'choice', choices }) as const
const may = <S extends object>(spec: S) => ({ ...spec, may: true }) as const

const MACHINE = {
  key: { kind: 'key', letters: 'capital', group: 'machine' },
  name: { kind: 'text', max: 40, group: 'machine' },
  about: { kind: 'text', max: 80, may: true, group: 'machine' },
  kind: { ...choice('mill', 'lathe'), standard: 'mill', group: 'machine' },
  coupling: { kind: 'coupling', group: 'machine' },
  studForms: { kind: 'words', may: true, group: 'machine' },
  greatestRpm: { ...count(1, 200_000), standard: '12000', group: 'machine' },
  greatestKg: { kind: 'mass', min: 0.1, max: 500, may: true, group: 'machine' },
  unit: { ...choice('mm', 'inch'), standard: 'mm', group: 'control' },
  decimals: { ...count(2, 6), standard: '3', group: 'control' },
  sizeRegister: { ...choice('radius', 'diameter'), standard: 'radius', group: 'control' },
  registersFrom: { ...count(0, 9999), standard: '1', group: 'control' },
  registersTo: { ...count(1, 9999), standard: '200', group: 'control' },
  figures: { ...choice('network', 'folder', 'typed'), standard: 'network', group: 'control' },
  address: { kind: 'address', may: true, group: 'control' },
  agent: { kind: 'address', may: true, group: 'control' },
  post: { kind: 'post', standard: 'word-address-mill', group: 'control' },
  labelCode: { ...choice('datamatrix', 'qr'), standard: 'datamatrix', group: 'control' },
  lengthFrom: { ...length(0, 2000), standard: '50', group: 'room' },
  lengthTo: { ...length(1, 2000), standard: '300', group: 'room' },
  radiusFrom: { ...length(0, 500), standard: '0', group: 'room' },
  radiusTo: { ...length(0.1, 500), standard: '60', group: 'room' },
  pockets: { ...count(1, 500), standard: '24', group: 'room' },
  magazine: { ...choice('chain', 'drum', 'rack'), standard: 'drum', group: 'room' },
  pitchMm: { ...length(10, 500), standard: '90', group: 'room' },
  gapMm: { ...length(0, 100), standard: '2', group: 'room' },
  door: { kind: 'yes', standard: 'no', group: 'order' },
  pot: { kind: 'yes', standard: 'no', group: 'order' },
  turretX: { ...choice('opposite', 'same'), standard: 'opposite', group: 'order' },
  turretZ: { ...choice('opposite', 'same'), standard: 'opposite', group: 'order' },
  route: {
    ...choice('measure, then balance', 'balance, then measure', 'no balance'),
    standard: 'no balance',
    group: 'order',
  },
} as const satisfies Record<string, FieldSpec>

const COUPLING = {
  name: { kind: 'text', max: 40, group: 'coupling' },
  standard: { kind: 'text', max: 60, may: true, group: 'coupling' },
  form: { ...choice(...COUPLING_FORMS), group: 'coupling' },
  gaugeMm: { ...length(3, 300), group: 'coupling' },
  insideMm: { ...length(3, 400), group: 'coupling' },
  flangeMm: { ...length(3, 400), group: 'coupling' },
  flangeHighMm: { ...length(0, 200), group: 'coupling' },
  stud: { kind: 'yes', standard: 'no', group: 'coupling' },
} as const satisfies Record<string, FieldSpec>

const MASTER = {
  mark: { kind: 'mark', group: 'master' },
  name: { kind: 'text', max: 60, group: 'master' },
  coupling: { kind: 'coupling', group: 'master' },
  LFmm: { ...length(10, 1000), group: 'certificate' },
  DCmm: { ...length(1, 300), group: 'certificate' },
  sigmaMm: { ...length(0.0001, 0.05), group: 'certificate' },
  calibratedUntil: { kind: 'day', group: 'certificate' },
} as const satisfies Record<string, FieldSpec>

const ADAPTER = {
  serial: { kind: 'mark', group: 'adapter' },
  coupling: { kind: 'coupling', group: 'adapter' },
  name: { kind: 'text', max: 60, may: true, group: 'adapter' },
} as const satisfies Record<string, FieldSpec>

const PERSON = {
  id: { kind: 'key', letters: 'small', group: 'person' },
  name: { kind: 'text', max: 60, group: 'person' },
  role: { ...choice(...PERSON_ROLES), standard: 'operator', group: 'person' },
} as const satisfies Record<string, FieldSpec>

const HOLDER = {
  serial: { kind: 'mark', group: 'holder' },
  component: { kind: 'part', group: 'holder' },
  place: { ...may({ kind: 'place' } as const), group: 'holder' },
} as const satisfies Record<string, FieldSpec>

/** Each list, and by which field its rows are told apart. */
export const SET_UP = {
  machine: { by: 'key', fields: MACHINE },
  coupling: { by: 'name', fields: COUPLING },
  master: { by: 'mark', fields: MASTER },
  adapter: { by: 'serial', fields: ADAPTER },
  person: { by: 'id', fields: PERSON },
  holder: { by: 'serial', fields: HOLDER },
} as const satisfies Record<string, { readonly by: string; readonly fields: Readonly<Record<string, FieldSpec>> }>

export type SetUpList = keyof typeof SET_UP
export const SET_UP_LISTS = Object.keys(SET_UP) as SetUpList[]
export type FieldsOf<L extends SetUpList> = (typeof SET_UP)[L]['fields']

type Plain<S> = S extends { readonly kind: 'choice'; readonly choices: readonly (infer C)[] }
  ? C
  : S extends { readonly kind: 'length' | 'count' | 'mass' }
    ? number
    : S extends { readonly kind: 'yes' }
      ? boolean
      : S extends { readonly kind: 'words' }
        ? readonly string[]
        : string
/** A row as it is kept: every field of its list; null where one that may be left empty is. */
export type Row<L extends SetUpList> = {
  readonly [K in keyof FieldsOf<L>]: FieldsOf<L>[K] extends { readonly may: true; readonly kind: Exclude<FieldKind, 'words'> }
    ? Plain<FieldsOf<L>[K]> | null
    : Plain<FieldsOf<L>[K]>
}
export type FieldValue = string | number | boolean | readonly string[] | null

export const fieldsOf = (list: SetUpList): readonly (readonly [key: string, spec: FieldSpec])[] =>
  Object.entries(SET_UP[list].fields)
