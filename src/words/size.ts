/** Lengths inside of sentences, with their unit. */
import { formatDeviation, formatLength, unitMark, type LengthUnit } from '@/core/units'

/** A length as measured: `118.039 mm`, `4.6472 in`. */
export const sized = (mm: number, unit: LengthUnit, decimals?: number): string =>
  `${formatLength(mm, unit, decimals)} ${unitMark(unit)}`

/** A nominal length, without zeros at its end: `12 mm`, `0.5 in`. */
export const nominal = (mm: number, unit: LengthUnit): string => `${Number(formatLength(mm, unit))} ${unitMark(unit)}`

/** A small length: micrometres for mm, four decimals for inch. */
export const small = (mm: number, unit: LengthUnit): string => formatDeviation(mm, unit).replace(/^[+−-]/, '')

/** `a, b and c`. */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
