/** A tool list as CSV: columns `T`, and where known `name`, `count`, `minutes` for one part. */
import type { HandTool } from '@/core/plan'
import { fail, ok, typedNumber, type Result } from '@/core/units'
import { decodeCsv } from './csv'
import type { ToolListFault } from './faults'

const NAMES = {
  t: /^(t|tool|tool ?(no|number))\.?$/i,
  name: /^(name|description|text)$/i,
  count: /^(count|qty|quantity|pieces)$/i,
  minutes: /^min(utes)?( each)?$/i,
} as const

/** @errors with the row; nothing of the list is used then */
export function decodeToolList(text: string): Result<HandTool[], ToolListFault> {
  const table = decodeCsv(text)
  if (!table.ok) return table
  const at = (pattern: RegExp) => table.value.columns.findIndex((c) => pattern.test(c))
  const columns = { t: at(NAMES.t), name: at(NAMES.name), count: at(NAMES.count), minutes: at(NAMES.minutes) }
  if (columns.t < 0) return fail({ code: 'NO_T_COLUMN' })
  const tools: HandTool[] = []
  const seen = new Set<number>()
  for (const [i, row] of table.value.rows.entries()) {
    const line = table.value.lines[i]
    const t = Number(row[columns.t].replace(/^T/i, ''))
    const count = columns.count < 0 || row[columns.count] === '' ? 1 : Number(row[columns.count])
    const minutes = columns.minutes < 0 || row[columns.minutes] === '' ? null : typedNumber(row[columns.minutes])
    if (!Number.isInteger(t) || t < 1 || t > 99999) return fail({ code: 'BAD_T', line, cell: row[columns.t] })
    if (!Number.isInteger(count) || count < 1 || count > 20) return fail({ code: 'BAD_COUNT', line, cell: row[columns.count] })
    if (minutes !== null && !(minutes > 0 && minutes <= 10_000))
      return fail({ code: 'BAD_MINUTES', line, cell: row[columns.minutes] })
    if (seen.has(t)) return fail({ code: 'T_TWICE', line, t })
    seen.add(t)
    tools.push({ t, count, minutesEach: minutes, name: columns.name < 0 ? null : row[columns.name] || null, source: 'tool list' })
  }
  return ok(tools)
}
