/** Tools that are set at the machine itself: centred with an indicator, touched off, probed. */
import { z } from 'zod'
import { TOUCH_OFF_METHODS, TOUCH_OFF_VALUES, type TouchOffMethod, type TouchOffValue } from '@/core/tool'
import type { Bare } from '@/core/units'
import { contract, MachineKey, Serial, Version } from '../contract'

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
  /** Only a lathe has a turret, and it has so many stations. */
  NO_STATION: { readonly machine: string; readonly station: number; readonly stations: number | null }
  /** Tools are handed over with what was known of the station before. */
  STATION_OUT: { readonly serials: readonly string[]; readonly station: number }
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

const CheckAsked = z.object({
  machine: MachineKey,
  t: z.number().int().min(1).max(99_999),
  feature: z.enum(['length', 'X', 'Z']),
  allowedMm: z.number().min(0.001).max(5),
  setterMm: z.number().min(-5000).max(5000),
  clearMm: z.number().min(-5000).max(5000),
  feedMm: z.number().min(1).max(5000),
  label: z.number().int().min(1).max(9999),
})
const CheckTemplate = z.string().max(20_000)
/**
 * The block that is pasted before a cut, so that a worn or broken tool stops the program. mm.
 * @param template a lead's, to try it; null: the machine's own
 */
export const checkBlock = contract<{ readonly text: string }>()(
  CheckAsked.extend({ template: CheckTemplate.nullable().default(null) }),
)
/** A machine's own template, once the control has shown that it stops and goes on as it must. @param template null: the one that is shipped */
export const keepCheckBlock = contract()(CheckAsked.extend({ template: CheckTemplate.nullable(), version: Version }))
/** What a master shows in a station of a lathe's turret: how far it is off. mm, X as a radius. @param off null: nothing is known of it any more */
export const setStation = contract()(
  z.object({
    machine: MachineKey,
    station: z.number().int().min(1).max(99),
    master: z.string().trim().min(1).max(40),
    off: z.object({ xMm: z.number().min(-2).max(2), zMm: z.number().min(-2).max(2) }).nullable(),
    version: Version,
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
