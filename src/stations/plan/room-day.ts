import { clampingOf } from '@/core/fits'
import { minutesCut, netJobs, type Job, type NettedTool } from '@/core/plan'
import { byJob, shrinkFirst, type Room, type Step, type StepKind, type ToolToDo } from '@/core/schedule'
import { balanceOrder, type Coupling, type Definition, type Machine } from '@/core/tool'
import { ok, type Result } from '@/core/units'
import type { Heavy } from '@/codecs/heavy'
import { listAssemblies } from '@/db/assembly/read'
import { adapterNow, listAdapters } from '@/db/bench/read'
import { listBuilds } from '@/db/build/read'
import type { Db } from '@/db/connection'
import { getComponent } from '@/db/library/read'
import { listJobs } from '@/db/job/read'
import { listMachines } from '@/db/machine/read'
import { readInventory, readNetted } from '../kit/inventory'
import { partsOf } from '../library/put-definition'
import { practiceOf } from '../practice'
import type { Refusal } from '../refusals'
import type { BlockedTool, DayView, Learned, PlanView, Way, WhatIf } from './contract'
import { learnMinutes, minutesFor } from './learn-minutes'

const idOf = (job: Job, { wanted, sister }: NettedTool) => `${job.id} T${wanted.t}${sister ? `.${sister}` : ''}`

/** What is left of a tool until it is in its machine; null where nothing is, or nobody can say what it is. */
function stepsLeft(
  db: Db,
  { standing, definition, wanted }: NettedTool,
  machine: Machine,
  learned: readonly Learned[],
  heated: ReadonlySet<string>,
): readonly Step[] | null {
  if (!definition) return null
  const step = (kind: StepKind): Step => ({ kind, minutes: minutesFor(learned, kind, definition.toolClass) })
  const parts = partsOf(db, definition)
  const shrunk = parts !== null && clampingOf(parts) === 'shrink'
  const order = balanceOrder(definition, machine, wanted.maxSpindle, false)
  const put: readonly StepKind[] = shrunk ? ['heat', 'cool'] : ['build']
  const sized: readonly StepKind[] =
    order === 'first' ? ['balance', 'measure'] : order === 'after' ? ['measure', 'balance'] : ['measure']
  const kinds = ((): readonly StepKind[] | null => {
    switch (standing.type) {
      case 'in-machine':
      case 'left-out':
      case 'unknown-t':
      case 'ask':
        return null
      case 'ready':
        if (standing.toBalance) return ['balance', 'hand over', 'load']
        return standing.assembly.state === 'released' ? ['load'] : ['hand over', 'load']
      case 'in-work':
        return [...(standing.toBalance ? sized : (['measure'] as const)), 'hand over', 'load']
      case 'stale':
        // a worn cutter is changed for another one
        if (standing.stale.why === 'worn') return ['fetch', ...put, ...sized, 'hand over', 'load']
        return ['measure', 'hand over', 'load']
      case 'in-other-machine':
        return ['fetch', 'measure', 'hand over', 'load']
      case 'under-way':
        return [...(heated.has(standing.serial) ? (['cool'] as const) : put), ...sized, 'hand over', 'load']
      case 'to-build':
      case 'cannot-build':
        return ['fetch', ...put, ...sized, 'hand over', 'load']
    }
  })()
  return kinds && kinds.map(step)
}

const couplingOf = (db: Db, definition: Definition | null, machine: Machine) => {
  const holder = definition?.parts.find((line) => line.role === 'holder')
  const part = holder ? getComponent(db, holder.component) : null
  return part && 'CCMS' in part ? part.CCMS : machine.coupling
}

/**
 * A holder that another job has in its machine comes back when that job is through: how long that takes from now, and which it is. null where
 * something else is missing too, or nobody knows how long that job runs.
 */
function freedIn(db: Db, own: string, { standing }: NettedTool, jobs: readonly Job[], now: string) {
  if (standing.type !== 'cannot-build') return null
  const ends = standing.missing.map(({ heldBy, role, component }) => {
    // what the job itself has already comes back too late for it
    const holder = heldBy === own ? undefined : jobs.find((job) => job.id === heldBy)
    const minutes = holder && minutesCut(holder)
    if (role !== 'holder' || !holder || minutes == null) return null
    return {
      piece: getComponent(db, component)?.name ?? component,
      job: holder.id,
      minutes: minutesTo(holder.dueAt, now) + minutes,
    }
  })
  if (ends.some((end) => end === null)) return null
  const last = ends.flatMap((end) => end ?? []).sort((a, b) => b.minutes - a.minutes)[0]
  return { ...last, minutes: Math.max(0, last.minutes) }
}

const minutesTo = (at: string, now: string) => (Date.parse(at) - Date.parse(now)) / 60_000

interface Day {
  readonly jobs: readonly Job[]
  readonly tools: readonly ToolToDo[]
  readonly blocked: readonly BlockedTool[]
  readonly names: DayView['names']
}

