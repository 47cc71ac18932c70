import { sinceThen, thereAt, type DayDifference, type Move, type ThereThen } from '@/core/load'
import type { Machine } from '@/core/tool'
import type { Db } from '@/db/connection'
import { findHandover } from '@/db/handover/read'
import { listMachines } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import type { ThatDayTool } from './contract'

/** So much of a machine's history is gone through. */
const MOST = 5000
const WHATS = ['loaded', 'unloaded', 'broken'] as const

/** What went in and out of a machine, the oldest first. */
function movesOf(db: Db, machine: string): Move[] {
  const entries = WHATS.flatMap((what) => listRecord(db, { machine, what, limit: MOST }))
  return entries
    .sort((a, b) => a.seq - b.seq)
    .flatMap(({ at, serial, t, entry }): Move[] => {
      if (serial === null || entry === null) return []
      const said = entry as { readonly code: string; readonly pocket?: number; readonly issue?: number }
      if (said.code === 'LOADED') return [{ type: 'in', at, serial, t, pocket: said.pocket ?? 0, issue: said.issue ?? 0 }]
      return said.code === 'UNLOADED' ? [{ type: 'out', at, serial }] : []
    })
}

const toolOf = (db: Db, tool: ThereThen): ThatDayTool => ({
  ...tool,
  values: findHandover(db, tool.serial, tool.issue)?.values ?? null,
})

export interface ThatDay {
  readonly machine: Machine
  readonly machines: readonly Machine[]
  readonly at: string
  readonly there: readonly ThatDayTool[]
  readonly since: DayDifference
}

/** A machine's tools at some moment as Boulder knew them, and what has changed since. @returns null where there is no machine */
export function readThatDay(
  db: Db,
  asked: { readonly machine: string | null; readonly at: string },
  now: string,
): ThatDay | null {
  const machines = listMachines(db)
  const machine = machines.find((m) => m.key === asked.machine) ?? machines.at(0)
  if (!machine) return null
  const moves = movesOf(db, machine.key)
  const then = thereAt(moves, asked.at)
  return {
    machine,
    machines,
    at: asked.at,
    there: then.map((tool) => toolOf(db, tool)),
    since: sinceThen(then, thereAt(moves, now)),
  }
}
