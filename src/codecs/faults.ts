/** Why a file of the outside cannot be read: codes with their data. `src/words/files.ts` makes the sentences. */
import type { PartFault } from '@/core/tool'
import type { LengthTextError } from '@/core/units'

/** What is wrong with a table as such. */
export type CsvFault =
  | { readonly code: 'OPEN_QUOTE'; readonly line: number }
  | { readonly code: 'NO_ROWS' }
  | { readonly code: 'COLUMN_TWICE'; readonly column: string }
  | { readonly code: 'TOO_MANY_ROWS' | 'TOO_MANY_COLUMNS'; readonly most: number }
  | { readonly code: 'UNEVEN_ROW'; readonly row: number; readonly cells: number; readonly columns: number }

/** What the schema of a definition says of a field: the code it carries, or a bound that was passed. */
export const FIELD_CODES = ['TOOL_NUMBER', 'T_NUMBER', 'TOOL_NAME', 'PARTS_LIST', 'MEASURE', 'MACHINES', 'SPEED'] as const
export type FieldCode = (typeof FIELD_CODES)[number]
export interface FieldFaultOfFile {
  readonly code: 'FIELD'
  readonly field: FieldCode | null
  readonly least: number | null
  readonly most: number | null
}

/** What is wrong with a cell or a row. */
export type CellSaid =
  | { readonly code: 'COLUMN_MISSING'; readonly column: string }
  | { readonly code: 'NOT_MAPPED'; readonly key: 'id' | 'name' | 'kind' }
  | { readonly code: 'PART_KNOWN'; readonly id: string }
  | { readonly code: 'PART_TWICE'; readonly id: string; readonly line: number }
  | { readonly code: 'NOT_POSITIVE' | 'NOT_A_NUMBER' | 'NO_UNIT'; readonly cell: string }
  | { readonly code: 'NOT_A_LENGTH'; readonly cell: string; readonly error: LengthTextError }
  | { readonly code: 'PART'; readonly fault: PartFault }
  | FieldFaultOfFile
  | CsvFault

export interface CellFault {
  /** Line in the file, from 1. */
  readonly line: number
  /** Name of the column, empty when the whole row is meant. */
  readonly column: string
  readonly said: CellSaid
}

export type ToolListFault =
  | CsvFault
  | { readonly code: 'NO_T_COLUMN' }
  | { readonly code: 'BAD_T' | 'BAD_COUNT' | 'BAD_MINUTES'; readonly line: number; readonly cell: string }
  | { readonly code: 'T_TWICE'; readonly line: number; readonly t: number }

export type LibraryFault =
  | { readonly code: 'NO_JSON' }
  | { readonly code: 'AT'; readonly path: readonly string[]; readonly said: FieldFaultOfFile }
  | { readonly code: 'PART_OF_FILE'; readonly part: string; readonly fault: PartFault }

export type DxfFault =
  | { readonly code: 'NO_DXF' | 'EMPTY_DRAWING' | 'NO_DRAWING_UNIT' }
  | { readonly code: 'ENTITY'; readonly entity: number; readonly type: string }
  | { readonly code: 'TOO_MANY_PIECES'; readonly most: number }
  | { readonly code: 'BREAKS_OFF'; readonly xMm: number; readonly yMm: number; readonly pieces: number }

export type ArchetypeFault =
  /** @property detail the parser's own words */
  | { readonly code: 'NO_XML'; readonly detail: string; readonly line: number | null }
  | { readonly code: 'DOCUMENT_TYPE' | 'NO_ARCHETYPE' }
  | { readonly code: 'FOREIGN_UNIT'; readonly element: string; readonly unit: string }

/** What is wrong with one file of a frame set. */
export type FrameFileFault =
  | {
      readonly code:
        'MISSING' | 'NOT_UNPACKED' | 'NO_ZIP' | 'NO_JSON' | 'NO_PNG' | 'DAMAGED' | 'NOT_GREY' | 'CUT_OFF' | 'BAD_SIZE'
    }
  | { readonly code: 'OTHER_SIZE'; readonly is: readonly [number, number]; readonly first: readonly [number, number] }
  /** @property path where in the file, empty for the whole; @property detail Zod's own words where no code says it */
  | {
      readonly code: 'HEADER'
      readonly path: string
      readonly field: 'FORMAT' | 'SCALE' | 'FEATURE' | 'NO_FRAME' | null
      readonly detail: string
    }

export type FrameSetError =
  | { readonly code: 'BAD_FRAMESET'; readonly file: string; readonly fault: FrameFileFault }
  | {
      readonly code: 'TOO_LARGE'
      readonly what: 'packed' | 'files' | 'unpacked' | 'pixels'
      /** Bytes, files, or pixels of all pictures. */
      readonly most: number
    }

export type FileFault = CellSaid | ToolListFault | LibraryFault | DxfFault | ArchetypeFault

/** What is wrong with an offset table that a machine wrote into its folder. */
export type TableFault =
  | { readonly code: 'NO_T' }
  | { readonly code: 'COLUMN'; readonly column: string }
  | { readonly code: 'NUMBER'; readonly line: number; readonly column: string }