/** Everything that is still to do for every open job. */
function toDo(db: Db, now: string, whatIf: WhatIf, learned: readonly Learned[]): Day {
  const machines = new Map(listMachines(db).map((m) => [m.key, m]))
  const { jobs, tools } = nettedIf(db, now, whatIf)
  const todo: ToolToDo[] = []
  const blocked: BlockedTool[] = []
  const names: Record<string, DayView['names'][string]> = {}
  const heated = new Set(listBuilds(db).flatMap((b) => (b.heat ? [b.serial] : [])))
  const adapters = adaptersOf(db)
  for (const job of jobs) {
    const machine = machines.get(job.machine)
    if (!machine) continue
    const later = whatIf.later?.job === job.id ? whatIf.later.minutes : 0
    for (const netted of tools.get(job.id) ?? []) {
      const id = idOf(job, netted)
      names[id] = { t: netted.wanted.t, name: netted.definition?.name ?? netted.wanted.name ?? '', job: job.id }
      const { type } = netted.standing
      const comes = whatIf.comes?.tool === id ? whatIf.comes.minutes : null
      const freed = comes === null ? freedIn(db, job.id, netted, jobs, now) : null
      if (type === 'unknown-t' || type === 'ask' || (type === 'cannot-build' && comes === null && !freed)) {
        blocked.push({ tool: id, job: job.id, netted, noAdapter: null })
        continue
      }
      const steps = stepsLeft(db, netted, machine, learned, heated)
      if (!steps?.length) continue
      const coupling = couplingOf(db, netted.definition, machine)
      if (adapters && !adapters[coupling] && steps.some(({ kind }) => kind === 'measure')) {
        blocked.push({ tool: id, job: job.id, netted, noAdapter: coupling })
        continue
      }
      todo.push({
        ...{ id, job: job.id, steps, coupling, piece: null, begun: type === 'under-way' },
        readyMin: comes ?? freed?.minutes ?? 0,
        ...(freed && { readyWith: { for: 'freed', piece: freed.piece, job: freed.job } as const }),
        dueMin: minutesTo(job.dueAt, now) + later,
      })
    }
  }
  return { jobs, tools: todo, blocked, names }
}

/** Adapters by taper; null where the shop entered none, and nobody knows what there is. */
function adaptersOf(db: Db): Partial<Record<Coupling, number>> | null {
  const all = listAdapters(db)
  return all.length === 0
    ? null
    : all.reduce<Partial<Record<Coupling, number>>>((n, { coupling }) => ({ ...n, [coupling]: (n[coupling] ?? 0) + 1 }), {})
}

/** As it is, or as if a tool were broken. */
function nettedIf(db: Db, now: string, { broken }: WhatIf) {
  if (broken === undefined) return readNetted(db, now)
  const jobs = listJobs(db)
  const inventory = readInventory(db, now)
  const assemblies = inventory.assemblies.map((a) => (a.serial === broken ? { ...a, condition: 'broken' as const } : a))
  return { jobs, tools: netJobs(jobs, { ...inventory, assemblies }) }
}

/** People and places are whole ones, whatever was typed into the practice. */
function roomOf(db: Db, { people }: WhatIf): Room {
  const p = practiceOf(db)
  return {
    people: people ?? Math.floor(p.planPeople),
    places: {
      ...{ 'shrink unit': 1, cooling: Math.floor(p.planCooling), assembly: Math.floor(p.planAssembly) },
      ...{ bench: Math.floor(p.planBenches), balance: 1, cart: Math.floor(p.planCarts) },
    },
    adapterMin: p.adapterMin,
    adapter: adapterNow(db)?.coupling ?? null,
    adapters: adaptersOf(db) ?? {},
    pieces: {},
  }
}

/** Every open job with its date. */
const jobsToDo = ({ jobs, blocked }: Day, now: string, { later }: WhatIf) =>
  jobs.map(({ id, machine, dueAt }) => ({
    ...{ job: id, machine, blocked: blocked.filter((b) => b.job === id).length },
    dueMin: minutesTo(dueAt, now) + (later?.job === id ? later.minutes : 0),
  }))

/** So much is looked for: a second or two of a thread, however many tools there are. */
const [MOST_TRIES, LEAST_TRIES, TRIES_BY_SQUARE, MOST_BEGINNINGS] = [300, 5, 120_000, 60_000]
const triesFor = (tools: number): number => Math.max(LEAST_TRIES, Math.min(MOST_TRIES, Math.round(TRIES_BY_SQUARE / tools ** 2)))

/** The room's day by both ways, as it is or as if something were so. */
export async function readDay(
  db: Db,
  heavy: Pick<Heavy, 'schedule'>,
  now: string,
  whatIf: WhatIf = {},
): Promise<Result<DayView, Refusal>> {
  const learned = learnMinutes(db)
  const day = toDo(db, now, whatIf, learned)
  const room = roomOf(db, whatIf)
  const found = await heavy.schedule(day.tools, room, triesFor(day.tools.length), [], undefined, MOST_BEGINNINGS)
  if (!found.ok) return found
  // in one order only: everything that is shrunk before the rest
  const shrunk = await heavy.schedule(day.tools, room, 0, [], shrinkFirst(day.tools))
  if (!shrunk.ok) return shrunk
  const jobs = jobsToDo(day, now, whatIf)
  const view = ({ schedule, boundMin, exact }: typeof found.value): PlanView => ({
    ...{ order: schedule.order, blocks: schedule.blocks, boundMin, exact },
    ...{ latenessMin: schedule.latenessMin, endMin: schedule.endMin },
    jobs: byJob(schedule, jobs, day.tools),
  })
  const plans: Record<Way, PlanView> = { 'one-by-one': view(found.value), 'shrink-first': view(shrunk.value) }
  const [a, b] = [plans['one-by-one'], plans['shrink-first']]
  const sooner = b.latenessMin < a.latenessMin || (b.latenessMin === a.latenessMin && b.endMin < a.endMin)
  return ok({
    ...{ now, tools: day.tools.length, people: room.people, plans, learned, blocked: day.blocked, names: day.names },
    toDo: { tools: day.tools, room },
    sooner: sooner ? 'shrink-first' : 'one-by-one',
  })
}

/** Tools that could break: whatever is fit and not apart. */
export const readBreakable = (db: Db): readonly { readonly serial: string; readonly name: string }[] =>
  listAssemblies(db)
    .filter((a) => a.condition === 'fit')
    .map(({ serial, t, name }) => ({ serial, name: `${t === null ? '' : `T${t} `}${name}, ${serial}` }))
