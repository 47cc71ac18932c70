/** Planning ahead: what its sheets show, and what is refused of it. */
import type { BadMagazine, NettedTool } from '@/core/plan'
import type { Block, JobDone, JobToDo, Room, StepKind, ToolToDo } from '@/core/schedule'
import type { Coupling } from '@/core/tool'

export interface PlanRefusals {
  /** A magazine that cannot be planned. */
  BAD_MAGAZINE: BadMagazine
}

/** How the day is gone through: one tool after the other, or everything that is shrunk before the rest. */
export type Way = 'one-by-one' | 'shrink-first'

/** What somebody asks to see as if it were so. */
export interface WhatIf {
  readonly people?: number
  /** A machine that begins later. */
  readonly later?: { readonly job: string; readonly minutes: number }
  /** A part that comes: the tool that waits for it can be begun then. */
  readonly comes?: { readonly tool: string; readonly minutes: number }
  /** A tool that is broken. */
  readonly broken?: string
}

/** A job's tools by a plan. */
export interface JobByPlan extends JobToDo, JobDone {
  /** Key of its machine. */
  readonly machine: string
  /** Tools that cannot be planned. */
  readonly blocked: number
}

export interface PlanView {
  /** Ids of the tools, as they are served. */
  readonly order: readonly string[]
  readonly blocks: readonly Block[]
  readonly jobs: readonly JobByPlan[]
  readonly latenessMin: number
  readonly endMin: number
  /** No order stays below it. */
  readonly boundMin: number
  readonly exact: boolean
}

/** Minutes of a kind of work, as this shop's record has them. */
export interface Learned {
  readonly kind: StepKind
  readonly minutes: number
  /** The middle half of them, where they are the shop's own. */
  readonly spread: { readonly from: number; readonly to: number } | null
  /** From how many; fewer than ten do not count yet. */
  readonly of: number
}

export interface BlockedTool {
  readonly tool: string
  readonly job: string
  readonly netted: Pick<NettedTool, 'standing' | 'replaces'>
  /** The taper that the bench has no adapter for; null: something else keeps it. */
  readonly noAdapter: Coupling | null
}

export interface DayView {
  /** ISO 8601; all minutes count from here. */
  readonly now: string
  readonly tools: number
  /** What is to be done and with what, for whoever goes on looking for a better order. */
  readonly toDo: { readonly tools: readonly ToolToDo[]; readonly room: Room }
  readonly people: number
  readonly plans: Readonly<Record<Way, PlanView>>
  /** Which of them is ready sooner. */
  readonly sooner: Way
  readonly blocked: readonly BlockedTool[]
  readonly learned: readonly Learned[]
  /** What a tool is called: by its id. */
  readonly names: Readonly<Record<string, { readonly t: number; readonly name: string; readonly job: string }>>
}

/** A tool over the jobs of a machine: before the job it comes, is used, only stays, or goes. */
export type Cell = 'comes' | 'used' | 'stays' | 'goes' | null

/** A tool by its T; sister 0 is the first of them. */
export interface MagazineTool {
  readonly t: number
  readonly sister: number
}

export interface MagazineOrder {
  /** Ids of the jobs. */
  readonly jobs: readonly string[]
  /** Tools put in, those for the first job too. */
  readonly switches: number
  readonly rows: readonly (MagazineTool & { readonly name: string; readonly cells: readonly Cell[] })[]
  /** What is put in and taken out before each job. */
  readonly steps: readonly {
    readonly job: string
    readonly load: readonly MagazineTool[]
    readonly unload: readonly MagazineTool[]
  }[]
}

export interface MagazineSheet {
  readonly machine: { readonly key: string; readonly name: string }
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly pockets: number
  /** Wide tools: each keeps a pocket free beside it. */
  readonly kept: number
  readonly loaded: readonly MagazineTool[]
  readonly jobs: readonly {
    readonly id: string
    readonly name: string
    readonly dueAt: string
    readonly minutes: number | null
  }[]
  /** As the dates have it, and an order with fewer tools put in; null where there is none. */
  readonly planned: MagazineOrder | null
  readonly fewer: MagazineOrder | null
  readonly exact: boolean
  /** No order puts in fewer. */
  readonly least: number
  /** Why it cannot be planned. */
  readonly bad: BadMagazine | null
}

/** A cart with how many of a job's tools are on it. */
export interface BoardCart {
  readonly id: string
  readonly name: string
  readonly tools: number
}

/** What a machine's next jobs still lack. */
export interface BoardMachine {
  readonly key: string
  readonly name: string
  readonly jobs: readonly {
    readonly id: string
    readonly name: string
    readonly dueAt: string
    readonly tools: number
    readonly ready: number
    /** Where most of what is ready stands; null: on no cart yet. */
    readonly cart: BoardCart | null
    readonly missing: readonly (Pick<NettedTool, 'standing' | 'replaces'> & { readonly t: number; readonly name: string })[]
  }[]
}
