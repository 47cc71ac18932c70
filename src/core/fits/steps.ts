/** The steps of a build as data; the ones that ship stand in the words, a shop changes them or adds its own. */

/** How a step is confirmed. `heat` and `cool` go through the shrink unit, `seats` is ticked once a pocket. */
export const CONFIRMS = ['tick', 'coil', 'heat', 'cool', 'seats'] as const
export type Confirm = (typeof CONFIRMS)[number]

export interface Step {
  readonly id: string
  readonly title: string
  /** Liquid text; lengths go through the filter `length`. Context: see StepFacts. */
  readonly text: string
  readonly confirm: Confirm
  readonly needs?: readonly string[]
  readonly caution?: string
}

/** What a step's text may name. Lengths mm, torques N·m; null where it does not apply. */
export interface StepFacts {
  readonly holder: string
  readonly cutter: string
  readonly collet: string | null
  readonly nut: string | null
  readonly insert: string | null
  /** One that is screwed on; a shrunk one goes with the shrink steps. */
  readonly extension: string | null
  readonly extensionTorque: number | null
  readonly extensionKey: number | null
  readonly seats: number | null
  readonly stop: number | null
  readonly LF: number
  readonly stickOut: number
  readonly depth: number | null
  readonly depthLeast: number | null
  readonly depthGreatest: number | null
  readonly shank: number | null
  readonly shankClass: string | null
  readonly shankMaterial: string | null
  readonly coil: string | null
  readonly temperature: number | null
  readonly torque: number | null
  readonly torqueSchool: string | null
  readonly lubricated: string | null
  readonly key: number | null
  readonly seatTorque: number | null
  readonly travel: number | null
}

/** What a tool's own parts ask for beside the steps of its clamping: a screwed extension, inserts to be seated. */
export function withOwnSteps(
  steps: readonly Step[],
  facts: Pick<StepFacts, 'extension' | 'seats'>,
  own: { readonly extension: Step; readonly seats: Step },
): readonly Step[] {
  const before = facts.extension !== null && !steps.some((s) => s.id === 'extension') ? [own.extension] : []
  const after = facts.seats !== null && !steps.some((s) => s.confirm === 'seats') ? [own.seats] : []
  return [...before, ...steps, ...after]
}

/** What has to be confirmed before a build is done: every step, and each pocket of a step with seats. */
export const tickIds = (steps: readonly Step[], seats: number | null): string[] =>
  steps.flatMap((step) =>
    step.confirm === 'seats' ? Array.from({ length: Math.max(1, seats ?? 1) }, (_, i) => `${step.id}-${i + 1}`) : [step.id],
  )
