/** Rows as people type or paste them: every cell read by its field, every fault found. */
import { readMark } from '../tool'
import { fail, formatLength, ok, parseLength, parseNumber, parseQuantity, SI, type LengthUnit, type Result } from '../units'
import { fieldsOf, SET_UP, type FieldSpec, type FieldValue, type Row, type SetUpList } from './fields'

export type CellFault =
  | { readonly code: 'EMPTY' }
  | { readonly code: 'NO_NUMBER' }
  /** Its comma may stand before decimals or between thousands. */
  | { readonly code: 'COMMA' }
  | { readonly code: 'NO_WHOLE_NUMBER' }
  /** @param length both are mm */
  | { readonly code: 'RANGE'; readonly min: number; readonly max: number; readonly length: boolean }
  | { readonly code: 'NO_CHOICE'; readonly choices: readonly string[] }
  | { readonly code: 'NO_KEY' }
  | { readonly code: 'NO_MARK' }
  | { readonly code: 'LONG'; readonly most: number }
  | { readonly code: 'NO_DAY' }
  | { readonly code: 'NO_ADDRESS' }
  /** The shop has no such coupling, post, part or place. */
  | { readonly code: 'NOT_THERE'; readonly kind: 'coupling' | 'post' | 'part' | 'place' }
  /** Two rows of one name. */
  | { readonly code: 'TWICE'; readonly line: number }
  | { readonly code: 'THERE_ALREADY' }
  /** It is larger than the field it belongs before. */
  | { readonly code: 'LARGER'; readonly than: string }
  | { readonly code: 'NO_COLUMN' }
  | { readonly code: 'UNKNOWN_COLUMN' }

/** What names may stand for: asked by fields that name something else. */
export type Known = Readonly<Record<'coupling' | 'post' | 'part' | 'place', (name: string) => boolean>>

/** The first may not be larger than the second. */
const ORDER: Partial<Record<SetUpList, readonly (readonly [string, string])[]>> = {
  machine: [
    ['registersFrom', 'registersTo'],
    ['lengthFrom', 'lengthTo'],
    ['radiusFrom', 'radiusTo'],
  ],
}

const YES = ['yes', 'y', 'true', '1', 'x']
const NO = ['no', 'n', 'false', '0', '']
const TEXT_MOST = 80
const DAY = /^\d{4}-\d{2}-\d{2}$/
const NETWORK = /^[a-z0-9](?:[a-z0-9.-]{0,200}[a-z0-9])?(?::\d{1,5})?(?:\/[\w.-]{1,60})?$/i
/** Line ends and other marks that no name has. */
const CONTROL = /[\u0000-\u001f\u007f]/

function isDay(text: string): boolean {
  const day = new Date(`${text}T00:00:00Z`)
  // a month that there is not makes no date, a day too many makes the next month
  return DAY.test(text) && !Number.isNaN(day.getTime()) && day.toISOString().startsWith(text)
}

function number(text: string, { kind, min = -Infinity, max = Infinity }: FieldSpec, unit: LengthUnit): Result<number, CellFault> {
  const length = kind === 'length'
  const read = length
    ? parseLength(text, unit)
    : kind === 'mass'
      ? parseQuantity(text, 'mass', SI)
      : parseNumber(text.replace(/\s*rev\/min$/i, ''))
  if (!read.ok) return fail(read.error.code === 'COMMA_AMBIGUOUS' ? { code: 'COMMA' } : { code: 'NO_NUMBER' })
  if (kind === 'count' && !Number.isInteger(read.value)) return fail({ code: 'NO_WHOLE_NUMBER' })
  // a limit typed in inches may lie a hair beside it
  if (read.value < min - 1e-9 || read.value > max + 1e-9) return fail({ code: 'RANGE', min, max, length })
  return ok(read.value)
}

