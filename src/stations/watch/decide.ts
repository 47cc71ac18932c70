import { fail, type Result } from '@/core/units'
import { getWatched } from '@/db/watch/read'
import { decideWatched } from '@/db/watch/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import { isWearRegister } from './watched'

const SETTLED: Refusal = { code: 'WATCH_SETTLED' }

/** Puts down what somebody said of a difference. */
function decide(work: Work, id: number, to: 'wear' | 'kept open', reason: string): Result<null, Refusal> {
  const row = getWatched(work.db, id)
  if (!row || row.state === 'gone' || row.state === to) return fail(SETTLED)
  if (to === 'wear' && !isWearRegister(row.difference)) return fail({ code: 'NOT_WEAR' })
  const { serial, machine, difference, state } = row
  const entry = { code: 'TABLE_DECIDED', as: to, difference, reason } as const
  return write(work, { entry, serial, t: difference.t, machine }, (tx) => {
    must(decideWatched(tx.db, id, { from: state, to, at: tx.now, personId: tx.person.id, reason }), SETTLED)
    return null
  })
}

export const takeAsWear = (work: Work, { id, reason }: { readonly id: number; readonly reason: string }) =>
  decide(work, id, 'wear', reason)
export const keepOpen = (work: Work, { id, reason }: { readonly id: number; readonly reason: string }) =>
  decide(work, id, 'kept open', reason)
