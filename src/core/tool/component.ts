/** Parts a tool is made of. Lengths mm, angles degrees (as the standard gives them), masses kg, torques N·m. */
import { couplingTable, type Couplings } from './coupling'
import { fail, ok, type Result } from '../units'
import { isKind, kindSpec, KINDS, propertiesOf, type Kind, type Role } from './kind'
import { specOf, type PropertyKey, type ValueOf } from './property'
import { anglesOf, arcsOf } from './round'

/** What every part has, whatever its kind. */
export interface PartBase {
  readonly id: string
  readonly name: string
  readonly makerNumber?: string
  readonly price?: number
  /** Keep at least so many; below it the part is on the low-stock list. */
  readonly leastStock?: number
  /** File name of a picture or drawing in the data folder. */
  readonly drawing?: string
  readonly note?: string
  /** What it was before the regrind, and how often it was ground. */
  readonly reground?: { readonly from: string; readonly count: number }
}

type Spec<K extends Kind> = (typeof KINDS)[K]
export type PartOf<K extends Kind> = PartBase & { readonly kind: K } & {
  readonly [P in Spec<K>['has'][number]]: ValueOf<P>
} & { readonly [P in Spec<K>['may'][number]]?: ValueOf<P> }

export type Component = { [K in Kind]: PartOf<K> }[Kind]

export type ShrinkHolder = PartOf<'shrink-holder'>
export type ShrinkExtension = PartOf<'shrink-extension'>

export const roleOf = (part: Pick<Component, 'kind'>): Role => KINDS[part.kind].role
/** A property by its key, whatever the kind; undefined where the kind has none. */
export const valueOf = (part: Component, key: PropertyKey): string | number | undefined =>
  (part as unknown as Partial<Record<PropertyKey, string | number>>)[key]
export const numberOf = (part: Component, key: PropertyKey): number | undefined => {
  const value = valueOf(part, key)
  return typeof value === 'number' ? value : undefined
}

export type PartFault =
  | { readonly code: 'UNKNOWN_KIND'; readonly kind: string }
  | { readonly code: 'MISSING' | 'NOT_TEXT'; readonly key: string }
  | { readonly code: 'NOT_ANGLES' | 'NOT_ARCS'; readonly key: PropertyKey }
  | { readonly code: 'TOO_LONG'; readonly key: string; readonly most: number }
  | { readonly code: 'NOT_A_NUMBER'; readonly key: string; readonly value: unknown }
  | {
      readonly code: 'OUT_OF_RANGE'
      readonly key: string
      readonly value: number
      readonly min: number
      readonly max: number
    }
  | { readonly code: 'UNKNOWN_COUPLING'; readonly key: PropertyKey; readonly value: unknown }
  | { readonly code: 'NOT_A_CHOICE'; readonly key: PropertyKey; readonly value: unknown; readonly choices: readonly string[] }
  | { readonly code: 'NOT_OF_THIS_KIND'; readonly key: string; readonly kind: Kind }
  /** Two properties that contradict each other. */
  | { readonly code: 'CONTRADICTION'; readonly key: PropertyKey; readonly other: PropertyKey }

const BASE_KEYS = ['id', 'name', 'kind', 'makerNumber', 'price', 'leastStock', 'drawing', 'note', 'reground']
/** The first may not be larger than the second. */
const ORDER: readonly (readonly [PropertyKey, PropertyKey])[] = [
  ['boreMin', 'boreMax'],
  ['LSCN', 'LSCX'],
  ['DCN', 'DCX'],
  ['LCF', 'OAL'],
  ['boreMax', 'BD'],
  ['heatedMm', 'LPR'],
]

/**
 * Checks a part that came from outside: every property of its kind is there, a number, in its range; nothing else is.
 * @param couplings that the shop knows
 * @returns the part with nothing changed, or every fault found
 */
