import { checkDue, NO_ZERO, type Adapter, type CheckDue, type Master, type Zero, type ZeroCheck } from '@/core/measure'
import type { Coupling } from '@/core/tool'
import { adapterNow, lastCheckOf, listMasters, overruleAt, type Overrule } from '@/db/bench/read'
import type { Db } from '@/db/connection'
import type { Refused } from '../work'

export interface BenchNow {
  readonly adapter: Adapter | null
  readonly check: ZeroCheck | null
  readonly due: CheckDue | null
  /** A lead let measuring go on although a check is due. */
  readonly overrule: Overrule | null
  /** What the axes read too much with this adapter. */
  readonly zero: Zero
  /** The master that belongs to the adapter on the spindle. */
  readonly master: Master | null
}

export function readBench(db: Db, now: string): BenchNow {
  const adapter = adapterNow(db)
  const check = adapter && lastCheckOf(db, adapter.serial)
  return {
    adapter,
    check,
    due: checkDue(check, adapter, now),
    overrule: overruleAt(db, now),
    zero: check?.zero ?? NO_ZERO,
    master: listMasters(db).find((m) => m.coupling === adapter?.coupling) ?? null,
  }
}

const WHY: Readonly<Record<CheckDue, string>> = {
  never: 'This adapter has not been checked with its master yet.',
  shift: 'The check with the master is more than eight hours old.',
  adapter: 'The adapter was changed after the last check with the master.',
}
export const dueText = (due: CheckDue): string => WHY[due]

/** Why a tool of this taper may not be measured now; null when it may. */
export function heldBack({ adapter, due, overrule }: BenchNow, coupling: Coupling): Refused | null {
  if (adapter && adapter.coupling !== coupling)
    return {
      code: 'WRONG_ADAPTER',
      text: `The tool is ${coupling}, the spindle carries the adapter for ${adapter.coupling}. Change the adapter, then check with its master.`,
    }
  if (due && !overrule) return { code: 'MASTER_DUE', text: `${WHY[due]} Measure the master first.` }
  return null
}
