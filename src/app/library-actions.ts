'use server'
import { z } from 'zod'
import { decodeCsv } from '@/codecs/csv'
import { decodeDefinitions } from '@/codecs/definitions-csv'
import { decodeContour } from '@/codecs/dxf'
import { decodeLibrary, DefinitionSchema } from '@/codecs/library-json'
import { MAP_KEYS, readParts, suggestMapping, type CellFault, type Mapping } from '@/codecs/parts-csv'
import { decodeArchetype, type Archetype } from '@/codecs/tool-archetype'
import { COUPLING_NAMES, KIND_NAMES, UNIT_KINDS, type ContourPiece, type Kind } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { listComponentIds } from '@/db/library/read'
import { addHolder, inspectHolder, replaceStud } from '@/stations/library/holder-care'
import { importLibrary } from '@/stations/library/import-library'
import { putDefinition } from '@/stations/library/put-definition'
import { putPart } from '@/stations/library/put-part'
import { regrind } from '@/stations/library/regrind'
import { book, countStock, moves } from '@/stations/store/book'
import { placeUnit } from '@/stations/store/plan'
import { refuse } from '@/stations/refusals'
import { act, Serial, type Said } from './_server/act'
import { context } from './_server/context'
import { partFaultText } from '@/words/part'

const Part = z.object({ part: z.record(z.string(), z.unknown()), isNew: z.boolean() })
export async function putPartAction(input: z.input<typeof Part>): Promise<Result<{ id: string }, Said>> {
  return act(Part, input, (work, { part, isNew }) => {
    const done = putPart(work, part, isNew)
    return done.ok ? ok({ id: done.value.id }) : done
  })
}

export async function putDefinitionAction(
  input: z.input<typeof DefinitionSchema>,
): Promise<Result<{ id: string; version: number }, Said>> {
  return act(DefinitionSchema, input, (work, definition) => {
    const done = putDefinition(work, definition)
    return done.ok ? ok({ id: done.value.id, version: done.value.version }) : done
  })
}

const Regrind = z.object({
  id: z.string().max(60),
  DC: z.number().positive(),
  OAL: z.number().positive(),
  count: z.number().int().min(1).max(1000),
})
export async function regrindAction(input: z.input<typeof Regrind>): Promise<Result<{ id: string }, Said>> {
  return act(Regrind, input, (work, given) => regrind(work, { ...given, place: null }))
}

const Place = z.string().max(40).nullable()
const Pieces = z.number({ error: 'Say how many.' }).int('Whole pieces only.').min(1, 'At least one piece.').max(100_000)
const Book = z.object({
  what: z.enum(['receive', 'scrap', 'shift']),
  component: z.string().max(60),
  count: Pieces,
  from: Place,
  to: Place,
})
export async function bookAction(input: z.input<typeof Book>): Promise<Result<{ id: number }, Said>> {
  return act(Book, input, (work, { what, component, count, from, to }) => {
    switch (what) {
      case 'receive':
        return book(work, moves.receive(component, count, to))
      case 'scrap':
        return book(work, moves.scrap(component, count, 'hand', { fromPlace: from }))
      case 'shift':
        return to === null ? refuse({ code: 'NO_PLACE' }) : book(work, moves.shift(component, count, from, to))
    }
  })
}

const Count = z.object({ component: z.string().max(60), place: Place, found: z.number({ error: 'Say how many lie there.' }) })
export async function countStockAction(input: z.input<typeof Count>): Promise<Result<{ difference: number }, Said>> {
  return act(Count, input, countStock)
}

const Holder = z.object({ serial: Serial, component: z.string().max(60), place: Place })
export async function addHolderAction(input: z.input<typeof Holder>): Promise<Result<{ serial: string }, Said>> {
  return act(Holder, input, addHolder)
}
const Inspect = z.object({ serial: Serial, until: z.iso.datetime().nullable(), retireReason: z.string().max(200).nullable() })
export async function inspectHolderAction(input: z.input<typeof Inspect>): Promise<Result<null, Said>> {
  return act(Inspect, input, inspectHolder)
}
const Stud = z.object({ serial: Serial, stud: z.string().max(60) })
export async function replaceStudAction(input: z.input<typeof Stud>): Promise<Result<null, Said>> {
  return act(Stud, input, (work, { serial, stud }) => replaceStud(work, serial, stud))
}

