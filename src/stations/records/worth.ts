import { quantile } from '@/core/stats'
import { outerCode, type Refusal } from '../refusals'
import type { Db } from '@/db/connection'
import { listMachines } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import { listTouchOffs } from '@/db/touch-off/read'
import type { StopMinutes } from './contract'

export interface RefusedOften {
  readonly where: string
  readonly code: string
  readonly count: number
  /** The newest of them. */
  readonly last: Refusal
  readonly text: string
}

export interface WorthView {
  readonly days: number
  /** Tools that were loaded in that time. */
  readonly loads: number
  readonly machines: number
  readonly stops: readonly StopMinutes[]
  /** The most frequent first. */
  readonly refusals: readonly RefusedOften[]
}

const MOST = 2000
const DAY_MS = 86_400_000

const median = (values: readonly number[]) =>
  quantile(
    [...values].sort((a, b) => a - b),
    0.5,
  )

/** How long a machine stood for a tool, by how that tool was set there; of tools from the bench, from the beginning to the end of loading. */
function stops(db: Db, from: string): StopMinutes[] {
  const byMethod = new Map<string, number[]>()
  const add = (method: string, minutes: number) => byMethod.set(method, [...(byMethod.get(method) ?? []), minutes])
  for (const { key } of listMachines(db))
    for (const one of listTouchOffs(db, key, MOST)) if (one.at >= from) add(one.method, one.minutes)
  const begun = listRecord(db, { what: 'load begun', from, limit: MOST })
  for (const { serial, at } of listRecord(db, { what: 'loaded', from, limit: MOST })) {
    const start = begun.find((b) => b.serial === serial && b.at <= at)
    const minutes = start ? (Date.parse(at) - Date.parse(start.at)) / 60_000 : NaN
    if (minutes >= 0 && minutes <= 120) add('presetter', minutes)
  }
  return [...byMethod].map(([method, all]) => ({ method, count: all.length, minutes: median(all) }))
}

/** What was refused, by its reason, the most frequent first. */
function refusals(db: Db, from: string): RefusedOften[] {
  const counts = new Map<string, RefusedOften>()
  for (const { entry, text } of listRecord(db, { what: 'refused', from, limit: MOST })) {
    const said = entry as { readonly where?: string; readonly refusal?: Refusal } | null
    if (!said?.refusal) continue
    const code = outerCode(said.refusal)
    const key = `${said.where ?? ''} ${code}`
    const before = counts.get(key)
    counts.set(key, { where: said.where ?? '', code, count: (before?.count ?? 0) + 1, last: before?.last ?? said.refusal, text })
  }
  return [...counts.values()].sort((a, b) => b.count - a.count)
}

/** What the months say of machine stops and refusals. */
export function readWorth(db: Db, now: string, days: number): WorthView {
  const from = new Date(Date.parse(now) - days * DAY_MS).toISOString()
  const loads = listRecord(db, { what: 'loaded', from, limit: MOST }).length
  return { days, loads, machines: listMachines(db).length, stops: stops(db, from), refusals: refusals(db, from) }
}