function named(text: string, spec: FieldSpec, known: Known): Result<string, CellFault> {
  switch (spec.kind) {
    case 'key':
      if (!/^[A-Za-z0-9][A-Za-z0-9-]{0,19}$/.test(text)) return fail({ code: 'NO_KEY' })
      return ok(spec.letters === 'small' ? text.toLowerCase() : text.toUpperCase())
    case 'mark': {
      const mark = readMark(text)
      return mark === null ? fail({ code: 'NO_MARK' }) : ok(mark)
    }
    case 'address':
      return NETWORK.test(text) ? ok(text) : fail({ code: 'NO_ADDRESS' })
    case 'day':
      return isDay(text) ? ok(text) : fail({ code: 'NO_DAY' })
    case 'choice': {
      const choices = spec.choices ?? []
      const chosen = choices.find((c) => c.toLowerCase() === text.toLowerCase())
      return chosen === undefined ? fail({ code: 'NO_CHOICE', choices }) : ok(chosen)
    }
    case 'coupling':
    case 'post':
    case 'part':
    case 'place':
      return known[spec.kind](text) ? ok(text) : fail({ code: 'NOT_THERE', kind: spec.kind })
    default: {
      const most = spec.max ?? TEXT_MOST
      return text.length > most || CONTROL.test(text) ? fail({ code: 'LONG', most }) : ok(text)
    }
  }
}

/**
 * One cell as it is typed.
 * @param unit of a length that names none
 */
export function readCell(spec: FieldSpec, typed: string, unit: LengthUnit, known: Known): Result<FieldValue, CellFault> {
  const text = typed.trim()
  if (spec.kind === 'yes') {
    const is = text.toLowerCase()
    return YES.includes(is) ? ok(true) : NO.includes(is) ? ok(false) : fail({ code: 'NO_CHOICE', choices: ['yes', 'no'] })
  }
  if (spec.kind === 'words')
    return ok(
      text
        .split(/[,;\s]+/)
        .map((word) => word.trim().slice(0, TEXT_MOST))
        .filter((word) => word !== ''),
    )
  if (text === '') return spec.may ? ok(null) : fail({ code: 'EMPTY' })
  return ['length', 'count', 'mass'].includes(spec.kind) ? number(text, spec, unit) : named(text, spec, known)
}

/** What is wrong with the fields of a row, by their keys. */
export type RowFaults = Readonly<Record<string, CellFault>>

/** A row of a form. @param typed fields that are left out stand as in a new row */
export function readRow<L extends SetUpList>(
  list: L,
  typed: Readonly<Record<string, string | undefined>>,
  unit: LengthUnit,
  known: Known,
): Result<Row<L>, RowFaults> {
  const values: Record<string, FieldValue> = {}
  const faults: Record<string, CellFault> = {}
  for (const [key, spec] of fieldsOf(list)) {
    const given = typed[key]
    // what stands there by itself is kept in mm, whatever the reader's unit
    const read = given === undefined ? readCell(spec, spec.standard ?? '', 'mm', known) : readCell(spec, given, unit, known)
    if (read.ok) values[key] = read.value
    else faults[key] = read.error
  }
  for (const [least, most] of ORDER[list] ?? []) {
    const [a, b] = [values[least], values[most]]
    if (typeof a === 'number' && typeof b === 'number' && a > b) faults[least] = { code: 'LARGER', than: most }
  }
  return Object.keys(faults).length ? fail(faults) : ok(values as Row<L>)
}

/** The cells of a row as a form or a spreadsheet shows them, so that `readRow` reads the same again. */
export function cellsOf<L extends SetUpList>(list: L, row: Row<L>, unit: LengthUnit): Record<string, string> {
  const shown = (spec: FieldSpec, value: FieldValue): string => {
    if (value === null) return ''
    if (typeof value === 'boolean') return value ? 'yes' : 'no'
    if (typeof value === 'number') return spec.kind === 'length' ? shortLength(value, unit) : String(value)
    return typeof value === 'string' ? value : value.join(', ')
  }
  return Object.fromEntries(
    fieldsOf(list).map(([key, spec]) => [key, shown(spec, (row as Readonly<Record<string, FieldValue>>)[key])]),
  )
}

