import { refuseHealth } from '@/core/fits'
import { netJobs, type Inventory, type Job, type NettedTool } from '@/core/plan'
import type { Component } from '@/core/tool'
import { listAssemblies } from '@/db/assembly/read'
import { listBuilds } from '@/db/build/read'
import type { Db } from '@/db/connection'
import { listJobs } from '@/db/job/read'
import { listDefinitions, listHoldersOf, listHolderTypes, type HolderRead } from '@/db/library/read'
import { listMeasuredAfter, listMeasuredAt } from '@/db/measurement/read'
import { remembered, writesStamp } from '@/db/remembered'
import { listBalances, listTaken } from '@/db/stock/read'
import { practiceOf } from '../practice'
import { toBalanceOf } from '../rack/waits'

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

/** Free pieces of these types. */
export function freeOf(db: Db, components: Iterable<string>, now: string): HolderRead[] {
  const building = new Set(listBuilds(db).map((b) => b.serial))
  return freeHolders(listHoldersOf(db, components), listHolderTypes(db), building, now)
}

/** Everything that stands and lies in the tool room now, as far as a tool asks for it. */
export function readInventory(db: Db, now: string): Inventory {
  const definitions = listDefinitions(db)
  const asked = definitions.flatMap((d) => d.parts.flatMap((line) => [line.component, ...line.alternatives]))
  const free = new Map<string, number>()
  for (const { component } of freeOf(db, asked, now)) free.set(component!, (free.get(component!) ?? 0) + 1)
  const taken = new Map<string, Map<string, number>>()
  for (const { job, component, count } of listTaken(db)) {
    if (!taken.has(job)) taken.set(job, new Map())
    taken.get(job)!.set(component, count)
  }
  const assemblies = listAssemblies(db)
  const toBalance = toBalanceOf(db)
  return {
    definitions,
    assemblies,
    measuredAt: listMeasuredAt(db),
    measuredAfterMin: listMeasuredAfter(db),
    toBalance: new Set(assemblies.flatMap((a) => (toBalance(a) === null ? [] : [a.id]))),
    onHand: new Map([...listBalances(db, asked)].map(([id, b]) => [id, b.hand])),
    taken,
    freeHolders: free,
    builds: listBuilds(db).map(({ job, t, serial, who }) => ({ job, t, serial, who })),
    now,
    staleAfterDays: practiceOf(db).staleDays,
  }
}

export interface Netted {
  readonly jobs: readonly Job[]
  readonly tools: ReadonlyMap<string, readonly NettedTool[]>
}

/** Ten seconds: so long a netting counts while nobody writes. Nothing in it turns on seconds. */
const TEN_SECONDS = '2026-11-28T12:00:0'.length

/** Every open job against everything there is, in order of urgency; once for all who ask while nothing changes. */
export function readNetted(db: Db, now: string): Netted {
  return remembered(db, 'netted', `${writesStamp(db)} ${now.slice(0, TEN_SECONDS)}`, () => {
    const jobs = listJobs(db)
    return { jobs, tools: netJobs(jobs, readInventory(db, now)) }
  })
}
