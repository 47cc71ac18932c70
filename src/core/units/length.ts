/** Lengths are millimetres inside; this is the only place that knows the inch. */
import { fail, ok, type Result } from './result'

export type LengthUnit = 'mm' | 'inch'

/** Exact by definition (international yard and pound agreement, 1959). */
export const MM_PER_INCH = 25.4

export type LengthTextError =
  | { readonly code: 'EMPTY' }
  | { readonly code: 'NOT_A_LENGTH'; readonly text: string }
  /** `1,234` may be 1.234 or 1234: the reader decides, not we. */
  | { readonly code: 'COMMA_AMBIGUOUS'; readonly text: string; readonly asDecimal: string; readonly asThousands: string }

export const mmToUnit = (mm: number, unit: LengthUnit): number => (unit === 'mm' ? mm : mm / MM_PER_INCH)
export const unitToMm = (value: number, unit: LengthUnit): number => (unit === 'mm' ? value : value * MM_PER_INCH)

const UNIT_WORDS: ReadonlyArray<readonly [RegExp, number]> = [
  [/(mm|millimet(er|re)s?)$/, 1],
  [/(µm|um|microns?)$/, 0.001],
  [/(thou|mils?)$/, MM_PER_INCH / 1000],
  [/(inches|inch|in|"|″)$/, MM_PER_INCH],
]

/**
 * Reads a length as people type it: `19.05`, `3/4 in`, `1 1/2"`, `.75"`, `60 thou`, `0,5`.
 * @param text what was typed
 * @param unit the unit of a number that names none
 * @returns millimetres, any sign
 */
export function parseLength(text: string, unit: LengthUnit): Result<number, LengthTextError> {
  let rest = text.trim().toLowerCase()
  if (rest === '') return fail({ code: 'EMPTY' })
  let mmPerOne = unitToMm(1, unit)
  for (const [pattern, factor] of UNIT_WORDS) {
    if (pattern.test(rest)) {
      mmPerOne = factor
      rest = rest.replace(pattern, '').trim()
      break
    }
  }
  const value = parseNumber(rest)
  if (!value.ok) return value.error.code === 'NOT_A_LENGTH' ? fail({ code: 'NOT_A_LENGTH', text }) : value
  return ok(value.value * mmPerOne)
}

/** A number as people type it; a comma that may count thousands is a fault, never a guess. */
export function parseNumber(text: string): Result<number, LengthTextError> {
  if (/^[+-]?\d{1,3},\d{3}$/.test(text) && !/^[+-]?0,/.test(text)) {
    return fail({ code: 'COMMA_AMBIGUOUS', text, asDecimal: text.replace(',', '.'), asThousands: text.replace(',', '') })
  }
  const mixed = /^([+-]?)(?:(\d+)[ -]+)?(\d+)\s*\/\s*(\d+)$/.exec(text)
  if (mixed) {
    const [, sign, whole, above, below] = mixed
    if (Number(below) === 0) return fail({ code: 'NOT_A_LENGTH', text })
    return ok((sign === '-' ? -1 : 1) * (Number(whole ?? 0) + Number(above) / Number(below)))
  }
  if (/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(text)) return ok(Number(text.replace(',', '.')))
  return fail({ code: 'NOT_A_LENGTH', text })
}

/** The same for forms and tables that tell a number that is none by themselves: NaN where it is not a number, or could be two. */
export function typedNumber(text: string): number {
  const read = parseNumber(text.trim())
  return read.ok ? read.value : NaN
}

/** Decimals that people read and controls take: micrometres in mm, tenths of a thou in inch. */
export const decimalsOf = (unit: LengthUnit): number => (unit === 'mm' ? 3 : 4)

/** Rounds half away from zero at `decimals`, as a value of its decimal text (so that text and number agree). */
export function roundTo(value: number, decimals: number): number {
  const scaled = Number(`${Math.abs(value)}e${decimals}`)
  const rounded = Number.isFinite(scaled)
    ? Number(`${Math.round(scaled)}e-${decimals}`)
    : Number(Math.abs(value).toFixed(decimals))
  return value < 0 && rounded !== 0 ? -rounded : rounded
}

/** `decimals` digits after the point, never `-0.000`. */
export const fixed = (value: number, decimals: number): string => roundTo(value, decimals).toFixed(decimals)

/** A length in millimetres as text in `unit`, without the unit's name. */
export function formatLength(mm: number, unit: LengthUnit, decimals = decimalsOf(unit)): string {
  return fixed(mmToUnit(mm, unit), decimals)
}

/** A small deviation: whole micrometres, or hundredths of a thou, with its sign and unit. */
export function formatDeviation(mm: number, unit: LengthUnit): string {
  const value = unit === 'mm' ? roundTo(mm * 1000, 0) : roundTo((mm / MM_PER_INCH) * 1000, 2)
  const text = unit === 'mm' ? value.toFixed(0) : value.toFixed(2)
  return `${value > 0 ? '+' : ''}${text.replace('-', '−')} ${unit === 'mm' ? 'µm' : 'thou'}`
}

export const unitMark = (unit: LengthUnit): string => (unit === 'mm' ? 'mm' : 'in')
