'use server'
import { z } from 'zod'
import { COUPLING_NAMES } from '@/core/tool'
import type { Result } from '@/core/units'
import { changeAdapter, overruleCheck } from '@/stations/measure/adapter'
import type { Refused } from '@/stations/work'
import { act } from './_server/act'

const AdapterChoice = z.object({ coupling: z.enum(COUPLING_NAMES) })

export async function changeAdapterAction(input: z.input<typeof AdapterChoice>): Promise<Result<null, Refused>> {
  return act(AdapterChoice, input, (work, { coupling }) => changeAdapter(work, coupling))
}

const Reason = z.object({ reason: z.string().trim().min(3, 'Give the reason in a few words.').max(300) })

export async function overruleCheckAction(input: z.input<typeof Reason>): Promise<Result<null, Refused>> {
  return act(Reason, input, (work, { reason }) => overruleCheck(work, reason))
}
