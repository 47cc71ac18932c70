import type { Coupling, Kind, PartFault } from '@/core/tool'
import type { Bare } from '@/core/units'

export interface LibraryRefusals {
  PART: { readonly faults: readonly PartFault[] }
  /** @param name what has that number already; null: added just now */
  PART_EXISTS: { readonly part: string; readonly name: string | null; readonly in: 'form' | 'import' }
  KIND_STAYS: { readonly part: string; readonly kind: Kind }
  TOOL_EXISTS: { readonly definition: string }
  DOES_NOT_FIT: { readonly definition: string; readonly fault: DefinitionFault; readonly in: 'form' | 'import' }
  T_TAKEN: { readonly t: number; readonly by: string }
  /** A file that cannot be taken in. @param detail a sentence of the reader of such files */
  BAD_FILE: { readonly line: number | null; readonly column: string | null; readonly detail: string }
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

import type { Refusal as FitsRefusal } from '@/core/fits'

/** Why a definition cannot be built. */
export type DefinitionFault =
  { readonly code: 'UNKNOWN_PART'; readonly part: string } | { readonly code: 'FITS'; readonly refusal: FitsRefusal }
