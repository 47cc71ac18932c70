import type { ChainState, SealState } from '@/core/tool'
import { inTransaction, type Db } from '@/db/connection'
import { NOTHING_PROVEN, provenSoFar, walkChain, type Proven } from '@/db/record/read'
import { NOTHING_SEALED, walkSeals } from '@/db/record/seal'
import { keepProof } from '@/db/record/write'

export interface Proof {
  readonly state: ChainState
  /** Entries are left that nobody has looked at yet. */
  readonly more: boolean
}

/** How far the chain was proven by this process; the database is told now and then: every write has all pages read anew. */
const ahead = new WeakMap<Db, { readonly proven: Proven; readonly keptMs: number }>()
const KEEP_EVERY_MS = 60_000

/** Looks at what was added since the chain was last proven, at most so many entries, and keeps how far it holds. */
export function proveOn(db: Db, now: string, most: number): Proof {
  const stored = provenSoFar(db)
  const known = ahead.get(db)
  // what was kept must still fit, too
  const base = walkChain(db, stored, 0).state
  if (!base.whole) return { state: base, more: false }
  const from = known && known.proven.seq > stored.seq ? known.proven : stored
  const { state, proven, more } = walkChain(db, from, most)
  const nowMs = Date.parse(now)
  const due = !known || Math.abs(nowMs - known.keptMs) >= KEEP_EVERY_MS
  if (due && proven.seq > stored.seq) inTransaction(db, (tx) => keepProof(tx, proven, now))
  ahead.set(db, { proven, keptMs: due ? nowMs : known.keptMs })
  return { state, more }
}

/** A walk over the whole record and then over every sealed row, that goes a few steps at a time. */
export interface WholeWalk {
  /** Looks at the next entries. @returns false when it is through */
  step(most: number): boolean
  /** Entries that hold so far. */
  readonly seq: number
  /** null while it is under way. */
  readonly found: { readonly chain: ChainState; readonly seals: SealState } | null
}

export function walkWhole(db: Db): WholeWalk {
  let at: Proven = NOTHING_PROVEN
  let sealed: Proven = NOTHING_SEALED
  let chain: ChainState | null = null
  let found: WholeWalk['found'] = null
  return {
    step(most) {
      if (!chain) {
        const { state, proven, more } = walkChain(db, at, most)
        at = proven
        if (!more) chain = state
        return true
      }
      const { state, proven, more } = walkSeals(db, sealed, most)
      sealed = proven
      if (!more) found = { chain, seals: state }
      return more
    },
    get seq() {
      return at.seq
    },
    get found() {
      return found
    },
  }
}
