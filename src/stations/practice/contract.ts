import { z } from 'zod'
import { PRACTICE_KEYS, type PracticeKey } from '@/core/clamp'
import { contract } from '../contract'

export interface PracticeRefusals {
  OUT_OF_RANGE: { readonly key: PracticeKey; readonly min: number; readonly max: number; readonly unit: string }
}

/** @param value null: the standard value again; @param from the value that was changed */
export const keepPractice = contract()(z.object({ key: z.enum(PRACTICE_KEYS), value: z.number().nullable(), from: z.number() }))
