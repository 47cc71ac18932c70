/** Tools that are set at the machine itself: centred with an indicator, touched off, probed. */
import { z } from 'zod'
import { TOUCH_OFF_METHODS, TOUCH_OFF_VALUES, type TouchOffMethod, type TouchOffValue } from '@/core/tool'
import type { Bare } from '@/core/units'
import { contract, MachineKey, Serial } from '../contract'

export interface AtMachineRefusals {
  /** The control has another tool in front: its value would be changed. */
  OTHER_ACTIVE: { readonly t: number; readonly active: number | null; readonly machine: string }
  /** The control does not tell which tool is in front, and nobody said that they looked. */
  ACTIVE_UNSAID: { readonly t: number; readonly machine: string }
  NOT_IN_MACHINE: { readonly serial: string }
  /** The tool has no inserts. */
  NO_INSERT: { readonly serial: string }
  NO_SUCH_EDGE: { readonly edge: number; readonly edges: number }
  /** Inserts of this class sit too far apart for a wear of zero. */
  COARSE_INSERT: { readonly insertClass: string }
  /** The program that runs uses the tool. */
  EDGE_IN_USE: { readonly t: number | null; readonly program: string }
  NOT_ZEROED: { readonly held: number | null; readonly register: string; readonly number: number }
  /** A check block whose approach is none. */
  NO_APPROACH: Bare
  /** It stopped where it must go on, or went on where it must stop. */
  CHECK_WRONG: { readonly stopped: boolean }
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

/** The block that is pasted before a cut, so that a worn or broken tool stops the program. mm. */
export const checkBlock = contract<{ readonly text: string }>()(
  z.object({
    machine: MachineKey,
    t: z.number().int().min(1).max(99_999),
    feature: z.enum(['length', 'X', 'Z']),
    allowedMm: z.number().min(0.001).max(5),
    setterMm: z.number().min(-5000).max(5000),
    clearMm: z.number().min(-5000).max(5000),
    feedMm: z.number().min(1).max(5000),
    label: z.number().int().min(1).max(9999),
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
  /** Its machine's figures are typed in by hand: nothing can be written to the control. */
  readonly typed: boolean
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
