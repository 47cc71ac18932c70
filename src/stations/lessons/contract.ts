/** Lessons: made-up tools with faults planted on them, which somebody learns to see. */
import { z } from 'zod'
import type { CauseCase, Cause, CauseCode } from '@/core/causes'
import { FAULT_CODES, WITH_ROOM, type FaultCode, type LessonResult, type RoomLesson } from '@/core/practice'
import type { Bare } from '@/core/units'
import { contract } from '../contract'

export interface LessonRefusals {
  /** It was ended, or belongs to somebody else. */
  LESSON_ENDED: Bare
  /** One of theirs runs in the practice room already. */
  LESSON_RUNS: Bare
  /** Nobody has a practice room without a lesson. */
  NO_LESSON: Bare
  /** The practice room is still being set up. */
  ROOM_NOT_READY: Bare
  /** It belongs to the shop itself, not to the practice room. */
  NOT_IN_PRACTICE: Bare
}

const Run = z.object({ run: z.number().int().positive() })
const Tool = Run.extend({ number: z.number().int().positive().max(50) })

/** @param own number of a lesson that a lead made; left out: made-up tools */
export const startLesson = contract<{ readonly run: number }>()(z.object({ own: z.number().int().positive().optional() }))
/** What somebody thinks is wrong with a tool of the lesson. */
export const sayFault = contract()(Tool.extend({ code: z.enum([...FAULT_CODES, 'NOTHING']) }))
/** Boulder’s own opinion; whoever asks for it has had help. */
export const askOpinion = contract<{ readonly causes: readonly Cause[] }>()(Tool)
export const endLesson = contract()(Run)
/** Opens a practice room for a lesson. */
export const startRoom = contract<{ readonly run: number }>()(
  z.object({ lesson: z.enum(WITH_ROOM as readonly [RoomLesson, ...RoomLesson[]]) }),
)
/** Ends a lesson and shuts its room. */
export const endRoom = contract()(Run)

/** How the figures on a slip were found: over a whole turn, from one picture of each edge, over two opposite edges. */
export type SlipHow = 'turned' | 'still' | 'opposite'

export interface SlipFigures {
  readonly how: SlipHow
  readonly length: number
  readonly size: number
  readonly decimals: number
}

/** What somebody has in their hands in the practice room. */
export type Card =
  | { readonly type: 'bench' }
  | { readonly type: 'tool'; readonly serial: string }
  | { readonly type: 'job'; readonly job: string; readonly t: number }
  /** Figures as they were written down, without a unit. */
  | {
      readonly type: 'slip'
      readonly serial: string
      /** null: the slip is gone with its room. */
      readonly figures: SlipFigures | null
    }
  | {
      readonly type: 'load'
      readonly serial: string
      readonly machine: string
      readonly pocket: number
      readonly label: string
    }

/** One thing of a lesson in the practice room. */
export interface RoomThing {
  readonly number: number
  readonly card: Card
  /** What was said of it last; null: nothing yet. */
  readonly said: FaultCode | 'NOTHING' | null
}

/** Numbers of the steps of a tour that somebody is through with: said of it, as of a thing. */
export const stepDone = contract()(Run.extend({ step: z.number().int().positive().max(20) }))

export interface RoomView {
  readonly run: number
  readonly lesson: RoomLesson
  /** How long it should take. */
  readonly minutes: number
  readonly startedAt: string
  readonly endedAt: string | null
  readonly things: readonly RoomThing[]
  /** All that may be wrong in this lesson. */
  readonly faults: readonly FaultCode[]
  /** Of a tour: steps that are done. */
  readonly steps: readonly number[]
  /** Once it is ended. */
  readonly result: LessonResult | null
}

/** One kind of lesson, and how somebody stands in it. */
export interface RoomOffer {
  readonly lesson: RoomLesson
  readonly minutes: number
  readonly things: number
  /** Of their last one; null: never done. */
  readonly last: { readonly at: string; readonly share: number; readonly run: number } | null
  /** Faults of it that come again today. */
  readonly due: number
}

export interface RoomsView {
  readonly offers: readonly RoomOffer[]
  /** The one that runs, or the one that was asked for. */
  readonly current: RoomView | null
  readonly ready: boolean
}

export interface LessonTool {
  readonly number: number
  readonly given: CauseCase
  /** What was said of it last; null: nothing yet. */
  readonly said: CauseCode | null
  readonly helped: boolean
}

export interface LessonRunView {
  readonly run: number
  /** Of a lesson that a lead made; null: made-up tools. */
  readonly title: string | null
  readonly startedAt: string
  readonly tools: readonly LessonTool[]
  /** Once it is ended: what was planted, and how it went. */
  readonly result: LessonResult | null
  /** The edge that a fault was planted on, by the tool’s number; only once it is ended. */
  readonly edges: Readonly<Record<number, number>>
}

export interface LessonsView {
  readonly current: LessonRunView | null
  /** Lessons that leads made of real tools. */
  readonly own: readonly { readonly id: number; readonly title: string; readonly tools: number }[]
  readonly past: readonly { readonly run: number; readonly at: string; readonly share: number; readonly tools: number }[]
  /** What comes again soon: each fault with when, ISO 8601. */
  readonly due: readonly { readonly code: CauseCode; readonly dueAt: string }[]
}
