import { z } from 'zod'
import { type Coupling, UNIT_KINDS } from '@/core/tool'
import { contract, CouplingName, fault, OneId, PartId, Pieces, PlaceId } from '../contract'
import type { MoveError } from '@/core/plan'
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

export const book = contract<{ id: number }>()(
  z.object({ what: z.enum(['receive', 'scrap', 'shift']), component: PartId, count: Pieces, from: PlaceId, to: PlaceId }),
)
export const countStock = contract<{ difference: number }>()(
  z.object({ component: PartId, place: PlaceId, found: z.number({ error: fault('FOUND') }) }),
)
export const putRight = contract<{ id: number }>()(OneId)
export const placeUnit = contract<{ id: string }>()(
  z.object({
    unit: z.object({
      id: z.string().trim().min(1).max(16),
      kind: z.enum(UNIT_KINDS),
      name: z.string().trim().min(1, fault('NAME')).max(60),
      x: z.number().int(),
      y: z.number().int(),
      w: z.number().int().min(1).max(12),
      h: z.number().int().min(1).max(12),
    }),
    drawers: z.number().int().min(0).max(60),
    taper: CouplingName.nullable(),
    /** Where it stands now; null for a new one. */
    from: z.object({ x: z.number().int(), y: z.number().int() }).nullable(),
  }),
)
