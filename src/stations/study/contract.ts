/** Studies of the bench: people × tools × repeats, on real readings. */
import { z } from 'zod'
import { FEATURE_KEYS, type FeatureKey, type Turn } from '@/core/judge'
import type { BadStudy, GaugeStudy } from '@/core/stats'
import { contract, Serial } from '../contract'

export interface StudyRefusals {
  UNKNOWN_STUDY: { readonly id: number }
  STUDY_ENDED: { readonly name: string }
  /** Holders that carry no tool to measure. */
  STUDY_TOOLS: { readonly serials: readonly string[] }
}

export const startStudy = contract<{ readonly id: number }>()(
  z.object({
    name: z.string().trim().min(1).max(60),
    feature: z.enum(FEATURE_KEYS),
    people: z.array(z.string().max(40)).min(2).max(10).readonly(),
    serials: z.array(Serial).min(2).max(30).readonly(),
    repeats: z.number().int().min(2).max(10),
    toleranceMm: z.number().positive().max(100).nullable(),
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
  /** Who measures what next; null when all is done or it was ended. */
  readonly next: (Turn & { readonly name: string }) | null
  /** Values are shown only once all are there: whoever measures is not to know what others found. */
  readonly table: readonly (readonly (readonly number[])[])[] | null
  readonly result: GaugeStudy | null
  readonly bad: BadStudy | null
}

export interface StudiesView {
  readonly studies: readonly StudyLine[]
  readonly chosen: StudySheet | null
  readonly people: readonly { readonly id: string; readonly name: string }[]
  /** Tools that can be measured now. */
  readonly tools: readonly { readonly serial: string; readonly name: string }[]
}
