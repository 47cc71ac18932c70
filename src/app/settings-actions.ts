'use server'
import { z } from 'zod'
import { PRACTICE_KEYS } from '@/core/clamp'
import type { Result } from '@/core/units'
import { keepPractice } from '@/stations/practice'
import { act, type Said } from './_server/act'

const Kept = z.object({ key: z.enum(PRACTICE_KEYS), value: z.number().nullable() })

export async function keepPracticeAction(input: z.input<typeof Kept>): Promise<Result<null, Said>> {
  return act(Kept, input, (work, { key, value }) => keepPractice(work, key, value))
}
