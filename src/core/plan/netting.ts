/** Which tools the jobs want and how each of them stands; two jobs never count the same tool or part twice. */
import { FETCHED, WITH_SERIAL, type Assembly, type Definition, type PartLine, type Role } from '../tool'
import { byUrgency, wantedOf, type Job, type Wanted } from './job'
import { meaningOf, type Difference } from './match'

/** Why a complete tool may not simply be used. */
export type Stale =
  | { readonly why: 'age'; readonly days: number }
  | { readonly why: 'worn' }
  /** It has cut for so long since it was measured that its definition asks for another look. */
  | { readonly why: 'check'; readonly minutes: number }
  | { readonly why: 'superseded'; readonly built: number; readonly current: number }

export interface PickedPart {
  readonly role: Role
  readonly component: string
  readonly count: number
  /** Set when it stands in for the first choice. */
  readonly insteadOf: string | null
}

export interface MissingPart {
  readonly role: Role
  readonly component: string
  readonly short: number
  /** What could be received or regrounded instead. */
  readonly alternatives: readonly string[]
  /** The job that holds what there is. */
  readonly heldBy: string | null
}

export type Standing =
  | { readonly type: 'in-machine'; readonly assembly: Assembly; readonly lifeLeftMin: number | null }
  /** Complete; waits to be balanced, handed over or loaded. */
  | { readonly type: 'ready'; readonly assembly: Assembly; readonly toBalance: boolean }
  | { readonly type: 'stale'; readonly assembly: Assembly; readonly stale: Stale }
  | { readonly type: 'in-work'; readonly assembly: Assembly; readonly toBalance: boolean }
  /** Somebody is at it. */
  | { readonly type: 'under-way'; readonly serial: string; readonly who: string }
  | { readonly type: 'in-other-machine'; readonly assembly: Assembly }
  | { readonly type: 'to-build'; readonly definition: Definition; readonly parts: readonly PickedPart[] }
  | { readonly type: 'cannot-build'; readonly definition: Definition; readonly missing: readonly MissingPart[] }
  | { readonly type: 'unknown-t' }
  /** The program's comment does not fit the definition that has this T: somebody says which is meant. */
  | { readonly type: 'ask'; readonly definition: Definition; readonly differs: readonly Difference[] }
  /** Nothing is to be set up for it, such as a probe. */
  | { readonly type: 'left-out' }

export type StandingType = Standing['type']

export interface NettedTool {
  readonly wanted: Wanted
  /** 0 the tool itself, 1 its first sister, … */
  readonly sister: number
  readonly definition: Definition | null
  readonly standing: Standing
  /** The one in the machine that is worn or broken, which this one replaces. */
  readonly replaces: Assembly | null
}

/** Everything that stands and lies in the tool room, as counted now. */
export interface Inventory {
  /** Current versions. */
  readonly definitions: readonly Definition[]
  /** All that are not taken apart. */
  readonly assemblies: readonly Assembly[]
  /** When each assembly was last measured, by its id. */
  readonly measuredAt: ReadonlyMap<number, string>
  /** Assemblies that are still to be balanced, by their ids. */
  readonly toBalance: ReadonlySet<number>
  /** Pieces that lie in their places, by component. */
  readonly onHand: ReadonlyMap<string, number>
  /** Pieces fetched for a job already, by job and component. */
  readonly taken: ReadonlyMap<string, ReadonlyMap<string, number>>
  /** Pieces with a serial (holders, extensions) that are free and healthy, by component. */
  readonly freeHolders: ReadonlyMap<string, number>
  /** Builds begun and not finished; their holders are not among the free ones. */
  readonly builds: readonly { readonly job: string; readonly t: number; readonly serial: string; readonly who: string }[]
  /** ISO 8601. */
  readonly now: string
  /** Minutes that each had cut when it was last measured, by its id; those that nobody noted are not in it. */
  readonly measuredAfterMin?: ReadonlyMap<number, number>
  /** After so many days a measurement is called stale. */
  readonly staleAfterDays: number
}

const DAY_MS = 24 * 3600 * 1000
/** With less than this share of its life left a tool in a machine calls its sister. Common practice, no source. */
const WARN_SHARE = 0.1

