import type { MoveError } from '@/core/plan'
import type { Coupling } from '@/core/tool'
import type { Bare } from '@/core/units'

export interface StoreRefusals {
  MOVE: { readonly error: MoveError; readonly name: string }
  /** @param place null: the tool room as a whole */
  TOO_FEW_THERE: { readonly place: string | null; readonly have: number; readonly name: string; readonly wanted: number }
  NO_PLACE: Bare
  UNKNOWN_BOOKING: { readonly id: number }
  UNDONE_ALREADY: { readonly id: number; readonly by: number }
  IS_UNDOING: Bare
  PART_OF_A_TOOL: { readonly serial: string }
  BAD_STOCK_COUNT: Bare
  BAD_UNIT_ID: Bare
  OFF_THE_PLAN: { readonly unit: string }
  IN_THE_WAY: { readonly of: string }
  UNKNOWN_TAPER: { readonly taper: string }
  WRONG_SLOT: { readonly place: string; readonly takes: Coupling | null; readonly has: Coupling }
  STILL_IN_MACHINE: { readonly serial: string; readonly machine: string; readonly pocket: number | null }
  /** ISO 8601, computed. */
  TOOL_HOT: { readonly serial: string; readonly until: string }
  /** @param by null: just now */
  SLOT_TAKEN: { readonly place: string; readonly by: { readonly t: number | null; readonly serial: string } | null }
}
