/**
 * Stock as a ledger of moves between accounts: what is on hand is never set, only moved. Whatever the order of moves, on
 * hand + built in + scrapped equals what was received.
 */
import { fail, ok, type Result } from '../units'

/** `outside` is the supplier, and what a count found or missed; `taken` is fetched for a job and still on hand. */
export const ACCOUNTS = ['outside', 'hand', 'taken', 'built', 'scrap'] as const
export type Account = (typeof ACCOUNTS)[number]

export const MOVES = {
  received: [['outside', 'hand']],
  taken: [['hand', 'taken']],
  'built in': [
    ['taken', 'built'],
    ['hand', 'built'],
  ],
  'taken back': [
    ['built', 'hand'],
    ['taken', 'hand'],
  ],
  scrapped: [
    ['hand', 'scrap'],
    ['taken', 'scrap'],
    ['built', 'scrap'],
  ],
  counted: [
    ['outside', 'hand'],
    ['hand', 'outside'],
  ],
  reground: [
    ['hand', 'outside'],
    ['outside', 'hand'],
  ],
  moved: [['hand', 'hand']],
} as const satisfies Record<string, readonly (readonly [Account, Account])[]>
export type MoveName = keyof typeof MOVES

export interface StockMove {
  readonly component: string
  readonly name: MoveName
  readonly from: Account
  readonly to: Account
  /** Pieces, at least 1. */
  readonly count: number
  /** Where it lay or is put; null where the account is not `hand`, or nobody said. */
  readonly fromPlace: string | null
  readonly toPlace: string | null
  readonly job: string | null
  readonly serial: string | null
}

export interface Balance {
  readonly received: number
  readonly hand: number
  readonly taken: number
  readonly built: number
  readonly scrapped: number
}

export const NOTHING: Balance = { received: 0, hand: 0, taken: 0, built: 0, scrapped: 0 }

export type MoveError =
  | { readonly code: 'BAD_COUNT'; readonly count: number }
  | { readonly code: 'NOT_A_MOVE'; readonly name: string; readonly from: Account; readonly to: Account }
  | { readonly code: 'TOO_FEW'; readonly account: Account; readonly have: number; readonly wanted: number }

const KEY: Readonly<Record<Account, keyof Balance>> = {
  outside: 'received',
  hand: 'hand',
  taken: 'taken',
  built: 'built',
  scrap: 'scrapped',
}

/** @param counter whether this undoes an earlier move, and so may go the other way */
export function move(
  balance: Balance,
  { name, from, to, count }: Pick<StockMove, 'name' | 'from' | 'to' | 'count'>,
  counter = false,
): Result<Balance, MoveError> {
  if (!Number.isInteger(count) || count < 1) return fail({ code: 'BAD_COUNT', count })
  const pairs: readonly (readonly [Account, Account])[] = MOVES[name]
  if (!pairs.some(([a, b]) => (counter ? a === to && b === from : a === from && b === to)))
    return fail({ code: 'NOT_A_MOVE', name, from, to })
  if (from !== 'outside' && balance[KEY[from]] < count)
    return fail({ code: 'TOO_FEW', account: from, have: balance[KEY[from]], wanted: count })
  const next = { ...balance }
  next[KEY[from]] += from === 'outside' ? count : -count
  next[KEY[to]] += to === 'outside' ? -count : count
  return ok(next)
}

/** Everything there is, taken or in its place. */
export const onHand = (b: Balance): number => b.hand + b.taken
/** 0 as long as nothing was lost between the accounts. */
export const missing = (b: Balance): number => b.received - onHand(b) - b.built - b.scrapped

/** The move that puts another right. */
export const counterOf = (m: StockMove): StockMove => ({
  ...m,
  from: m.to,
  to: m.from,
  fromPlace: m.toPlace,
  toPlace: m.fromPlace,
})
