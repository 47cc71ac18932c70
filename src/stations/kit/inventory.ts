import { refuseHealth } from '@/core/fits'
import { netJobs, type Inventory, type Job, type NettedTool } from '@/core/plan'
import type { Component } from '@/core/tool'
import { listAssemblies } from '@/db/assembly/read'
import { listBuilds } from '@/db/build/read'
import type { Db } from '@/db/connection'
import { listJobs } from '@/db/job/read'
import { listDefinitions, listHolders, listHolderTypes, type HolderRead } from '@/db/library/read'
import { listMeasuredAt } from '@/db/measurement/read'
import { listBalances, listTaken } from '@/db/stock/read'

/** A measurement older than this is called stale. Common practice, no source; a shop edits it. */
export const STALE_AFTER_DAYS = 14

/** Holders nobody uses, and nothing speaks against. */
export function freeHolders(
  holders: readonly HolderRead[],
  types: ReadonlyMap<string, Component>,
  building: ReadonlySet<string>,
  now: string,
): HolderRead[] {
  return holders.filter((h) => {
    const type = h.component && types.get(h.component)
    if (!type || !h.component || h.carries || h.retired || building.has(h.serial)) return false
    return refuseHealth({ ...h, component: h.component }, type, now).length === 0
  })
}

/** Everything that stands and lies in the tool room now. */
export function readInventory(db: Db, now: string): Inventory {
  const types = listHolderTypes(db)
  const builds = listBuilds(db)
  const free = new Map<string, number>()
  for (const { component } of freeHolders(listHolders(db), types, new Set(builds.map((b) => b.serial)), now))
    free.set(component!, (free.get(component!) ?? 0) + 1)
  const taken = new Map<string, Map<string, number>>()
  for (const { job, component, count } of listTaken(db)) {
    if (!taken.has(job)) taken.set(job, new Map())
    taken.get(job)!.set(component, count)
  }
  return {
    definitions: listDefinitions(db),
    assemblies: listAssemblies(db),
    measuredAt: listMeasuredAt(db),
    onHand: new Map([...listBalances(db)].map(([id, b]) => [id, b.hand])),
    taken,
    freeHolders: free,
    builds: builds.map(({ job, t, serial, who }) => ({ job, t, serial, who })),
    now,
    staleAfterDays: STALE_AFTER_DAYS,
  }
}

/** Every open job against everything there is, in order of urgency. */
export function readNetted(
  db: Db,
  now: string,
): { readonly jobs: readonly Job[]; readonly tools: ReadonlyMap<string, readonly NettedTool[]> } {
  const jobs = listJobs(db)
  return { jobs, tools: netJobs(jobs, readInventory(db, now)) }
}
