/** What a lead does for those who learn: lessons of real cases, and what somebody has to have learned before they do it alone. */
import { z } from 'zod'
import type { CauseCode } from '@/core/causes'
import { CONDITIONS_ON, type ConditionOn, type FaultCode } from '@/core/practice'
import type { Bare } from '@/core/units'
import { contract, fault, MachineKey } from '../contract'

export interface TeachingRefusals {
  /** Somebody has to pass a lesson first. @param machine its name; null: nothing of a machine */
  LESSON_FIRST: {
    readonly what: ConditionOn
    readonly machine: string | null
    readonly lesson: string
    readonly title: string | null
  }
  UNKNOWN_LESSON: Bare
  CONDITION_EXISTS: Bare
  CONDITION_GONE: Bare
  /** A lesson needs good tools as well. */
  NO_GOOD_CASE: Bare
  /** A tool that was measured is none that anything can be learned from. */
  NO_CASE: Bare
}

/** `edges`, a lesson in the practice room, or `own:` with the number of one that a lead made. */
const LessonKey = z.string().regex(/^(edges|bench|slips|build|load|own:\d{1,9})$/)
const Id = z.object({ id: z.number().int().positive() })

export const [LEAST_CASES, MOST_CASES] = [3, 12] as const
/** A lesson of tools that were really measured: nothing of them is kept but their readings. */
export const makeLesson = contract<{ readonly id: number }>()(
  z.object({
    title: z.string().trim().min(3, fault('NAME')).max(60),
    measurements: z.array(z.number().int().positive()).min(LEAST_CASES).max(MOST_CASES),
  }),
)
export const retireLesson = contract()(Id)
export const putCondition = contract<{ readonly id: number }>()(
  z.object({ what: z.enum(CONDITIONS_ON), machine: MachineKey.nullable(), lesson: LessonKey }),
)
export const endCondition = contract()(Id)

export interface LessonName {
  readonly key: string
  /** Of one that a lead made; null: its words stand in the program. */
  readonly title: string | null
}

export interface Pupil {
  readonly id: string
  readonly name: string
  /** Their last of each lesson, by its key. */
  readonly done: Readonly<Record<string, { readonly at: string; readonly share: number }>>
  /** What they missed last time it was planted. */
  readonly missed: readonly FaultCode[]
}

/** A tool of the record that something can be learned from. */
export interface CaseOffer {
  readonly measurement: number
  readonly at: string
  readonly code: CauseCode
  readonly edge: number | null
  readonly edges: number
}

export interface TeachingView {
  readonly lessons: readonly LessonName[]
  readonly pupils: readonly Pupil[]
  readonly own: readonly { readonly id: number; readonly title: string; readonly tools: number }[]
  readonly conditions: readonly {
    readonly id: number
    readonly what: ConditionOn
    readonly machine: string | null
    readonly lesson: LessonName
  }[]
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly cases: readonly CaseOffer[]
}
