import { balanceOrder, waitsFor, type Assembly, type BalanceOrder, type Waits } from '@/core/tool'
import { balancedIds } from '@/db/balance/read'
import type { Db } from '@/db/connection'
import { getDefinition } from '@/db/library/read'
import { listAllMachines } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'
import { isAdjustable } from '../build/adjustable'
import { programSpeeds } from '../kit/program-speeds'

/** Whether and when each tool is balanced; what all of them need is read once. */
function ordersOf(db: Db): (tool: Assembly) => BalanceOrder {
  const machines = new Map(listAllMachines(db).map(({ machine }) => [machine.key, machine]))
  const rpmOf = programSpeeds(db)
  return (tool) => {
    const definition = tool.definition && getDefinition(db, tool.definition.id, tool.definition.version)
    const machine = machines.get(tool.machine ?? '') ?? null
    return balanceOrder(definition, machine, rpmOf(tool), isAdjustable(db, tool))
  }
}

type Verdict = Parameters<typeof waitsFor>[1]

/** Which tools are still to be balanced, before or after they are measured; null for the others. */
export function toBalanceOf(db: Db): (tool: Assembly) => 'first' | 'after' | null {
  const order = ordersOf(db)
  const balanced = balancedIds(db)
  return (tool) => {
    if ((tool.state !== 'built' && tool.state !== 'measured') || balanced.has(tool.id)) return null
    const wants = order(tool)
    return wants === 'none' ? null : wants
  }
}

/** Where each tool waits, by its state, its verdict, and whether it is to be balanced. */
export function waitsOf(db: Db): (tool: Assembly, verdict: Verdict) => Waits | null {
  const toBalance = toBalanceOf(db)
  return (tool, verdict) => waitsFor(tool, verdict, toBalance(tool))
}

/** Where one tool waits. */
export const waitsNow = (db: Db, tool: Assembly): Waits | null => waitsOf(db)(tool, lastMeasurement(db, tool.id)?.verdict ?? null)
