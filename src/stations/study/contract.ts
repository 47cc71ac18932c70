/** Studies of the bench: people × tools × repeats, on real readings. */
import { z } from 'zod'
import { FEATURE_KEYS, type FeatureKey, type Turn, type Type1 } from '@/core/judge'
import type { BadStudy, GaugeStudy } from '@/core/stats'
import { contract, fault, Serial } from '../contract'

export interface StudyRefusals {
  UNKNOWN_STUDY: { readonly id: number }
  STUDY_ENDED: { readonly name: string }
  /** Holders that carry no tool to measure. */
  STUDY_TOOLS: { readonly serials: readonly string[] }
}

/** So often one tool is measured where its calibrated value is known. */
const TYPE_1_LEAST = 10

export const startStudy = contract<{ readonly id: number }>()(
  z
    .object({
      name: z.string().trim().min(1).max(60),
      feature: z.enum(FEATURE_KEYS),
      people: z.array(z.string().max(40)).min(1).max(10).readonly(),
      serials: z.array(Serial).min(1).max(30).readonly(),
      repeats: z.number().int().min(2).max(50),
      toleranceMm: z.number().positive().max(100).nullable(),
      /** The calibrated value of one tool that one person measures again and again, mm; null: several people and tools. */
      referenceMm: z.number().positive().max(2000).nullable().default(null),
    })
    .superRefine(({ people, serials, repeats, toleranceMm, referenceMm }, context) => {
      const several = people.length >= 2 && serials.length >= 2 && repeats <= 10
      const one = people.length === 1 && serials.length === 1 && repeats >= TYPE_1_LEAST && toleranceMm !== null
      if (referenceMm === null ? !several : !one)
        context.addIssue({ code: 'custom', message: fault(referenceMm === null ? 'STUDY_SEVERAL' : 'STUDY_ONE') })
    }),
)
export const endStudy = contract()(z.object({ id: z.number().int().positive() }))

export interface StudyLine {
  readonly id: number
  readonly name: string
  readonly startedAt: string
  readonly ended: boolean
  readonly done: number
  readonly of: number
}

export interface StudySheet extends StudyLine {
  readonly feature: FeatureKey
  readonly people: readonly { readonly id: string; readonly name: string }[]
  readonly serials: readonly string[]
  readonly repeats: number
  readonly toleranceMm: number | null
  readonly referenceMm: number | null
  /** Who measures what next; null when all is done or it was ended. */
  readonly next: (Turn & { readonly name: string }) | null
  /** Values are shown only once all are there: whoever measures is not to know what others found. */
  readonly table: readonly (readonly (readonly number[])[])[] | null
  readonly result: GaugeStudy | null
  /** Of one tool of known size. */
  readonly type1: Type1 | null
  readonly bad: BadStudy | null
}

export interface StudiesView {
  readonly studies: readonly StudyLine[]
  readonly chosen: StudySheet | null
  readonly people: readonly { readonly id: string; readonly name: string }[]
  /** Tools that can be measured now. */
  readonly tools: readonly { readonly serial: string; readonly name: string }[]
}
