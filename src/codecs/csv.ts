/** CSV after RFC 4180, as spreadsheets write it: comma or semicolon, with or without a mark at the start. */
import Papa from 'papaparse'
import { fail, ok, type Result } from '@/core/units'
import type { CsvFault } from './faults'

export interface CsvTable {
  readonly columns: readonly string[]
  /** Each row has as many cells as there are columns. */
  readonly rows: readonly (readonly string[])[]
  /** Line of the file in which each row begins, from 1. */
  readonly lines: readonly number[]
}

export const CSV_LIMITS = { rows: 50_000, columns: 200, lines: 500_000 } as const

interface Row {
  readonly cells: readonly string[]
  readonly line: number
}

/** Enough of a file to see by what its cells are parted. */
const LOOK_CHARACTERS = 65_536

const delimiterOf = (text: string): string =>
  Papa.parse(text.slice(0, LOOK_CHARACTERS), {
    preview: 10,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
  }).meta.delimiter

/** Every row that is not blank, with its line; reading ends with the first that is too much. */
function readRows(text: string): Result<Row[], CsvFault> {
  const rows: Row[] = []
  const held: { fault: CsvFault | null } = { fault: null }
  let line = 1
  let at = 0
  Papa.parse<string[]>(text, {
    delimiter: delimiterOf(text),
    step: ({ data, errors, meta }, parser) => {
      const begins = line
      line += text.slice(at, meta.cursor).match(/\r\n|\r|\n/g)?.length ?? 0
      at = meta.cursor
      if (errors.some((e) => e.type === 'Quotes')) held.fault = { code: 'OPEN_QUOTE', line: begins }
      else if (data.length > CSV_LIMITS.columns) held.fault = { code: 'TOO_MANY_COLUMNS', most: CSV_LIMITS.columns }
      else if (data.some((cell) => cell.trim() !== '')) rows.push({ cells: data.map((cell) => cell.trim()), line: begins })
      if (!held.fault && (rows.length > CSV_LIMITS.rows + 1 || line > CSV_LIMITS.lines))
        held.fault = { code: 'TOO_MANY_ROWS', most: CSV_LIMITS.rows }
      if (held.fault) parser.abort()
    },
  })
  return held.fault ? fail(held.fault) : ok(rows)
}

/** @errors an empty table, a column named twice, a row with another number of cells, a quote that never ends, more than the limits */
export function decodeCsv(text: string): Result<CsvTable, CsvFault> {
  const read = readRows(text.replace(/^\uFEFF/, ''))
  if (!read.ok) return read
  const [head, ...rows] = read.value
  if (!head || rows.length === 0) return fail({ code: 'NO_ROWS' })
  const columns = head.cells
  const twice = columns.find((name, i) => name !== '' && columns.indexOf(name) !== i)
  if (twice) return fail({ code: 'COLUMN_TWICE', column: twice })
  const uneven = rows.find(({ cells }) => cells.length !== columns.length)
  if (uneven) return fail({ code: 'UNEVEN_ROW', row: uneven.line, cells: uneven.cells.length, columns: columns.length })
  return ok({ columns, rows: rows.map(({ cells }) => cells), lines: rows.map((row) => row.line) })
}

/** Text cells that a spreadsheet would take for a formula get an apostrophe. */
const safe = (cell: string | number | null | undefined): string | number =>
  typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) && !/^[+-]?[\d.,]+$/.test(cell) ? `'${cell}` : (cell ?? '')

/** Comma, CRLF, quotes where needed. @param columns null: rows alone, to go on with a table that was begun */
export const encodeCsv = (
  columns: readonly string[] | null,
  rows: readonly (readonly (string | number | null | undefined)[])[],
): string => {
  const data = rows.map((row) => row.map(safe))
  const text = Papa.unparse(columns ? { fields: [...columns], data } : data, { newline: '\r\n' })
  // a heading without rows comes with its line end
  return text === '' || text.endsWith('\r\n') ? text : `${text}\r\n`
}