/** The cells of a new row. */
export function newCells(list: SetUpList, unit: LengthUnit): Record<string, string> {
  return Object.fromEntries(
    fieldsOf(list).map(([key, { kind, standard = '' }]) => [
      key,
      kind === 'length' && standard !== '' ? shortLength(Number(standard), unit) : standard,
    ]),
  )
}

/** As many decimals as it takes to be the same length again, to a tenth of a micrometre, and no noughts behind. */
const shortLength = (mm: number, unit: LengthUnit): string =>
  formatLength(mm, unit, unit === 'mm' ? 4 : 6)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '')

export interface Table {
  readonly columns: readonly string[]
  readonly rows: readonly (readonly string[])[]
  /** Line of the file in which each row begins. */
  readonly lines: readonly number[]
}
export interface TableFault {
  readonly line: number
  /** As the table calls it, or the field that is missing. */
  readonly column: string
  readonly fault: CellFault
}

const FAULTS_MOST = 200

/**
 * A table that was pasted or comes from a file.
 * @param columnOf what each field may be called, in small letters; the unit of its lengths may stand behind in brackets
 * @param there whether a row of that name is there already
 * @returns all rows, or every fault of every cell, up to 200
 */
export function readTable<L extends SetUpList>(
  list: L,
  table: Table,
  unit: LengthUnit,
  known: Known,
  columnOf: (heading: string) => string | null,
  there: (name: string) => boolean,
): Result<Row<L>[], readonly TableFault[]> {
  const faults: TableFault[] = []
  const columns = table.columns.map((heading) => {
    const [, name, given] = /^(.*?)\s*(?:[([](mm|in|inch|inches)[)\]])?$/i.exec(heading.trim()) ?? []
    return {
      key: columnOf((name ?? heading).toLowerCase()),
      unit: given ? (given === 'mm' ? ('mm' as const) : ('inch' as const)) : unit,
    }
  })
  columns.forEach(({ key }, i) => {
    if (key === null && table.columns[i].trim() !== '')
      faults.push({ line: 1, column: table.columns[i], fault: { code: 'UNKNOWN_COLUMN' } })
  })
  for (const [key, spec] of fieldsOf(list))
    if (!spec.may && spec.standard === undefined && spec.kind !== 'words' && !columns.some((c) => c.key === key))
      faults.push({ line: 1, column: key, fault: { code: 'NO_COLUMN' } })
  if (faults.length) return fail(faults)
  const rows: Row<L>[] = []
  const seen = new Map<string, number>()
  const by = SET_UP[list].by
  for (const [i, cells] of table.rows.entries()) {
    if (faults.length >= FAULTS_MOST) break
    const line = table.lines[i]
    const typed: Record<string, string | undefined> = {}
    columns.forEach(({ key, unit: own }, c) => {
      // an empty cell is as if its column were not there: what stands in a new row counts
      if (key !== null && cells[c].trim() !== '') typed[key] = withUnit(list, key, cells[c], own)
    })
    const read = readRow(list, typed, unit, known)
    const heading = (key: string) => table.columns[columns.findIndex((c) => c.key === key)] ?? key
    if (!read.ok) {
      for (const [key, fault] of Object.entries(read.error)) faults.push({ line, column: heading(key), fault })
      continue
    }
    const name = String((read.value as Readonly<Record<string, FieldValue>>)[by]).toUpperCase()
    const before = seen.get(name)
    if (before !== undefined) faults.push({ line, column: heading(by), fault: { code: 'TWICE', line: before } })
    else if (there(String((read.value as Readonly<Record<string, FieldValue>>)[by])))
      faults.push({ line, column: heading(by), fault: { code: 'THERE_ALREADY' } })
    seen.set(name, line)
    rows.push(read.value)
  }
  return faults.length ? fail(faults.slice(0, FAULTS_MOST)) : ok(rows)
}

/** A length without a unit of its own gets its column's. */
function withUnit(list: SetUpList, key: string, cell: string, unit: LengthUnit): string {
  const spec = fieldsOf(list).find(([k]) => k === key)?.[1]
  return spec?.kind === 'length' && /\d\s*$/.test(cell) ? `${cell} ${unit === 'mm' ? 'mm' : 'in'}` : cell
}
