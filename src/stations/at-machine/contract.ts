/** Tools that are set at the machine itself: centred with an indicator, touched off, probed. */
import { z } from 'zod'
import { TOUCH_OFF_METHODS, TOUCH_OFF_VALUES, type TouchOffMethod, type TouchOffValue } from '@/core/tool'
import { contract, MachineKey } from '../contract'

export interface AtMachineRefusals {
  /** The control has another tool in front: its value would be changed. */
  OTHER_ACTIVE: { readonly t: number; readonly active: number | null; readonly machine: string }
  /** The control does not tell which tool is in front, and nobody said that they looked. */
  ACTIVE_UNSAID: { readonly t: number; readonly machine: string }
}

/** A value that was found at the machine. mm; X as a radius. */
export const noteTouchOff = contract()(
  z.object({
    machine: MachineKey,
    t: z.number().int().min(1).max(99_999),
    what: z.enum(TOUCH_OFF_VALUES),
    method: z.enum(TOUCH_OFF_METHODS),
    valueMm: z.number().min(-2000).max(2000),
    minutes: z.number().min(0).max(480),
    /** Whoever did it looked that this tool is active. */
    looked: z.boolean(),
  }),
)

export interface TouchOffLine {
  readonly at: string
  readonly who: string
  readonly t: number
  readonly serial: string | null
  readonly what: TouchOffValue
  readonly method: TouchOffMethod
  readonly valueMm: number
  readonly minutes: number
}
