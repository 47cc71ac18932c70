/** Tools that are set at the machine itself: centred with an indicator, touched off, probed. */
import { z } from 'zod'
import { TOUCH_OFF_METHODS, TOUCH_OFF_VALUES, type TouchOffMethod, type TouchOffValue } from '@/core/tool'
import { contract, MachineKey, Serial } from '../contract'

export interface AtMachineRefusals {
  /** The control has another tool in front: its value would be changed. */
  OTHER_ACTIVE: { readonly t: number; readonly active: number | null; readonly machine: string }
  NOT_IN_MACHINE: { readonly serial: string }
  /** The tool has no inserts. */
  NO_INSERT: { readonly serial: string }
  NO_SUCH_EDGE: { readonly edge: number; readonly edges: number }
  /** Inserts of this class sit too far apart for a wear of zero. */
  COARSE_INSERT: { readonly insertClass: string }
  NOT_ZEROED: { readonly held: number | null; readonly register: string; readonly number: number }
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

/** An insert turned or changed while its tool stays in the machine. */
export const changeInsert = contract()(
  z.object({
    serial: Serial,
    edge: z.number().int().min(1).max(16),
    wear: z.enum(['zero', 'as probed']),
    version: z.number().int().min(0),
  }),
)

/** A tool with inserts that is in the machine. */
export interface InsertTool {
  readonly serial: string
  readonly t: number | null
  readonly name: string
  readonly version: number
  /** Cutting edges of one insert. */
  readonly edges: number
}

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
