import { lastPlaceOf } from '@/db/stock/read'
import { need, type Work } from '../work'
import { bookInside, moves } from './book'

/** Fetched pieces go back to where they lay. Inside a write transaction. @returns how many pieces */
export function giveBackAll(
  work: Work,
  taken: readonly { readonly job: string; readonly component: string; readonly count: number }[],
): number {
  for (const { job, component, count } of taken)
    need(bookInside(work, moves.giveBack(component, count, lastPlaceOf(work.db, component), job)))
  return taken.reduce((sum, { count }) => sum + count, 0)
}
