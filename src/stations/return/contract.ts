import type { RegisterName } from '@/core/handover'
import type { Coupling } from '@/core/tool'
import type { Bare } from '@/core/units'

export interface ReturnRefusals {
  NOT_LOADED: { readonly serial: string }
  /** In the machine's unit. @param held null: nothing */
  NOT_EMPTY: { readonly held: number | null; readonly register: RegisterName; readonly number: number }
  /** A switch says so. @param pocket SPINDLE: clamped in the spindle */
  STILL_IN: { readonly pocket: number }
  OTHER_POCKET: { readonly serial: string; readonly pocket: number; readonly atDoor: number }
  /** @param program that runs; null: it is in the spindle */
  IN_USE: { readonly t: number | null; readonly program: string | null }
  HANDOVER_OLD: Bare
  /** Nobody said whether its wear goes along. */
  WEAR_UNSAID: Bare
  NO_NEXT_MACHINE: Bare
  NEXT_TAPER: { readonly has: Coupling; readonly machine: string; readonly needs: Coupling }
  STILL_LISTED: { readonly t: number | null; readonly pocket: number }
}