interface Pool {
  readonly used: Set<number>
  readonly onHand: Map<string, number>
  readonly freeHolders: Map<string, number>
  /** Who took the last of a component. */
  readonly holder: Map<string, string>
  readonly openJobs: ReadonlySet<string>
  readonly builds: Inventory['builds'][number][]
}

/** Serves every open job in order of urgency. @returns its tools, by job id */
export function netJobs(jobs: readonly Job[], inventory: Inventory): ReadonlyMap<string, readonly NettedTool[]> {
  const open = jobs.filter((j) => j.state === 'open').sort(byUrgency)
  const pool: Pool = {
    used: new Set(),
    onHand: new Map(inventory.onHand),
    freeHolders: new Map(inventory.freeHolders),
    holder: new Map(),
    openJobs: new Set(open.map((j) => j.id)),
    builds: [...inventory.builds],
  }
  return new Map(open.map((job) => [job.id, netJob(job, inventory, pool)]))
}

function netJob(job: Job, inventory: Inventory, pool: Pool): NettedTool[] {
  const taken = new Map(inventory.taken.get(job.id) ?? [])
  return wantedOf(job).flatMap((wanted) => {
    const meaning = meaningOf(job, wanted, inventory.definitions)
    if (meaning.type === 'left out' || meaning.type === 'ask') {
      const standing: Standing = meaning.type === 'ask' ? meaning : { type: 'left-out' }
      return [{ wanted, sister: 0, definition: null, standing, replaces: null }]
    }
    const definition = meaning.type === 'definition' ? meaning.definition : null
    const inMachine = new Set<number>()
    return Array.from({ length: wanted.count }, (_, sister): NettedTool => {
      const { standing, replaces } = standingOf(job, wanted, definition, inventory, pool, taken, inMachine)
      return { wanted, sister, definition, standing, replaces }
    })
  })
}

/** Whether this tool is what the job calls T so-and-so: by its definition, or by T and machine where it has none. */
const isThat = (a: Assembly, job: Job, t: number, definition: Definition | null) =>
  a.definition && definition ? a.definition.id === definition.id : a.t === t && a.machine === job.machine

function standingOf(
  job: Job,
  wanted: Wanted,
  definition: Definition | null,
  inventory: Inventory,
  pool: Pool,
  taken: Map<string, number>,
  inMachine: Set<number>,
): { standing: Standing; replaces: Assembly | null } {
  const that = inventory.assemblies.filter((a) => isThat(a, job, wanted.t, definition) && !pool.used.has(a.id))
  const serve = (standing: Standing, replaces: Assembly | null = null) => {
    if ('assembly' in standing) pool.used.add(standing.assembly.id)
    return { standing, replaces }
  }
  // a tool in the machine serves every job there, one after the other: it counts once for each job
  let replaces: Assembly | null = null
  for (const a of inventory.assemblies) {
    if (a.state !== 'loaded' || a.machine !== job.machine || !isThat(a, job, wanted.t, definition) || inMachine.has(a.id))
      continue
    const life = definition?.lifeMin ?? null
    const left = life === null ? null : life - a.lifeUsedMin - a.runningMin
    // its sister is called before it is worn out, not when it is
    const enough = a.condition === 'fit' && (left === null || left > Math.max(wanted.needMin ?? 0, WARN_SHARE * (life ?? 0)))
    inMachine.add(a.id)
    if (enough) return { standing: { type: 'in-machine', assembly: a, lifeLeftMin: left }, replaces: null }
    replaces = replaces ?? a
  }
  const mine = that.filter((a) => a.state !== 'loaded' && a.condition !== 'broken' && belongs(a, job, pool))
  const staleOf = (a: Assembly) => staleness(a, definition, inventory)
  const complete = mine.filter((a) => a.state === 'released' || a.state === 'measured')
  const rank = (a: Assembly) => (a.job === job.id ? 0 : 2) + (a.state === 'released' ? 0 : 1)
  const [best] = complete.filter((a) => !staleOf(a)).sort((a, b) => rank(a) - rank(b))
  const toBalance = (a: Assembly) => inventory.toBalance.has(a.id)
  if (best) return serve({ type: 'ready', assembly: best, toBalance: toBalance(best) }, replaces)
  const old = complete[0]
  const stale = old && staleOf(old)
  if (stale) return serve({ type: 'stale', assembly: old, stale }, replaces)
  const built = mine.find((a) => a.state === 'built' && a.condition === 'fit')
  if (built) return serve({ type: 'in-work', assembly: built, toBalance: toBalance(built) }, replaces)
  const spare = (a: Assembly) => a.condition === 'fit' && (a.job === null || !pool.openJobs.has(a.job))
  const elsewhere = that.find((a) => a.state === 'loaded' && a.machine !== job.machine && spare(a))
  if (elsewhere) return serve({ type: 'in-other-machine', assembly: elsewhere }, replaces)
  if (!definition) return { standing: { type: 'unknown-t' }, replaces }
  const at = pool.builds.findIndex((b) => b.job === job.id && b.t === wanted.t)
  if (at >= 0) {
    const [{ serial, who }] = pool.builds.splice(at, 1)
    toBuild(job, definition, pool, taken, true)
    return { standing: { type: 'under-way', serial, who }, replaces }
  }
  return { standing: toBuild(job, definition, pool, taken), replaces }
}

