import { counterOf, move, type Account, type StockMove } from '@/core/plan'
import { fail, ok, type Result } from '@/core/units'
import { getComponent } from '@/db/library/read'
import { balanceOf, getMove, lyingOf } from '@/db/stock/read'
import { insertMove } from '@/db/stock/write'
import { getPlace } from '@/db/store/read'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { need, note, write, type Writing } from '../write'

/**
 * Books one move, the balance checked in the same transaction: of two people who take the last piece, one is told.
 * @returns the move's id
 */
export function bookInside(tx: Writing, m: StockMove, counters: number | null = null): Result<number, Refusal> {
  const component = getComponent(tx.db, m.component)
  if (!component) return fail({ code: 'UNKNOWN_PART', part: m.component })
  for (const place of [m.fromPlace, m.toPlace])
    if (place !== null && !getPlace(tx.db, place)) return fail({ code: 'UNKNOWN_PLACE', place })
  const done = move(balanceOf(tx.db, m.component), m, counters !== null)
  if (!done.ok) return fail({ code: 'MOVE', error: done.error, name: component.name })
  if (m.from === 'hand') {
    const there = lyingOf(tx.db, m.component).find((l) => l.place === m.fromPlace)?.count ?? 0
    if (there < m.count)
      return fail({ code: 'TOO_FEW_THERE', place: m.fromPlace, have: there, name: component.name, wanted: m.count })
  }
  return ok(insertMove(tx.db, m, { personId: tx.person.id, at: tx.now }, counters))
}

const blank = { fromPlace: null, toPlace: null, job: null, serial: null } as const
type Rest = Partial<Pick<StockMove, 'fromPlace' | 'toPlace' | 'job' | 'serial'>>
const of = (
  component: string,
  name: StockMove['name'],
  from: Account,
  to: Account,
  count: number,
  rest: Rest = {},
): StockMove => ({
  component,
  name,
  from,
  to,
  count,
  ...blank,
  ...rest,
})
/** The moves by their names. */
export const moves = {
  receive: (component: string, count: number, place: string | null) =>
    of(component, 'received', 'outside', 'hand', count, { toPlace: place }),
  take: (component: string, count: number, place: string | null, job: string) =>
    of(component, 'taken', 'hand', 'taken', count, { fromPlace: place, job }),
  giveBack: (component: string, count: number, place: string | null, job: string) =>
    of(component, 'taken back', 'taken', 'hand', count, { toPlace: place, job }),
  buildIn: (
    component: string,
    count: number,
    serial: string,
    from: { readonly job: string } | { readonly place: string | null },
  ) =>
    'job' in from
      ? of(component, 'built in', 'taken', 'built', count, { serial, job: from.job })
      : of(component, 'built in', 'hand', 'built', count, { serial, fromPlace: from.place }),
  takeOut: (component: string, count: number, serial: string, place: string | null) =>
    of(component, 'taken back', 'built', 'hand', count, { serial, toPlace: place }),
  scrap: (component: string, count: number, from: 'hand' | 'taken' | 'built', rest: Rest = {}) =>
    of(component, 'scrapped', from, 'scrap', count, rest),
  shift: (component: string, count: number, fromPlace: string | null, toPlace: string) =>
    of(component, 'moved', 'hand', 'hand', count, { fromPlace, toPlace }),
  regrindAway: (component: string, count: number, place: string | null) =>
    of(component, 'reground', 'hand', 'outside', count, { fromPlace: place }),
  regrindIn: (component: string, count: number, place: string | null) =>
    of(component, 'reground', 'outside', 'hand', count, { toPlace: place }),
}

/** Books one move by itself, with its line in the record. */
export const book = (work: Work, m: StockMove): Result<{ id: number }, Refusal> =>
  write(work, null, (tx) => {
    const id = need(bookInside(tx, m))
    noteMove(tx, m)
    return { id }
  })

/** @param booking the one that this move undoes */
function noteMove(tx: Writing, m: StockMove, booking: number | null = null): void {
  const said = {
    move: m.name,
    count: m.count,
    part: getComponent(tx.db, m.component)?.name ?? m.component,
    place: m.fromPlace ?? m.toPlace,
    job: m.job,
  }
  note(tx, {
    entry: booking === null ? { code: 'BOOKED', ...said } : { code: 'BOOKING_UNDONE', ...said, booking },
    serial: m.serial,
    after: { component: m.component, from: m.from, to: m.to, count: m.count },
  })
}

/** Puts a booking right by its own counter-entry: the first stays, both are seen. */
export function putRight(work: Work, moveId: number): Result<{ id: number }, Refusal> {
  const wrong = getMove(work.db, moveId)
  if (!wrong) return fail({ code: 'UNKNOWN_BOOKING', id: moveId })
  if (wrong.counteredBy !== null) return fail({ code: 'UNDONE_ALREADY', id: moveId, by: wrong.counteredBy })
  if (wrong.counters !== null) return fail({ code: 'IS_UNDOING' })
  if (wrong.to === 'built' || wrong.from === 'built') return fail({ code: 'PART_OF_A_TOOL', serial: wrong.serial ?? '' })
  return write(
    work,
    null,
    (tx) => {
      const id = need(bookInside(tx, counterOf(wrong), moveId))
      noteMove(tx, counterOf(wrong), moveId)
      return { id }
    },
    { code: 'CHANGED', what: 'drawer' },
  )
}

/** A count of one part in one place: the difference is booked, whatever it was. */
export function countStock(
  work: Work,
  count: { readonly component: string; readonly place: string | null; readonly found: number },
): Result<{ difference: number }, Refusal> {
  if (!Number.isInteger(count.found) || count.found < 0) return fail({ code: 'BAD_STOCK_COUNT' })
  return write(work, null, (tx) => {
    const there = lyingOf(tx.db, count.component).find((l) => l.place === count.place)?.count ?? 0
    const difference = count.found - there
    if (difference === 0) return { difference }
    const m =
      difference > 0
        ? of(count.component, 'counted', 'outside', 'hand', difference, { toPlace: count.place })
        : of(count.component, 'counted', 'hand', 'outside', -difference, { fromPlace: count.place })
    need(bookInside(tx, m))
    noteMove(tx, m)
    return { difference }
  })
}
