/** The watch over the controls' tables: what differs from what was handed over, and how that is settled. */
import { z } from 'zod'
import type { Difference } from '@/core/load'
import type { Machine } from '@/core/tool'
import type { Bare } from '@/core/units'
import type { ControlError } from '@/devices/control/port'
import { contract, Why } from '../contract'

export interface WatchRefusals {
  /** Somebody decided it, or it is no more. */
  WATCH_SETTLED: Bare
  /** Only a length or a size can be wear. */
  NOT_WEAR: Bare
}

const One = z.object({ id: z.number().int().positive(), reason: Why })

/** The difference is what the tool has worn: somebody corrected it at the machine. */
export const takeAsWear = contract()(One)
/** A lead knows of it: it stays as it is, and stops nothing. */
export const keepOpen = contract()(One)
/** Looks at the machine's table now. */
export const lookNow = contract<{ readonly left: number }>()(z.object({ machine: z.string().max(40) }))

export interface WatchLine {
  readonly id: number
  readonly difference: Difference
  /** ISO 8601, when Boulder saw it first and last. */
  readonly firstAt: string
  readonly lastAt: string
  readonly near: string | null
  readonly state: 'open' | 'kept open' | 'wear'
  readonly decidedBy: string | null
  readonly reason: string | null
  /** The open job whose load it stops; null: none. */
  readonly stops: string | null
  readonly canBeWear: boolean
}

export interface WatchedMachine {
  readonly machine: Machine
  readonly lines: readonly WatchLine[]
  /** Whether it has a table that can be read at all. */
  readonly readable: boolean
  /** When its table was read last, ISO 8601; null: never. */
  readonly readAt: string | null
  /** Why it could not be read then. */
  readonly problem: ControlError | null
  /** Who did something at it last, by the record. */
  readonly lastAt: { readonly who: string; readonly at: string } | null
}
