import { checkDue, NO_ZERO, type Adapter, type CheckDue, type Master, type Zero, type ZeroCheck } from '@/core/judge'
import type { Coupling } from '@/core/tool'
import { adapterNow, lastCheckOf, listMasters, overruleAt, type Overrule } from '@/db/bench/read'
import type { Db } from '@/db/connection'
import { practiceOf } from '../practice'
import type { Refusal } from '../refusals'

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
    due: checkDue(check, adapter, now, practiceOf(db).checkHours),
    overrule: overruleAt(db, now),
    zero: check?.zero ?? NO_ZERO,
    master: listMasters(db).find((m) => m.coupling === adapter?.coupling) ?? null,
  }
}

/** Why a tool of this taper may not be measured now; null when it may. */
export function heldBack({ adapter, due, overrule }: BenchNow, coupling: Coupling): Refusal | null {
  if (adapter && adapter.coupling !== coupling) return { code: 'WRONG_ADAPTER', has: adapter.coupling, needs: coupling }
  if (due && !overrule) return { code: 'MASTER_DUE', due }
  return null
}
