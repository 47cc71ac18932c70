/** Tool definitions as CSV: one row a tool, parts in a column a role, alternatives behind a bar, lengths in mm. */
import { MEASURABLE, ROLES, ROUTES, TOOL_CLASSES, type Definition, type PartLine, type Role, type Tolerance } from '@/core/tool'
import { fail, ok, parseLength, typedNumber, type Result } from '@/core/units'
import { decodeCsv, encodeCsv } from './csv'
import type { CellFault } from './faults'
import { DefinitionSchema, fieldFault } from './library-json'

const SIZES = ['LF', 'DC', 'RE'] as const
type Cell = string | number
type Extra = (typeof EXTRA)[number]
const COLUMNS: readonly string[] = [
  'id',
  'T',
  'name',
  'class',
  'machines',
  ...SIZES.flatMap((s) => [`${s} [mm]`, `${s} lower [mm]`, `${s} upper [mm]`]),
  'edges',
  'measure',
  'radial runout [mm]',
  'axial runout [mm]',
  'program speed [rev/min]',
  'torque [N·m]',
  'reach [mm]',
  'balance grade',
  'balance speed [rev/min]',
  'route',
  'life [min]',
  ...ROLES,
]
/** What a table may leave out. */
const EXTRA = ['tip', 'step radial [mm]', 'step axial [mm]', 'reground to [mm]', 'wear [mm]', 'check [min]'] as const

const partText = (lines: readonly PartLine[]) =>
  lines.map((l) => `${l.count > 1 ? `${l.count} x ` : ''}${[l.component, ...l.alternatives].join(' | ')}`).join('; ')

export const encodeDefinitions = (definitions: readonly Definition[]): string =>
  encodeCsv(
    [...COLUMNS, ...EXTRA],
    definitions.map((d): Cell[] => [
      d.id,
      d.t,
      d.name,
      d.toolClass,
      d.machines.join(' '),
      ...SIZES.flatMap((s): Cell[] => (d[s] ? [d[s].nominal, d[s].lower, d[s].upper] : ['', '', ''])),
      d.edges,
      d.measure.join(' '),
      d.radialRunoutMax,
      d.axialRunoutMax,
      d.programRpm,
      d.torqueNm ?? '',
      d.reachMm ?? '',
      d.balance?.grade ?? '',
      d.balance?.rpm ?? '',
      d.route,
      d.lifeMin ?? '',
      ...ROLES.map((role) => partText(d.parts.filter((l) => l.role === role))),
      ...[d.tip, d.stepped?.radialMm, d.stepped?.axialMm, d.regroundDC, d.wearMm, d.checkMin].map((value) => value ?? ''),
    ]),
  )

/** The same columns again; every fault of every row, and nothing when there is one. New tools have version 0. */
export function decodeDefinitions(text: string): Result<Definition[], readonly CellFault[]> {
  const table = decodeCsv(text)
  if (!table.ok) return fail([{ line: 1, column: '', said: table.error }])
  const { columns, rows, lines } = table.value
  const missing = COLUMNS.filter((c) => !columns.includes(c) && !(ROLES as readonly string[]).includes(c))
  if (missing.length) return fail(missing.map((column) => ({ line: 1, column, said: { code: 'COLUMN_MISSING', column } })))
  const faults: CellFault[] = []
  const definitions: Definition[] = []
  rows.forEach((cells, i) => {
    const cell = (column: string) => cells[columns.indexOf(column)] ?? ''
    const number = (column: string) => (cell(column) === '' ? null : typedNumber(cell(column)))
    const length = (column: string): number | null => {
      if (cell(column) === '') return null
      const mm = parseLength(cell(column), 'mm')
      if (mm.ok) return mm.value
      faults.push({ line: lines[i], column, said: { code: 'NOT_A_LENGTH', cell: cell(column), error: mm.error } })
      return NaN
    }
    const size = (s: string): Tolerance | null => {
      const nominal = length(`${s} [mm]`)
      return nominal === null ? null : { nominal, lower: length(`${s} lower [mm]`) ?? 0, upper: length(`${s} upper [mm]`) ?? 0 }
    }
    const read = DefinitionSchema.safeParse({
      id: cell('id'),
      version: 0,
      t: number('T'),
      name: cell('name'),
      toolClass: TOOL_CLASSES.find((c) => c === cell('class')) ?? cell('class'),
      parts: ROLES.flatMap((role) => partsOf(role, cell(role))),
      LF: size('LF'),
      DC: size('DC'),
      RE: size('RE'),
      edges: number('edges'),
      measure: cell('measure')
        .split(/\s+/)
        .filter(Boolean)
        .map((m) => MEASURABLE.find((x) => x === m) ?? m),
      radialRunoutMax: length('radial runout [mm]'),
      axialRunoutMax: length('axial runout [mm]'),
      machines: cell('machines').split(/\s+/).filter(Boolean),
      programRpm: number('program speed [rev/min]'),
      torqueNm: number('torque [N·m]'),
      reachMm: length('reach [mm]'),
      balance:
        number('balance grade') === null ? null : { grade: number('balance grade'), rpm: number('balance speed [rev/min]') },
      route: ROUTES.find((r) => r === cell('route')) ?? cell('route'),
      lifeMin: number('life [min]'),
      contour: null,
      ...extras(number, length),
    })
    if (read.success) definitions.push(read.data)
    else
      for (const issue of read.error.issues.slice(0, 4))
        faults.push({ line: lines[i], column: String(issue.path[0] ?? ''), said: fieldFault(issue) })
  })
  return faults.length ? fail(faults) : ok(definitions)
}

/** What is left out where nothing is said. */
function extras(number: (column: Extra) => number | null, length: (column: Extra) => number | null) {
  const [radialMm, axialMm] = [length('step radial [mm]'), length('step axial [mm]')]
  const some = {
    tip: number('tip'),
    regroundDC: length('reground to [mm]'),
    wearMm: length('wear [mm]'),
    checkMin: number('check [min]'),
  }
  return {
    ...Object.fromEntries(Object.entries(some).filter(([, value]) => value !== null)),
    ...(radialMm === null && axialMm === null ? {} : { stepped: { radialMm: radialMm ?? 0, axialMm: axialMm ?? 0 } }),
  }
}

function partsOf(role: Role, text: string): PartLine[] {
  return text
    .split(';')
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => {
      const many = /^(\d+)\s*[x×]\s*(.*)$/.exec(line)
      const [component, ...alternatives] = (many ? many[2] : line).split('|').map((id) => id.trim())
      return { role, component, alternatives: alternatives.filter(Boolean), count: many ? Number(many[1]) : 1 }
    })
}
