'use server'
import { z } from 'zod'
import type { Result } from '@/core/units'
import { FATES, unloadTool } from '@/stations/return/unload'
import type { Refused } from '@/stations/work'
import { act, Serial } from './_server/act'

const Unload = z.object({
  serial: Serial,
  fate: z.enum(FATES),
  reason: z.string().trim().min(3, 'Say in a few words why it comes out.').max(200),
  cutMin: z.number().min(0).max(100_000),
})

export async function unloadAction(input: z.input<typeof Unload>): Promise<Result<{ readonly state: string }, Refused>> {
  return act(Unload, input, (work, given, house) => unloadTool(work, house.control, given))
}
