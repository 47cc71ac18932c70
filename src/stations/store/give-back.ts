import { lastPlaceOf } from '@/db/stock/read'
import { need, type Writing } from '../write'
import { bookInside, moves } from './book'

/** Fetched pieces go back to where they lay. @returns how many pieces */
export function giveBackAll(
  tx: Writing,
  taken: readonly { readonly job: string; readonly component: string; readonly count: number }[],
): number {
  for (const { job, component, count } of taken)
    need(bookInside(tx, moves.giveBack(component, count, lastPlaceOf(tx.db, component), job)))
  return taken.reduce((sum, { count }) => sum + count, 0)
}
