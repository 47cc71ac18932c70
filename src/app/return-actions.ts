'use server'
import { z } from 'zod'
import { ok, type Result } from '@/core/units'
import { type HandAct } from '@/devices/control/port'
import { FATES, unloadTool, type Unloaded } from '@/stations/return/unload'
import { refuse } from '@/stations/refusals'
import { act, Serial, type Said } from './_server/act'

const Unload = z.object({
  serial: Serial,
  fate: z.enum(FATES),
  reason: z.string().trim().min(3, 'Say in a few words why it comes out.').max(200),
  cutMin: z.number().min(0).max(100_000),
  to: z.string().max(20).optional(),
  wear: z.enum(['kept', 'cleared']).optional(),
})

export async function unloadAction(input: z.input<typeof Unload>): Promise<Result<Unloaded, Said>> {
  return act(Unload, input, (work, given, house) => unloadTool(work, house.control, house.tagOf(given.serial), given))
}

const Turn = z.object({ machine: z.string().max(20), pocket: z.number().int().min(1).max(999) })
/** The magazine turns so that a tool can be taken out. */
export async function turnForReturnAction(input: z.input<typeof Turn>): Promise<Result<null, Said>> {
  return act(Turn, input, async (_work, { machine, pocket }, house) => {
    const turned = await house.control.turnTo(machine, pocket)
    return turned.ok ? ok(null) : refuse({ code: 'CONTROL', error: turned.error })
  })
}

const TakeOut = z.object({ machine: z.string().max(20), byHand: z.boolean() })
/** Somebody's hands at a stand-in. */
export async function takeOutAction(input: z.input<typeof TakeOut>): Promise<Result<null, Said>> {
  return act(TakeOut, input, async (_work, { machine, byHand }, house) => {
    const acts: readonly HandAct[] = ['open', byHand ? 'spindle take' : 'take', 'shut']
    for (const one of acts) {
      const done = await house.hands.act(machine, one)
      if (!done.ok) return refuse({ code: 'CONTROL', error: done.error })
    }
    return ok(null)
  })
}
