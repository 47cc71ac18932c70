/** Torque, temperature and mass as people read them; inside they are N·m, °C and kg. */
import { fail, ok, type Result } from './result'
import { parseNumber, roundTo, type LengthTextError, type LengthUnit } from './length'

export const TORQUE_UNITS = ['N·m', 'ft·lb'] as const
export const TEMPERATURE_UNITS = ['°C', '°F'] as const
export const MASS_UNITS = ['kg', 'lb'] as const
export type TorqueUnit = (typeof TORQUE_UNITS)[number]
export type TemperatureUnit = (typeof TEMPERATURE_UNITS)[number]
export type MassUnit = (typeof MASS_UNITS)[number]

/** In which units somebody reads. */
export interface Units {
  readonly length: LengthUnit
  readonly torque: TorqueUnit
  readonly temperature: TemperatureUnit
  readonly mass: MassUnit
}

/** What goes to programs and files, whoever reads. */
export const SI: Units = { length: 'mm', torque: 'N·m', temperature: '°C', mass: 'kg' }

/** What a shop that works in inch usually reads (common practice, no source). */
export const usualUnits = (length: LengthUnit): Units =>
  length === 'mm' ? SI : { length, torque: 'ft·lb', temperature: '°F', mass: 'lb' }

/** Exact by definition (international yard and pound agreement, 1959; standard acceleration of free fall, 1901). */
const KG_PER_LB = 0.45359237
const NM_PER_FT_LB = KG_PER_LB * 9.80665 * 0.3048

export type Quantity = 'torque' | 'temperature' | 'mass'
/** Whether a reader chooses its unit. */
export const isQuantity = (name: string): name is Quantity => name === 'torque' || name === 'temperature' || name === 'mass'

/** What is read = of the inside × per + from. */
const LAWS: Readonly<Record<TorqueUnit | TemperatureUnit | MassUnit, { readonly per: number; readonly from: number }>> = {
  'N·m': { per: 1, from: 0 },
  'ft·lb': { per: 1 / NM_PER_FT_LB, from: 0 },
  '°C': { per: 1, from: 0 },
  '°F': { per: 1.8, from: 32 },
  kg: { per: 1, from: 0 },
  lb: { per: 1 / KG_PER_LB, from: 0 },
}

/** From the inside to what is read. */
export function toRead(value: number, quantity: Quantity, units: Units): number {
  const { per, from } = LAWS[units[quantity]]
  return value * per + from
}

/** From what was read or typed to the inside. */
export function fromRead(value: number, quantity: Quantity, units: Units): number {
  const { per, from } = LAWS[units[quantity]]
  return (value - from) / per
}

/** `12 N·m`, `8.9 ft·lb`: without zeros at its end. */
export const formatQuantity = (value: number, quantity: Quantity, units: Units, decimals: number): string =>
  `${roundTo(toRead(value, quantity, units), decimals)} ${units[quantity]}`

/** As it stands in a field: enough places that it reads back as it was. */
export const typedQuantity = (value: number, quantity: Quantity, units: Units): string =>
  String(Number(toRead(value, quantity, units).toPrecision(6)))

const NAMED: Readonly<Record<Quantity, readonly (readonly [RegExp, keyof typeof LAWS])[]>> = {
  torque: [
    [/(n·m|n\*m|nm|n m)$/i, 'N·m'],
    [/(ft·lbf?|ft[ -]?lbs?|lbf?[ -]?ft)$/i, 'ft·lb'],
  ],
  temperature: [
    [/(°\s*c|c)$/i, '°C'],
    [/(°\s*f|f)$/i, '°F'],
  ],
  mass: [
    [/kg$/i, 'kg'],
    [/(lbs?|pounds?)$/i, 'lb'],
  ],
}

/** Reads `12`, `12 N·m`, `9 ft·lb`, `572 °F`, `3.5 lb`; a number that names no unit is in the reader's. */
export function parseQuantity(text: string, quantity: Quantity, units: Units): Result<number, LengthTextError> {
  const typed = text.trim()
  if (typed === '') return fail({ code: 'EMPTY' })
  const [pattern, unit] = NAMED[quantity].find(([known]) => known.test(typed)) ?? [null, units[quantity]]
  const number = parseNumber(pattern ? typed.replace(pattern, '').trim() : typed)
  if (!number.ok) return number.error.code === 'NOT_A_LENGTH' ? fail({ code: 'NOT_A_LENGTH', text }) : number
  const { per, from } = LAWS[unit]
  return ok((number.value - from) / per)
}
