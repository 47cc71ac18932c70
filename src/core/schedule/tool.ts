/** What is still to be done for a tool, and what there is to do it with. Minutes from now. */
import type { Coupling } from '../tool'

export const STEP_KINDS = ['fetch', 'heat', 'cool', 'build', 'measure', 'balance', 'hand over', 'load'] as const
export type StepKind = (typeof STEP_KINDS)[number]

/** Where a step is done; what has no place of its own is done by a person anywhere. */
export const PLACES = ['shrink unit', 'cooling', 'assembly', 'bench', 'balance', 'cart'] as const
export type Place = (typeof PLACES)[number]

export const PLACE_OF: Readonly<Record<StepKind, Place | null>> = {
  fetch: null,
  heat: 'shrink unit',
  cool: 'cooling',
  build: 'assembly',
  measure: 'bench',
  balance: 'balance',
  'hand over': null,
  load: 'cart',
}
/** A cooling body needs nobody. */
export const NEEDS_PERSON: Readonly<Record<StepKind, boolean>> = {
  fetch: true,
  heat: true,
  cool: false,
  build: true,
  measure: true,
  balance: true,
  'hand over': true,
  load: true,
}

export interface Step {
  readonly kind: StepKind
  /** Above 0. */
  readonly minutes: number
}

export interface ToolToDo {
  /** Of this tool alone. */
  readonly id: string
  /** Whose date it has to keep. */
  readonly job: string
  /** When the machine wants it, minutes from now; below 0 when that is past. */
  readonly dueMin: number
  /** Nothing of it can begin earlier, minutes from now: a part that comes. */
  readonly readyMin: number
  /** What it waits for until then, where that is no part that comes: the piece, and the job that has it. */
  readonly readyWith?: { readonly for: 'freed'; readonly piece: string; readonly job: string }
  readonly coupling: Coupling
  /** What is left, in its order. */
  readonly steps: readonly Step[]
  /** Somebody is at its first step already, and it is not moved. */
  readonly begun: boolean
  /** A holder, extension or adapter of which there is only so many: it is taken from the first step to the last. */
  readonly piece: string | null
}

export interface Room {
  readonly people: number
  readonly places: Readonly<Record<Place, number>>
  /** Minutes to change a bench's adapter, and the one that is on the first. */
  readonly adapterMin: number
  readonly adapter: Coupling | null
  /** How many adapters there are by taper; not named: one for each bench. */
  readonly adapters: Readonly<Partial<Record<Coupling, number>>>
  /** How many there are of what tools name as their piece; not named: enough. */
  readonly pieces: Readonly<Record<string, number>>
}

/** A step at its time, minutes from now. */
export interface Block {
  readonly tool: string
  readonly job: string
  readonly kind: StepKind
  readonly place: Place | null
  readonly fromMin: number
  readonly toMin: number
  /** Minutes at its beginning in which the adapter is changed. */
  readonly changeMin: number
}

/** Why a tool could not go on earlier. */
export type Wait =
  | { readonly for: 'place'; readonly place: Place; readonly behind: string; readonly minutes: number }
  | { readonly for: 'person'; readonly minutes: number }
  | { readonly for: 'piece'; readonly piece: string; readonly behind: string; readonly minutes: number }
  | { readonly for: 'part'; readonly minutes: number }
  /** A piece that another job has in its machine until it is through. */
  | { readonly for: 'freed'; readonly piece: string; readonly job: string; readonly minutes: number }
  | { readonly for: 'adapter'; readonly minutes: number }

export interface Schedule {
  /** Ids of the tools, as they were served. */
  readonly order: readonly string[]
  readonly blocks: readonly Block[]
  /** When each tool is done, minutes from now, by its id. */
  readonly doneMin: Readonly<Record<string, number>>
  /** Its longest wait, by its id; left out where it waited for nothing. */
  readonly waits: Readonly<Record<string, Wait>>
  /** Largest lateness over all tools, minutes; below 0: so much to spare. */
  readonly latenessMin: number
  /** When the last one is done. */
  readonly endMin: number
}
