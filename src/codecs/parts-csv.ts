/**
 * Parts as CSV. Out: one column a property, its unit in the name. In: any columns, mapped to properties; a length says its
 * unit in the column's name, in the mapping or in the cell, or it is refused.
 */
import {
  isText,
  checkComponent,
  type Couplings,
  KIND_NAMES,
  kindSpec,
  PROPERTIES,
  specOf,
  UNIT_OF,
  valueOf,
  type Component,
  type Kind,
  type PropertyKey,
} from '@/core/tool'
import { fail, ok, parseLength, typedNumber, type LengthUnit, type Result } from '@/core/units'
import { encodeCsv, type CsvTable } from './csv'
import type { CellFault, CellSaid } from './faults'

const BASE = ['id', 'kind', 'name', 'makerNumber', 'price', 'leastStock', 'note'] as const
type BaseKey = (typeof BASE)[number]
export type MapKey = BaseKey | PropertyKey

export interface ColumnMap {
  readonly key: MapKey
  /** For lengths; null when the cells themselves must say it. */
  readonly unit: LengthUnit | null
}

/** One entry a column, null for a column that is left out. */
export type Mapping = readonly (ColumnMap | null)[]

const PROPERTY_KEYS = Object.keys(PROPERTIES) as PropertyKey[]
export const MAP_KEYS: readonly MapKey[] = [...BASE, ...PROPERTY_KEYS]

const BASE_NAMES: Readonly<Record<BaseKey, readonly string[]>> = {
  id: ['id', 'number', 'part', 'part number', 'no'],
  kind: ['kind', 'type', 'class'],
  name: ['name', 'description', 'text'],
  makerNumber: ['maker number', 'maker', 'order number'],
  price: ['price', 'cost'],
  leastStock: ['least stock', 'minimum', 'min stock'],
  note: ['note', 'remark'],
}

const UNIT_IN_NAME = /[[(]\s*(mm|in|inch|inches|")\s*[\])]/i

/** What the columns' names suggest; a column that says nothing known is left out. @param names of properties, as people call them */
export function suggestMapping(columns: readonly string[], names: Readonly<Partial<Record<PropertyKey, string>>> = {}): Mapping {
  const used = new Set<MapKey>()
  return columns.map((column) => {
    const unit: LengthUnit | null =
      (UNIT_IN_NAME.exec(column)?.[1]
        .toLowerCase()
        .replace(/in.*|"/, 'inch') as LengthUnit | null) ?? null
    const word = column
      .replace(/[[(].*$/, '')
      .trim()
      .toLowerCase()
    const base = BASE.find((key) => key.toLowerCase() === word || BASE_NAMES[key].includes(word))
    const key: MapKey | undefined =
      base ??
      PROPERTY_KEYS.find((k) => k.toLowerCase() === word) ??
      PROPERTY_KEYS.find((k) => specOf(k).symbol?.toLowerCase() === word || names[k]?.toLowerCase() === word)
    if (!key || used.has(key)) return null
    used.add(key)
    return { key, unit }
  })
}

export interface ThereIs {
  /** Numbers that are in the library already. */
  readonly known: ReadonlySet<string>
  /** Left out: the standard ones. */
  readonly couplings?: Couplings
}

const LENGTH_HAS_UNIT = /(mm|µm|um|thou|mil|in|inch|"|″)\s*$/i

/**
 * @param kind of rows that do not name one
 * @returns the parts, or every fault of every row, up to `most`
 */
export function readParts(
  table: CsvTable,
  mapping: Mapping,
  kind: Kind | null,
  { known, couplings }: ThereIs,
  most = 200,
): Result<Component[], readonly CellFault[]> {
  const faults: CellFault[] = []
  const parts: Component[] = []
  const seen = new Map<string, number>()
  const fault = (line: number, column: string, said: CellSaid) => faults.push({ line, column, said })
  if (!mapping.some((m) => m?.key === 'id')) fault(1, '', { code: 'NOT_MAPPED', key: 'id' })
  if (!mapping.some((m) => m?.key === 'name')) fault(1, '', { code: 'NOT_MAPPED', key: 'name' })
  if (!kind && !mapping.some((m) => m?.key === 'kind')) fault(1, '', { code: 'NOT_MAPPED', key: 'kind' })
  if (faults.length) return fail(faults)
  for (const [i, cells] of table.rows.entries()) {
    if (faults.length >= most) break
    const line = table.lines[i]
    const before = faults.length
    const raw: Record<string, unknown> = kind ? { kind } : {}
    mapping.forEach((map, c) => {
      if (!map || cells[c] === '') return
      const read = readCell(map, cells[c])
      if (read.ok) raw[map.key] = read.value
      else fault(line, table.columns[c], read.error)
    })
    if (faults.length > before) continue
    const id = String(raw.id ?? '')
    if (known.has(id)) fault(line, '', { code: 'PART_KNOWN', id })
    else if (seen.has(id)) fault(line, '', { code: 'PART_TWICE', id, line: seen.get(id) ?? 0 })
    seen.set(id, line)
    const checked = checkComponent(withoutForeign(raw), couplings)
    if (checked.ok) parts.push(checked.value)
    else for (const f of checked.error.slice(0, 4)) fault(line, 'key' in f ? f.key : '', { code: 'PART', fault: f })
  }
  return faults.length ? fail(faults) : ok(parts)
}

/** A list of several kinds has columns that a kind does not have: an empty or foreign cell is no fault of the row. */
function withoutForeign(raw: Record<string, unknown>): Record<string, unknown> {
  const kind = String(raw.kind ?? '')
  if (!(KIND_NAMES as readonly string[]).includes(kind)) return raw
  const { has, may } = kindSpec(kind as Kind)
  const own = new Set<string>([...BASE, ...has, ...may])
  return Object.fromEntries(Object.entries(raw).filter(([key]) => own.has(key)))
}

function readCell({ key, unit }: ColumnMap, cell: string): Result<string | number, CellSaid> {
  if ((BASE as readonly string[]).includes(key)) {
    if (key !== 'price' && key !== 'leastStock') return ok(cell)
    const n = typedNumber(cell)
    return Number.isFinite(n) && n >= 0 ? ok(n) : fail({ code: 'NOT_POSITIVE', cell })
  }
  const { quantity } = specOf(key as PropertyKey)
  if (isText(key as PropertyKey)) return ok(cell)
  if (quantity !== 'length') {
    const n = typedNumber(cell)
    return Number.isFinite(n) ? ok(n) : fail({ code: 'NOT_A_NUMBER', cell })
  }
  if (unit === null && !LENGTH_HAS_UNIT.test(cell)) return fail({ code: 'NO_UNIT', cell })
  const mm = parseLength(cell, unit ?? 'mm')
  if (mm.ok) return ok(Number(mm.value.toFixed(6)))
  return fail({ code: 'NOT_A_LENGTH', cell, error: mm.error })
}

/** All parts, one column for each property that any of them has. */
export function encodeParts(parts: readonly Component[]): string {
  const keys = PROPERTY_KEYS.filter((key) => parts.some((p) => valueOf(p, key) !== undefined))
  const name = (key: PropertyKey) => (UNIT_OF[specOf(key).quantity] ? `${key} [${UNIT_OF[specOf(key).quantity]}]` : key)
  return encodeCsv(
    [...BASE, ...keys.map(name)],
    parts.map((p) => [
      ...BASE.map((key) => (p as unknown as Record<string, string | number | undefined>)[key]),
      ...keys.map((key) => valueOf(p, key)),
    ]),
  )
}
