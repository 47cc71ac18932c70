import type { CellFault, FileFault } from '@/codecs/faults'
import { z } from 'zod'
import type { Refusal as FitsRefusal } from '@/core/fits'
import type { Archetype, ContourPiece, Coupling, Definition, Kind, PartFault } from '@/core/tool'
import type { Bare, LengthUnit } from '@/core/units'
import { contract, fault, PartId, PlaceId, Serial } from '../contract'

export interface LibraryRefusals {
  PART: { readonly faults: readonly PartFault[] }
  /** @param name what has that number already; null: added just now */
  PART_EXISTS: { readonly part: string; readonly name: string | null; readonly in: 'form' | 'import' }
  KIND_STAYS: { readonly part: string; readonly kind: Kind }
  TOOL_EXISTS: { readonly definition: string }
  DOES_NOT_FIT: { readonly definition: string; readonly fault: DefinitionFault; readonly in: 'form' | 'import' }
  T_TAKEN: { readonly t: number; readonly by: string }
  /** A file that cannot be taken in. @param detail a sentence of the reader of such files */
  BAD_FILE: { readonly line: number | null; readonly column: string | null; readonly fault: FileFault }
  IMPORT_EMPTY: { readonly source: string }
  /** Two rows with one number. */
  IMPORT_TWICE: Bare
  NOT_A_CUTTER: { readonly part: string }
  /** A regrind that is larger than the cutter was, mm. */
  GROWN: { readonly DC: number; readonly OAL: number }
  OTHER_SIZES: { readonly part: string }
  NOT_A_HOLDER: { readonly part: string }
  SERIAL_TAKEN: { readonly serial: string }
  WHY_RETIRED: Bare
  INSPECTION_PAST: Bare
  NOT_A_STUD: { readonly part: string }
  WRONG_STUD: { readonly stud: string; readonly for: Coupling; readonly holder: Coupling }
}

/** Why a definition cannot be built. */
export type DefinitionFault =
  { readonly code: 'UNKNOWN_PART'; readonly part: string } | { readonly code: 'FITS'; readonly refusal: FitsRefusal }

/** @param version the one that was changed; 0 for a new part */
export const putPart = contract<{ id: string }>()(
  z.object({ part: z.record(z.string(), z.unknown()), version: z.number().int().min(0) }),
)
/** The schema of a definition stands with the file that carries it, in `codecs`. */
export const putDefinition = contract<{ id: string; version: number }>()(z.custom<Definition>())
export const regrind = contract<{ id: string }>()(
  z.object({ id: PartId, DC: z.number().positive(), OAL: z.number().positive(), count: z.number().int().min(1).max(1000) }),
)
export const addHolder = contract<{ serial: string }>()(z.object({ serial: Serial, component: PartId, place: PlaceId }))
export const inspectHolder = contract()(
  z.object({
    serial: Serial,
    until: z.iso.datetime().nullable(),
    retireReason: z.string().max(200).nullable(),
    /** Until when it is good now. */
    from: z.iso.datetime().nullable(),
  }),
)
/** @param from since when the stud is in that it has now: the same kind may have come twice */
export const replaceStud = contract()(z.object({ serial: Serial, stud: PartId, from: z.iso.datetime().nullable() }))

export const IMPORT_LIMIT_BYTES = 20 * 2 ** 20
const File = z.string().max(IMPORT_LIMIT_BYTES, fault('FILE_SIZE'))
const Csv = z.object({
  text: File,
  mapping: z
    .array(z.object({ key: z.string(), unit: z.enum(['mm', 'inch']).nullable() }).nullable())
    .max(400)
    .nullable(),
  kind: z.string().nullable(),
})

/** What an import would do. @param mapping key and unit of each column; null: left out */
export interface ImportPreview {
  readonly columns: readonly string[]
  readonly mapping: readonly ({ readonly key: string; readonly unit: LengthUnit | null } | null)[]
  /** The first rows as they are in the file. */
  readonly sample: readonly (readonly string[])[]
  readonly rows: number
  readonly good: number
  readonly faults: readonly CellFault[]
}
export const previewCsv = contract<ImportPreview>()(Csv)
export const importCsv = contract<{ parts: number }>()(Csv)
/** A drawing, or what another program says of one tool: read into the form of a new tool. */
const OneTool = z.object({ text: z.string().max(4 * 2 ** 20, fault('FILE_SIZE')) })
export const readContour = contract<readonly ContourPiece[]>()(OneTool)
export const readArchetype = contract<Archetype>()(OneTool)
/** JSON of parts and tools, or the CSV of tools. */
export const importFile = contract<{ parts: number; definitions: number }>()(z.object({ text: File, name: z.string().max(200) }))
