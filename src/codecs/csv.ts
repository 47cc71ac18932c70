/** CSV after RFC 4180, as spreadsheets write it: comma or semicolon, with or without a mark at the start. */
import Papa from 'papaparse'
import { fail, ok, type Result } from '@/core/units'
import type { CsvFault } from './faults'

export interface CsvTable {
  readonly columns: readonly string[]
  /** Each row has as many cells as there are columns. */
  readonly rows: readonly (readonly string[])[]
  /** Line of each row in the file, from 1. */
  readonly lines: readonly number[]
}

/** @errors an empty table, a column named twice, a row with another number of cells, a quote that never ends */
export function decodeCsv(text: string): Result<CsvTable, CsvFault> {
  const parsed = Papa.parse<string[]>(text.replace(/^﻿/, ''), { skipEmptyLines: 'greedy', delimitersToGuess: [',', ';', '\t'] })
  const broken = parsed.errors.find((e) => e.type === 'Quotes')
  if (broken) return fail({ code: 'OPEN_QUOTE', line: (broken.row ?? 0) + 1 })
  const [head, ...rows] = parsed.data
  if (!head || rows.length === 0) return fail({ code: 'NO_ROWS' })
  const columns = head.map((name) => name.trim())
  const twice = columns.find((name, i) => name !== '' && columns.indexOf(name) !== i)
  if (twice) return fail({ code: 'COLUMN_TWICE', column: twice })
  const uneven = rows.findIndex((row) => row.length !== columns.length)
  if (uneven >= 0) return fail({ code: 'UNEVEN_ROW', row: uneven + 2, cells: rows[uneven].length, columns: columns.length })
  return ok({ columns, rows: rows.map((row) => row.map((cell) => cell.trim())), lines: rows.map((_, i) => i + 2) })
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
