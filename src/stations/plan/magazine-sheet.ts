import type { Heavy } from '@/codecs/heavy'
import { minutesCut, planMagazine, wantedOf, type Job, type MagazinePlan } from '@/core/plan'
import { magazineOf, type Machine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { findAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { listJobs } from '@/db/job/read'
import { listDefinitions } from '@/db/library/read'
import { listMachines } from '@/db/machine/read'
import type { Refusal } from '../refusals'
import type { Cell, MagazineOrder, MagazineSheet, MagazineTool } from './contract'

/** Of a job of which nobody knows how long it runs, minutes: it still keeps its place among the others. */
const UNKNOWN_MIN = 60

/** A tool of a machine: the first of its T, or one of its sisters. */
const idOf = (t: number, sister: number) => (sister === 0 ? String(t) : `${t} ${sister}`)
const toolOf = (id: string): MagazineTool => {
  const [t, sister = 0] = id.split(' ').map(Number)
  return { t, sister }
}

/** What a job wants to have set up, its sister tools too. */
const toolsOf = (job: Job): string[] =>
  wantedOf(job)
    .filter(({ t }) => job.mapping[String(t)] !== null)
    .flatMap(({ t, count }) => Array.from({ length: count }, (_, sister) => idOf(t, sister)))

/** The tools over the jobs, as they come and go. */
function orderOf(
  ids: readonly string[],
  tools: readonly (readonly string[])[],
  loaded: readonly string[],
  plan: MagazinePlan,
  names: ReadonlyMap<number, string>,
): MagazineOrder {
  const all = [...new Set([...tools.flat(), ...loaded])].sort((a, b) => {
    const [one, other] = [toolOf(a), toolOf(b)]
    return one.t - other.t || one.sister - other.sister
  })
  const inside = new Set(loaded)
  const cells = new Map<string, Cell[]>(all.map((tool) => [tool, []]))
  plan.steps.forEach((step, at) => {
    for (const tool of step.unload) inside.delete(tool)
    for (const tool of all) {
      const cell = step.unload.includes(tool)
        ? 'goes'
        : step.load.includes(tool)
          ? 'comes'
          : tools[at].includes(tool)
            ? 'used'
            : inside.has(tool)
              ? 'stays'
              : null
      cells.get(tool)!.push(cell)
    }
    for (const tool of step.load) inside.add(tool)
  })
  return {
    jobs: ids,
    switches: plan.switches,
    rows: all.map((id) => ({ ...toolOf(id), name: names.get(toolOf(id).t) ?? '', cells: cells.get(id)! })),
    steps: plan.steps.map(({ job, load, unload }) => ({ job: ids[job], load: load.map(toolOf), unload: unload.map(toolOf) })),
  }
}

/** Pockets that wide tools take: their own and one that stays free, since two of them may share what is between them (common practice, no source). */
const WIDE_POCKETS = 2

/** Wide tools by what they are called here. */
function sizesOf(db: Db, machine: Machine, wanted: Iterable<string>): Readonly<Record<string, number>> {
  const { pitchMm, gapMm } = magazineOf(machine)
  const wide = new Set(
    listDefinitions(db)
      .filter((d) => d.machines.includes(machine.key) && d.DC.nominal > pitchMm - gapMm)
      .map((d) => d.t),
  )
  return Object.fromEntries([...wanted].filter((id) => wide.has(toolOf(id).t)).map((id) => [id, WIDE_POCKETS]))
}

/** The magazine of a machine over its open jobs: as the dates have them, and with fewer tools put in. @returns null where there is no machine */
export async function readMagazine(
  db: Db,
  heavy: Pick<Heavy, 'magazines'>,
  now: string,
  key: string | null,
): Promise<Result<MagazineSheet, Refusal> | null> {
  const machines = listMachines(db)
  const machine = machines.find((m) => m.key === key) ?? machines.at(0)
  if (!machine) return null
  const jobs = listJobs(db).filter((job) => job.machine === machine.key && toolsOf(job).length > 0)
  const byDate = [...jobs].sort((a, b) => (a.dueAt < b.dueAt ? -1 : 1))
  const tools = byDate.map(toolsOf)
  const inside = findAssemblies(db, { machine: machine.key, state: 'loaded' })
  const loaded = [...new Set(inside.flatMap(({ t, sister }) => (t === null ? [] : [idOf(t, sister)])))]
  const sizes = sizesOf(db, machine, new Set([...tools.flat(), ...loaded]))
  const { pockets } = machine
  const sheet = {
    machine: { key: machine.key, name: machine.name },
    machines: machines.map((m) => ({ key: m.key, name: m.name })),
    ...{ pockets, kept: Object.keys(sizes).length, loaded: loaded.map(toolOf) },
    jobs: byDate.map((job) => ({ id: job.id, name: job.name, dueAt: job.dueAt, minutes: minutesCut(job) })),
  }
  const names = new Map(
    listDefinitions(db)
      .filter((d) => d.machines.includes(machine.key))
      .map((d) => [d.t, d.name]),
  )
  const planned = planMagazine({ pockets, jobs: tools, loaded, sizes })
  if (!planned.ok) return ok({ ...sheet, planned: null, fewer: null, exact: true, least: 0, bad: planned.error })
  const ids = byDate.map((job) => job.id)
  const dated = byDate.map((job, i) => ({
    tools: tools[i],
    dueMin: (Date.parse(job.dueAt) - Date.parse(now)) / 60_000,
    minutes: minutesCut(job) ?? UNKNOWN_MIN,
  }))
  const searched = await heavy.magazines(dated, { pockets, loaded, sizes })
  if (!searched.ok) return searched
  if (!searched.value.ok) return fail({ code: 'BAD_MAGAZINE', ...searched.value.error })
  const found = searched.value.value
  const order = (plan: MagazinePlan, of: readonly number[]) =>
    orderOf(
      of.map((i) => ids[i]),
      of.map((i) => tools[i]),
      loaded,
      plan,
      names,
    )
  return ok({
    ...sheet,
    planned: order(
      planned.value,
      ids.map((_, i) => i),
    ),
    fewer: found.plan.switches < planned.value.switches ? order(found.plan, found.order) : null,
    ...{ exact: found.exact, least: found.plan.least, bad: null },
  })
}
