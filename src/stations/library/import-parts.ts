import { PROPERTY_NAMES } from '@/words/properties'
import { decodeCsv } from '@/codecs/csv'
import type { CellFault } from '@/codecs/faults'
import { MAP_KEYS, readParts, suggestMapping, type Mapping } from '@/codecs/parts-csv'
import { KIND_NAMES, type Component, type Kind } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { listComponentIds } from '@/db/library/read'
import type { Given } from '../contract'
import type { Refusal } from '../refusals'
import type { ImportPreview, previewCsv } from './contract'

type Asked = Given<typeof previewCsv>

interface Read {
  readonly columns: readonly string[]
  readonly rows: readonly (readonly string[])[]
  readonly mapping: Mapping
  readonly parts: Result<Component[], readonly CellFault[]>
}

function read(db: Db, given: Asked): Result<Read, Refusal> {
  const table = decodeCsv(given.text)
  if (!table.ok) return fail({ code: 'BAD_FILE', line: null, column: null, fault: table.error })
  const { columns, rows } = table.value
  const known = (key: string) => (MAP_KEYS as readonly string[]).includes(key)
  const mapping = (given.mapping?.map((m) => (m && known(m.key) ? m : null)) ??
    suggestMapping(columns, PROPERTY_NAMES)) as Mapping
  const kind = (KIND_NAMES as readonly string[]).includes(given.kind ?? '') ? (given.kind as Kind) : null
  return ok({ columns, rows, mapping, parts: readParts(table.value, mapping, kind, listComponentIds(db)) })
}

/** What an import would do; nothing is stored. */
export function previewParts(db: Db, given: Asked): Result<ImportPreview, Refusal> {
  const done = read(db, given)
  if (!done.ok) return done
  const { columns, rows, mapping, parts } = done.value
  const bad = parts.ok ? 0 : new Set(parts.error.map((f) => f.line)).size
  return ok({
    columns,
    mapping,
    sample: rows.slice(0, 5),
    rows: rows.length,
    good: parts.ok ? parts.value.length : Math.max(0, rows.length - bad),
    faults: parts.ok ? [] : parts.error,
  })
}

/** The parts of a CSV file, when there is no fault in it. */
export function readPartsFile(db: Db, given: Asked): Result<Component[], Refusal> {
  const done = read(db, given)
  if (!done.ok) return done
  if (done.value.parts.ok) return done.value.parts
  const [{ line, said }] = done.value.parts.error
  return fail({ code: 'BAD_FILE', line, column: null, fault: said })
}
