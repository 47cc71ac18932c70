'use server'
import { z } from 'zod'
import { PRACTICE_KEYS } from '@/core/clamp'
import type { Result } from '@/core/units'
import { keepPractice } from '@/stations/practice'
import type { Refused } from '@/stations/work'
import { act } from './_server/act'

const Kept = z.object({ key: z.enum(PRACTICE_KEYS), value: z.number().nullable() })

export async function keepPracticeAction(input: z.input<typeof Kept>): Promise<Result<null, Refused>> {
  return act(Kept, input, (work, { key, value }) => keepPractice(work, key, value))
}
