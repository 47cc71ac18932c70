/** The tricks of stand-ins: what people do to real things, and what goes wrong with them. */
import { z } from 'zod'
import { HAND_ACTS } from '@/devices/control/port'
import { contract, CouplingName, MachineKey, Serial } from '../contract'

/** Somebody's hands at a stand-in machine. */
export const hand = contract()(z.object({ machine: MachineKey, act: z.enum(HAND_ACTS) }))
/** Takes a tool out of a stand-in machine. */
export const takeFromMachine = contract()(z.object({ machine: MachineKey, byHand: z.boolean() }))
/** Puts a chip into a holder, or spoils it. */
export const tagTrick = contract()(z.object({ serial: Serial, trick: z.enum(['new', 'small', 'foreign', 'flip', 'pull']) }))
/** Cleans an edge, by the turn of the spindle that has it in the light; null: all of them. */
export const wipe = contract<{ ticket: string }>()(
  z.object({ serial: Serial, at: z.object({ edge: z.number().int(), spindleDeg: z.number() }).nullable() }),
)
/** Sets the clock of a practice room forward. */
export const letTimePass = contract()(z.object({ minutes: z.number().int().min(1).max(600) }))
/** Turns an adjusting screw while the bench watches. */
export const turnScrew = contract<{ ticket: string }>()(
  z.object({ serial: Serial, key: z.enum(['LF', 'DC']), byMm: z.number().min(-1).max(1) }),
)
/** Sets a stand-in head to its last setting, cuts a bore and measures it. */
export const cutBore = contract<{ readonly boreMm: number }>()(z.object({ serial: Serial }))
/** Turns a stand-in indicator round a bore, after the holder was moved or as it is. mm */
export const sweepPost = contract<{
  readonly top: number
  readonly right: number
  readonly bottom: number
  readonly left: number
}>()(
  z.object({
    machine: MachineKey,
    move: z.object({ axis: z.enum(['across', 'height']), byMm: z.number().min(-5).max(5) }).nullable(),
  }),
)
/** Somebody's hands at a stand-in spindle. */
export const spindleHand = contract()(
  z.discriminatedUnion('act', [
    z.object({ act: z.literal('put'), serial: Serial, seat: z.union([z.literal(0), z.literal(180)]) }),
    z.object({
      act: z.literal('rotor'),
      seat: z.union([z.literal(0), z.literal(180)]),
      mass: z.object({ zMm: z.number(), gmm: z.number(), deg: z.number() }).nullable(),
    }),
    z.object({ act: z.literal('take') }),
    z.object({ act: z.literal('guard'), is: z.enum(['open', 'shut']) }),
    z.object({ act: z.literal('turn'), deg: z.number() }),
    z.object({ act: z.literal('adapter'), coupling: CouplingName }),
  ]),
)
/** What hands really do at a stand-in tool when a step of a correction is due: as it says, or with another screw. */
export const reallyDo = contract()(z.object({ serial: Serial, how: z.enum(['as said', 'heavier']) }))