export function checkComponent(
  raw: Readonly<Record<string, unknown>>,
  couplings: Couplings = couplingTable(),
): Result<Component, readonly PartFault[]> {
  const kind = String(raw.kind ?? '')
  if (!isKind(kind)) return fail([{ code: 'UNKNOWN_KIND', kind }])
  const faults: PartFault[] = []
  faults.push(...baseFaults(raw))
  const { has } = kindSpec(kind)
  const known = propertiesOf(kind)
  for (const key of known) {
    const value = raw[key]
    const fault = checkValue(key, value, has.includes(key))
    if (fault) faults.push(fault)
    else if (specOf(key).quantity === 'coupling' && !isNothing(value) && !couplings.has(String(value)))
      faults.push({ code: 'UNKNOWN_COUPLING', key, value })
  }
  for (const key of Object.keys(raw))
    if (!BASE_KEYS.includes(key) && !known.includes(key as PropertyKey)) faults.push({ code: 'NOT_OF_THIS_KIND', key, kind })
  for (const [least, most] of ORDER) {
    const [a, b] = [raw[least], raw[most]]
    if (known.includes(least) && known.includes(most) && typeof a === 'number' && typeof b === 'number' && a > b)
      faults.push({ code: 'CONTRADICTION', key: least, other: most })
  }
  return faults.length ? fail(faults) : ok(raw as unknown as Component)
}

/** Characters of the texts that every part has. */
const LONGEST = { id: 60, name: 120, makerNumber: 80, note: 2000, drawing: 120 } as const
const LARGEST = { price: 10_000_000, leastStock: 1_000_000 } as const
const TEXT_MOST = 200
/** Line ends and other marks that no name has. */
const CONTROL = /[\u0000-\u001f\u007f]/

const isNothing = (value: unknown): boolean => value === undefined || value === null || value === ''

function textFault(key: string, value: unknown, most: number): PartFault | null {
  if (typeof value !== 'string' || (key !== 'note' && CONTROL.test(value))) return { code: 'NOT_TEXT', key }
  return value.length > most ? { code: 'TOO_LONG', key, most } : null
}

function countFault(key: string, value: unknown, max: number): PartFault | null {
  if (typeof value !== 'number' || !Number.isFinite(value)) return { code: 'NOT_A_NUMBER', key, value }
  return value < 0 || value > max ? { code: 'OUT_OF_RANGE', key, value, min: 0, max } : null
}

/** What is wrong with what every part has. */
function baseFaults(raw: Readonly<Record<string, unknown>>): PartFault[] {
  const faults: (PartFault | null)[] = []
  for (const key of ['id', 'name'])
    if (isNothing(raw[key]) || (typeof raw[key] === 'string' && raw[key].trim() === '')) faults.push({ code: 'MISSING', key })
  for (const [key, most] of Object.entries(LONGEST)) if (!isNothing(raw[key])) faults.push(textFault(key, raw[key], most))
  for (const [key, max] of Object.entries(LARGEST)) if (!isNothing(raw[key])) faults.push(countFault(key, raw[key], max))
  if (!isNothing(raw.drawing) && !/^\w[\w.-]*$/.test(String(raw.drawing))) faults.push({ code: 'NOT_TEXT', key: 'drawing' })
  if (!isNothing(raw.reground)) {
    const { from, count } = Object(raw.reground) as { from?: unknown; count?: unknown }
    faults.push(textFault('reground', from, LONGEST.id), countFault('reground', count, LARGEST.leastStock))
  }
  return faults.filter((fault) => fault !== null)
}

function checkValue(key: PropertyKey, value: unknown, needed: boolean): PartFault | null {
  if (value === undefined || value === null || value === '') return needed ? { code: 'MISSING', key } : null
  const { quantity, choices, min = -Infinity, max = Infinity } = specOf(key)
  if (quantity === 'choice')
    return choices?.includes(String(value)) ? null : { code: 'NOT_A_CHOICE', key, value, choices: choices ?? [] }
  if (quantity === 'text' || quantity === 'coupling') return textFault(key, value, TEXT_MOST)
  if (quantity === 'angles' || quantity === 'arcs') {
    const read = quantity === 'angles' ? anglesOf : arcsOf
    const fault = textFault(key, value, TEXT_MOST)
    return fault ?? (read(String(value)) ? null : { code: quantity === 'angles' ? 'NOT_ANGLES' : 'NOT_ARCS', key })
  }
  if (typeof value !== 'number' || !Number.isFinite(value)) return { code: 'NOT_A_NUMBER', key, value }
  if (value < min || value > max || (quantity === 'count' && !Number.isInteger(value)))
    return { code: 'OUT_OF_RANGE', key, value, min, max }
  return null
}
