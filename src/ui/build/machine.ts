/** What the sheet of Build is in: which step is due, and what its big action is. Pure, so that a table can test it. */
import type { StepView } from './build-props'

export interface Begun {
  /** Ticks that are set. */
  readonly done: readonly string[]
}

const isDone = ({ ticks }: StepView, done: readonly string[]) => ticks.every((id) => done.includes(id))

/** The first step that is not done; null before the holder is scanned and after the last step. */
export const stepDue = (steps: readonly StepView[], begun: Begun | null): StepView | null =>
  (begun && steps.find((step) => !isDone(step, begun.done))) ?? null

export type BuildBig =
  /** The holder is scanned: to begin, or to say that the tool is built. */
  | { readonly type: 'scan holder' }
  | { readonly type: 'scan built' }
  | { readonly type: 'tick'; readonly id: string; readonly step: StepView }
  /** One seat after the other: the next one, from 1, of how many. */
  | { readonly type: 'seat'; readonly id: string; readonly seat: number; readonly of: number }
  /** The unit's own panel leads: heating and cooling are not ticked by hand. */
  | { readonly type: 'unit' }

export function buildBig(steps: readonly StepView[], begun: Begun | null): BuildBig {
  if (!begun) return { type: 'scan holder' }
  const step = stepDue(steps, begun)
  if (!step) return { type: 'scan built' }
  if (step.confirm === 'tick' || step.confirm === 'coil') return { type: 'tick', id: step.ticks[0], step }
  if (step.confirm !== 'seats') return { type: 'unit' }
  const at = step.ticks.findIndex((id) => !begun.done.includes(id))
  return { type: 'seat', id: step.ticks[at], seat: at + 1, of: step.ticks.length }
}
