import { wantedOf } from '@/core/plan'
import { balanceOrder, waitsFor, type Assembly, type BalanceOrder, type Waits } from '@/core/tool'
import { balancedIds } from '@/db/balance/read'
import type { Db } from '@/db/connection'
import { listJobs } from '@/db/job/read'
import { getComponent, getDefinition } from '@/db/library/read'
import { listMachines } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'

/** Whether and when each tool is balanced; what all of them need is read once. */
export function ordersOf(db: Db): (tool: Assembly) => BalanceOrder {
  const machines = new Map(listMachines(db).map((m) => [m.key, m]))
  const speeds = new Map<string, number>()
  for (const job of listJobs(db))
    for (const { t, maxSpindle } of wantedOf(job)) {
      const key = `${job.machine}/${t}`
      if (maxSpindle !== null) speeds.set(key, Math.max(speeds.get(key) ?? 0, maxSpindle))
    }
  return (tool) => {
    const definition = tool.definition && getDefinition(db, tool.definition.id, tool.definition.version)
    const machine = machines.get(tool.machine ?? '') ?? null
    const adjustable = tool.parts.some(
      ({ role, component }) => role === 'cutter' && getComponent(db, component)?.kind === 'boring-head',
    )
    return balanceOrder(definition, machine, speeds.get(`${tool.machine}/${tool.t}`) ?? null, adjustable)
  }
}

type Verdict = Parameters<typeof waitsFor>[1]

/** Where each tool waits, by its state, its verdict, and whether it is to be balanced. */
export function waitsOf(db: Db): (tool: Assembly, verdict: Verdict) => Waits | null {
  const order = ordersOf(db)
  const balanced = balancedIds(db)
  return (tool, verdict) => {
    const wants = tool.state === 'built' || tool.state === 'measured' ? (balanced.has(tool.id) ? 'none' : order(tool)) : 'none'
    return waitsFor(tool, verdict, wants === 'none' ? null : wants)
  }
}

/** Where one tool waits. */
export const waitsNow = (db: Db, tool: Assembly): Waits | null => waitsOf(db)(tool, lastMeasurement(db, tool.id)?.verdict ?? null)
