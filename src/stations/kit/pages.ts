/** What the pages of Kit show. */
import type { AheadLine, Job, NettedTool } from '@/core/plan'
import type { Assembly, Definition, Machine } from '@/core/tool'
import { findAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { listJobs, listNcPrograms, listPastJobs, type ProgramUse } from '@/db/job/read'
import { listDefinitions } from '@/db/library/read'
import { listMachines } from '@/db/machine/read'
import { machineNames, partName } from '../names'
import { missingFor, readCarts, type CartSheet } from './carts'
import { readNetted } from './inventory'
import { readJobs, readKit, readLookahead, readStuck, type JobLine, type KitSheet, type ToBuild } from './kit-sheet'
import { readPick, type PickSheet } from './pick'

/** Names of the machines, and of the parts that some tools' standings speak of. */
export interface KitNames {
  readonly parts: Readonly<Record<string, string>>
  readonly machines: Readonly<Record<string, string>>
  readonly job?: string
}

export function namesFor(db: Db, tools: readonly Pick<NettedTool, 'standing'>[], job?: string): KitNames {
  const parts: Record<string, string> = {}
  for (const { standing } of tools) {
    const named = standing.type === 'to-build' ? standing.parts : standing.type === 'cannot-build' ? standing.missing : []
    for (const { component } of named) parts[component] ??= partName(db, component)
  }
  return { parts, machines: Object.fromEntries(machineNames(db)), job }
}

export interface KitStart {
  readonly jobs: readonly JobLine[]
  readonly past: readonly Job[]
  readonly machines: readonly Machine[]
}

export const readKitStart = (db: Db, now: string): KitStart => ({
  jobs: readJobs(db, now),
  past: listPastJobs(db),
  machines: listMachines(db),
})

export interface JobPage {
  readonly sheet: KitSheet
  readonly pick: PickSheet
  readonly names: KitNames
  /** What a T of this machine may mean. */
  readonly definitions: readonly Pick<Definition, 'id' | 'name' | 't'>[]
}

/** @returns null when there is no such job */
export function readJobPage(db: Db, job: string, now: string): JobPage | null {
  const sheet = readKit(db, job, now)
  const pick = sheet && readPick(db, sheet.job.id, now)
  if (!sheet || !pick) return null
  const definitions = listDefinitions(db).filter((d) => d.machines.includes(sheet.machine.key))
  return {
    sheet,
    pick,
    names: namesFor(db, sheet.tools, sheet.job.id),
    definitions: definitions.map(({ id, name, t }) => ({ id, name, t })),
  }
}

export interface AheadPage {
  readonly lines: readonly AheadLine[]
  readonly jobs: ReadonlyMap<string, Job>
  readonly stuck: readonly ToBuild[]
  readonly names: KitNames
  readonly definitions: readonly Definition[]
  readonly machines: ReadonlyMap<string, string>
}

export function readAhead(db: Db, now: string): AheadPage {
  const stuck = readStuck(db, now)
  return {
    lines: readLookahead(db, now),
    jobs: new Map(listJobs(db).map((job) => [job.id, job])),
    stuck,
    names: namesFor(
      db,
      stuck.map((s) => s.tool),
    ),
    definitions: listDefinitions(db),
    machines: machineNames(db),
  }
}

export interface CartsPage {
  readonly carts: readonly CartSheet[]
  readonly jobs: readonly Job[]
  readonly chosen: CartSheet | undefined
  readonly missing: readonly NettedTool[]
  readonly names: KitNames
}

export function readCartsPage(db: Db, now: string, asked: { readonly job?: string; readonly cart?: string }): CartsPage {
  const carts = readCarts(db)
  const chosen = carts.find((c) => c.unit.id === asked.cart) ?? carts.find((c) => c.unit.kind === 'cart')
  const missing = asked.job && chosen ? missingFor(db, asked.job, chosen.unit.id, now) : []
  return { carts, jobs: listJobs(db), chosen, missing, names: namesFor(db, missing, asked.job) }
}

export interface NowPage {
  readonly urgent: readonly { readonly job: Job; readonly tools: readonly NettedTool[]; readonly names: KitNames }[]
  readonly machines: ReadonlyMap<string, string>
  /** Fit tools in machines: one of them may break. */
  readonly loaded: readonly Assembly[]
}

export function readNow(db: Db, now: string): NowPage {
  const { jobs, tools } = readNetted(db, now)
  const urgent = jobs
    .filter((j) => j.urgentFor !== null)
    .map((job) => {
      const netted = tools.get(job.id) ?? []
      return { job, tools: netted, names: namesFor(db, netted) }
    })
  const loaded = findAssemblies(db, { state: 'loaded' }).filter((a) => a.condition === 'fit')
  return { urgent, machines: machineNames(db), loaded }
}

export interface ProgramsPage {
  readonly programs: readonly ProgramUse[]
  readonly definitions: readonly Definition[]
  readonly machines: ReadonlyMap<string, string>
}

export const readPrograms = (db: Db): ProgramsPage => ({
  programs: listNcPrograms(db),
  definitions: listDefinitions(db),
  machines: machineNames(db),
})
