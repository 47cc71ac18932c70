import { z } from 'zod'
import { contract, MachineKey, Serial, Why } from '../contract'
import type { RegisterName, Wear } from '@/core/handover'
import type { Coupling, ToolState } from '@/core/tool'
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

export const DISPOSITIONS = ['again', 'other', 'measure', 'apart', 'scrap', 'broken'] as const
export type Disposition = (typeof DISPOSITIONS)[number]

/** A tool that is out. */
export interface Unloaded {
  readonly wear: Wear | null
  readonly state: ToolState
  /** Whether its chip took wear and minutes; null when it has none. */
  readonly tag: { readonly written: boolean; readonly text: string } | null
  /** A tool of the same kind that is ready, when this one is broken. */
  readonly sister: string | null
}
export const unloadTool = contract<Unloaded>()(
  z.object({
    serial: Serial,
    disposition: z.enum(DISPOSITIONS),
    reason: Why,
    cutMin: z.number().min(0).max(100_000),
    to: MachineKey.optional(),
    wear: z.enum(['kept', 'cleared']).optional(),
  }),
)
/** The magazine turns so that a tool can be taken out. */
export const turnForReturn = contract()(z.object({ machine: MachineKey, pocket: z.number().int().min(1).max(999) }))
