import type { Adapter, AdapterPiece, Master, Zero, ZeroCheck } from '@/core/judge'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'

export interface MastersProps {
  readonly adapter: Adapter | null
  readonly master: Master | null
  readonly checks: readonly ZeroCheck[]
  readonly checkId: number | null
  readonly zero: Zero
  /** Why the check is due; null when it is not. */
  readonly due: string | null
  readonly overruled: string | null
  readonly lead: boolean
  /** The master on the spindle; null when none belongs to the adapter. */
  readonly ticket: string | null
  readonly now: string
  readonly adapters: readonly AdapterPiece[]
  /** Tools to measure again after a drift. */
  readonly again: readonly {
    readonly serial: string
    readonly t: number
    readonly name: string
    readonly machine: string
    readonly loaded: boolean
  }[]
  readonly changeAdapter: Ask<typeof measure.changeAdapter>
  readonly addAdapter: Ask<typeof measure.addAdapter>
  readonly renew: Ask<typeof measure.renewMaster>
  readonly overrule: Ask<typeof measure.overruleCheck>
}
