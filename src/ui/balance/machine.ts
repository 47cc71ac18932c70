/** What the sheet of Balance is in, and what its big action is: pure, so that a table can test it. */
import type { FitStep } from '@/core/balance'
import type { BalanceView, SpindleView } from '@/stations/balance/contract'

export type BalanceBig =
  /** Something is in the way: its reason is told, and there is nothing to press. */
  | { readonly type: 'nothing' }
  /** The shop has no spindle with a line: a result of elsewhere is typed. */
  | { readonly type: 'elsewhere' }
  /** Nobody said to what grade, at what speed. */
  | { readonly type: 'ask' }
  | { readonly type: 'start'; readonly seat: 0 | 180 }
  | { readonly type: 'running'; readonly seat: 0 | 180; readonly share: number }
  /** The run is recorded, and not taken yet. */
  | { readonly type: 'take'; readonly seat: 0 | 180 }
  | { readonly type: 'step'; readonly step: FitStep; readonly index: number; readonly of: number }
  | { readonly type: 'save'; readonly good: boolean }
  | { readonly type: 'saved' }

type Sheet = Pick<
  BalanceView,
  'assemblyId' | 'round' | 'refusal' | 'seat' | 'standing' | 'good' | 'fits' | 'chosen' | 'done' | 'result' | 'rounds'
>

export function balanceBig(view: Sheet, spindle: SpindleView | null, again: boolean, hasSpindle = true): BalanceBig {
  // what the spindle told a moment ago may speak of the run before
  const now = spindle?.with
  const mine = now?.assemblyId === view.assemblyId && now.round === view.round && now.seat === view.seat ? now : null
  if (mine && spindle && spindle.phase !== 'standing') return { type: 'running', seat: mine.seat, share: spindle.done }
  if (mine && spindle && spindle.done === 1) return { type: 'take', seat: mine.seat }
  const steps = view.fits[view.chosen]?.steps ?? []
  if (view.done > 0 && view.done < steps.length)
    return { type: 'step', step: steps[view.done], index: view.done, of: steps.length }
  if (view.result && view.standing === null && !again) return { type: 'saved' }
  if (!hasSpindle && (view.refusal === null || view.refusal.code === 'NOT_CALIBRATED')) return { type: 'elsewhere' }
  if (view.refusal) return { type: view.refusal.code === 'NO_GRADE' ? 'ask' : 'nothing' }
  if (view.seat !== null) return { type: 'start', seat: view.seat }
  if (view.good || steps.length === 0 || !isWorth(view)) return { type: 'save', good: view.good }
  return { type: 'step', step: steps[0], index: 0, of: steps.length }
}

/** A correction that would leave more than there is is none. */
const isWorth = ({ fits, chosen, standing }: Sheet): boolean =>
  standing !== null && fits[chosen] !== undefined && fits[chosen].after.grade < standing.grade
