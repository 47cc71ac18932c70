/** The offset table that a machine writes into its folder: CSV (RFC 4180), a row a tool, values in the machine's own unit. */
import Papa from 'papaparse'
import { REGISTER_NAMES, type HeldRow, type RegisterName } from '@/core/handover'
import { fail, ok, type Result } from '@/core/units'
import type { TableFault } from './faults'

const isRegister = (name: string): name is RegisterName => (REGISTER_NAMES as readonly string[]).includes(name)

/** @returns rows by tool number; an empty cell is a register that is empty */
export function readOffsetTable(text: string): Result<ReadonlyMap<number, HeldRow>, TableFault> {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), { header: true, skipEmptyLines: true, delimiter: ',' })
  const columns = (meta.fields ?? []).map((name) => name.trim())
  if (columns[0] !== 'T') return fail({ code: 'NO_T' })
  const strange = columns.slice(1).find((name) => !isRegister(name))
  if (strange !== undefined) return fail({ code: 'COLUMN', column: strange })
  const rows = new Map<number, HeldRow>()
  for (const [i, cells] of data.entries()) {
    const row: Partial<Record<RegisterName, number>> = {}
    for (const [name, cell] of Object.entries(cells)) {
      const typed = String(cell ?? '').trim()
      if (typed === '' && name.trim() !== 'T') continue
      // a number of a control has a point, never a comma
      if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(typed)) return fail({ code: 'NUMBER', line: i + 2, column: name.trim() })
      if (name.trim() !== 'T') row[name.trim() as RegisterName] = Number(typed)
    }
    const t = Number(cells.T)
    if (!Number.isInteger(t) || rows.has(t)) return fail({ code: 'NUMBER', line: i + 2, column: 'T' })
    rows.set(t, row)
  }
  return ok(rows)
}
