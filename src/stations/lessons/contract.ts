/** Lessons: made-up tools with faults planted on them, which somebody learns to see. */
import { z } from 'zod'
import { CAUSE_CODES, type CauseCase, type Cause, type CauseCode } from '@/core/causes'
import type { LessonResult } from '@/core/practice'
import type { Bare } from '@/core/units'
import { contract } from '../contract'

export interface LessonRefusals {
  /** It was ended, or belongs to somebody else. */
  LESSON_ENDED: Bare
}

const Run = z.object({ run: z.number().int().positive() })
const Tool = Run.extend({ number: z.number().int().positive().max(50) })

export const startLesson = contract<{ readonly run: number }>()(z.object({}))
/** What somebody thinks is wrong with a tool of the lesson. */
export const sayFault = contract()(Tool.extend({ code: z.enum(CAUSE_CODES) }))
/** Boulder’s own opinion; whoever asks for it has had help. */
export const askOpinion = contract<{ readonly causes: readonly Cause[] }>()(Tool)
export const endLesson = contract()(Run)

export interface LessonTool {
  readonly number: number
  readonly given: CauseCase
  /** What was said of it last; null: nothing yet. */
  readonly said: CauseCode | null
  readonly helped: boolean
}

export interface LessonRunView {
  readonly run: number
  readonly startedAt: string
  readonly tools: readonly LessonTool[]
  /** Once it is ended: what was planted, and how it went. */
  readonly result: LessonResult | null
  /** The edge that a fault was planted on, by the tool’s number; only once it is ended. */
  readonly edges: Readonly<Record<number, number>>
}

export interface LessonsView {
  readonly current: LessonRunView | null
  readonly past: readonly { readonly run: number; readonly at: string; readonly share: number; readonly tools: number }[]
  /** What comes again soon: each fault with when, ISO 8601. */
  readonly due: readonly { readonly code: CauseCode; readonly dueAt: string }[]
}