const Unit = z.object({
  unit: z.object({
    id: z.string().trim().min(1).max(16),
    kind: z.enum(UNIT_KINDS),
    name: z.string().trim().min(1, 'Give it a name.').max(60),
    x: z.number().int(),
    y: z.number().int(),
    w: z.number().int().min(1).max(12),
    h: z.number().int().min(1).max(12),
  }),
  drawers: z.number().int().min(0).max(60),
  taper: z.enum(COUPLING_NAMES).nullable(),
})
export async function placeUnitAction(input: z.input<typeof Unit>): Promise<Result<{ id: string }, Said>> {
  return act(Unit, input, (work, { unit, drawers, taper }) => placeUnit(work, unit, drawers, taper))
}

const MOST_TEXT = 20 * 2 ** 20
const MapSchema = z.array(z.object({ key: z.string(), unit: z.enum(['mm', 'inch']).nullable() }).nullable()).max(400)
const Csv = z.object({
  text: z.string().max(MOST_TEXT, 'A file may have 20 MB at most.'),
  mapping: MapSchema.nullable(),
  kind: z.string().nullable(),
})

export interface ImportPreview {
  readonly columns: readonly string[]
  readonly mapping: Mapping
  /** The first rows as they stand in the file. */
  readonly sample: readonly (readonly string[])[]
  readonly rows: number
  readonly good: number
  readonly faults: readonly CellFault[]
}

function readCsv(
  given: z.output<typeof Csv>,
  known: ReadonlySet<string>,
): Result<{ preview: ImportPreview; parts: ReturnType<typeof readParts> }, { text: string }> {
  const table = decodeCsv(given.text)
  if (!table.ok) return fail({ text: table.error.text })
  const mapping = (given.mapping?.map((m) => (m && (MAP_KEYS as readonly string[]).includes(m.key) ? m : null)) ??
    suggestMapping(table.value.columns)) as Mapping
  const kind = (KIND_NAMES as readonly string[]).includes(given.kind ?? '') ? (given.kind as Kind) : null
  const parts = readParts(table.value, mapping, kind, known, partFaultText)
  const bad = parts.ok ? 0 : new Set(parts.error.map((f) => f.line)).size
  return ok({
    parts,
    preview: {
      columns: table.value.columns,
      mapping,
      sample: table.value.rows.slice(0, 5),
      rows: table.value.rows.length,
      good: parts.ok ? parts.value.length : Math.max(0, table.value.rows.length - bad),
      faults: parts.ok ? [] : parts.error,
    },
  })
}

/** What an import would do; nothing is stored. */
export async function previewCsvAction(input: z.input<typeof Csv>): Promise<Result<ImportPreview, { text: string }>> {
  const given = Csv.safeParse(input)
  if (!given.success) return fail({ text: given.error.issues[0].message })
  const read = readCsv(given.data, listComponentIds((await context()).db))
  return read.ok ? ok(read.value.preview) : read
}

export async function importCsvAction(input: z.input<typeof Csv>): Promise<Result<{ parts: number }, Said>> {
  return act(Csv, input, (work, given) => {
    const read = readCsv(given, listComponentIds(work.db))
    if (!read.ok) return refuse({ code: 'BAD_FILE', line: null, column: null, detail: read.error.text })
    if (!read.value.parts.ok) {
      const [first] = read.value.parts.error
      return refuse({ code: 'BAD_FILE', line: first.line, column: null, detail: first.text })
    }
    return importLibrary(work, { parts: read.value.parts.value, definitions: [] }, 'a CSV file')
  })
}

const Whole = z.object({ text: z.string().max(MOST_TEXT, 'A file may have 20 MB at most.'), name: z.string().max(200) })
/** JSON of parts and tools, or the CSV of tools. */
export async function importFileAction(
  input: z.input<typeof Whole>,
): Promise<Result<{ parts: number; definitions: number }, Said>> {
  return act(Whole, input, (work, { text, name }) => {
    if (/\.json$/i.test(name)) {
      const read = decodeLibrary(text, partFaultText)
      return read.ok
        ? importLibrary(work, read.value, name)
        : refuse({ code: 'BAD_FILE', line: null, column: null, detail: read.error.text })
    }
    const tools = decodeDefinitions(text)
    if (tools.ok) return importLibrary(work, { parts: [], definitions: tools.value }, name)
    const [{ line, column, text: why }] = tools.error
    return refuse({ code: 'BAD_FILE', line, column: column ?? null, detail: why })
  })
}

/** Reads an archetype into the form of a new tool; nothing is stored. */
export async function readArchetypeAction(text: string): Promise<Result<Archetype, { text: string }>> {
  return decodeArchetype(
    z
      .string()
      .max(2 ** 20)
      .catch('')
      .parse(text),
  )
}

/** Reads a contour out of a drawing; nothing is stored. */
export async function readContourAction(text: string): Promise<Result<ContourPiece[], { text: string }>> {
  return decodeContour(
    z
      .string()
      .max(4 * 2 ** 20)
      .catch('')
      .parse(text),
  )
}