/**
 * A tool built for an open job serves that job only; one for this machine, or for none yet, serves whoever asks. A machine
 * that stands takes what it needs.
 */
function belongs(a: Assembly, job: Job, pool: Pool): boolean {
  if (job.urgentFor !== null) return a.machine === null || a.machine === job.machine
  if (a.job !== null && a.job !== job.id && pool.openJobs.has(a.job)) return false
  return a.machine === null || a.machine === job.machine
}

function staleness(a: Assembly, definition: Definition | null, inventory: Inventory): Stale | null {
  if (a.condition === 'worn') return { why: 'worn' }
  if (definition && a.definition && a.definition.version < definition.version)
    return { why: 'superseded', built: a.definition.version, current: definition.version }
  if (definition?.lifeMin != null && a.lifeUsedMin >= definition.lifeMin) return { why: 'worn' }
  const since = a.lifeUsedMin - (inventory.measuredAfterMin?.get(a.id) ?? a.lifeUsedMin)
  if (definition?.checkMin !== undefined && since >= definition.checkMin) return { why: 'check', minutes: Math.round(since) }
  const measured = inventory.measuredAt.get(a.id)
  const days = measured ? Math.floor((Date.parse(inventory.now) - Date.parse(measured)) / DAY_MS) : 0
  return days > inventory.staleAfterDays ? { why: 'age', days } : null
}

/** Takes the parts out of the pool, first choice before alternatives; nothing is taken when something is missing. */
function toBuild(job: Job, definition: Definition, pool: Pool, taken: Map<string, number>, hasHolder = false): Standing {
  const picked: PickedPart[] = []
  const missing: MissingPart[] = []
  const claim: { from: Map<string, number>; component: string; count: number }[] = []
  const claimed = (from: Map<string, number>, component: string) =>
    claim.reduce((sum, c) => sum + (c.from === from && c.component === component ? c.count : 0), 0)
  for (const line of definition.parts) {
    const serial = WITH_SERIAL.includes(line.role)
    if (serial ? hasHolder : !FETCHED.includes(line.role)) continue
    const found = [line.component, ...line.alternatives].find((component) => {
      const sources = serial ? [pool.freeHolders] : [taken, pool.onHand]
      let rest = line.count
      const part: typeof claim = []
      for (const from of sources) {
        const count = Math.min(rest, (from.get(component) ?? 0) - claimed(from, component))
        if (count > 0) part.push({ from, component, count })
        rest -= Math.max(0, count)
      }
      if (rest > 0) return false
      claim.push(...part)
      return true
    })
    if (found === undefined) missing.push(missingOf(line, pool))
    else
      picked.push({
        role: line.role,
        component: found,
        count: line.count,
        insteadOf: found === line.component ? null : line.component,
      })
  }
  if (missing.length) return { type: 'cannot-build', definition, missing }
  for (const { from, component, count } of claim) {
    from.set(component, from.get(component)! - count)
    if (from.get(component) === 0) pool.holder.set(component, job.id)
  }
  return { type: 'to-build', definition, parts: picked }
}

function missingOf(line: PartLine, pool: Pool): MissingPart {
  const pieces = WITH_SERIAL.includes(line.role) ? pool.freeHolders : pool.onHand
  const have = Math.max(0, pieces.get(line.component) ?? 0)
  return {
    role: line.role,
    component: line.component,
    short: line.count - have,
    alternatives: line.alternatives,
    heldBy: pool.holder.get(line.component) ?? null,
  }
}
