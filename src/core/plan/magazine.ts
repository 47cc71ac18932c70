/**
 * Which tools a magazine gets for jobs in a given order, so that the fewest are put in: keep the tool needed soonest (Tang and Denardo,
 * Operations Research 36 (1988) 767: optimal where each tool takes one pocket and each change costs the same).
 */
import { fail, ok, type Result } from '../units'

export interface MagazineTask {
  readonly pockets: number
  /** Tools of each job, in the order of the jobs; one that is named twice counts once. */
  readonly jobs: readonly (readonly string[])[]
  /** What is in it before the first job. */
  readonly loaded: readonly string[]
  /** Pockets that a tool takes, those that it keeps free beside it too; not named: one. Above 1 it is only a good rule, not the fewest. */
  readonly sizes?: Readonly<Record<string, number>>
}

export type BadMagazine =
  | { readonly why: 'JOB_TOO_LARGE'; readonly job: number; readonly tools: number; readonly pockets: number }
  | { readonly why: 'LOADED_TOO_LARGE'; readonly tools: number; readonly pockets: number }
  | { readonly why: 'LOADED_TWICE'; readonly tool: string }

export interface MagazineStep {
  readonly job: number
  readonly load: readonly string[]
  readonly unload: readonly string[]
}

export interface MagazinePlan {
  /** How many tools are put in, those for the first job too. */
  readonly switches: number
  readonly steps: readonly MagazineStep[]
  /** No order of the jobs needs fewer: every tool that is wanted and not in comes in at least once. */
  readonly least: number
}

const NEVER = Infinity

/** The first of these that make room for so much; what was taken in passing and is not needed after all stays. */
function goesFor(latest: readonly string[], room: number, sizeOf: (tools: readonly string[]) => number): string[] {
  const going: string[] = []
  for (const tool of latest) {
    if (sizeOf(going) >= room) break
    going.push(tool)
  }
  for (const tool of [...going].reverse()) {
    const rest = going.filter((other) => other !== tool)
    if (sizeOf(rest) >= room) going.splice(going.indexOf(tool), 1)
  }
  return going
}

/** @errors a magazine that is too small for a job, or for what is said to be in it */
export function planMagazine({ pockets, jobs, loaded, sizes = {} }: MagazineTask): Result<MagazinePlan, BadMagazine> {
  const sizeOf = (tools: readonly string[]) => tools.reduce((sum, tool) => sum + (sizes[tool] ?? 1), 0)
  if (sizeOf(loaded) > pockets) return fail({ why: 'LOADED_TOO_LARGE', tools: sizeOf(loaded), pockets })
  const twice = loaded.find((tool, i) => loaded.indexOf(tool) !== i)
  if (twice !== undefined) return fail({ why: 'LOADED_TWICE', tool: twice })
  const wanted = jobs.map((job) => [...new Set(job)])
  const large = wanted.findIndex((job) => sizeOf(job) > pockets)
  if (large >= 0) return fail({ why: 'JOB_TOO_LARGE', job: large, tools: sizeOf(wanted[large]), pockets })
  const uses = new Map<string, number[]>()
  wanted.forEach((job, at) => job.forEach((tool) => uses.set(tool, [...(uses.get(tool) ?? []), at])))
  /** How many of a tool's uses lie behind. */
  const behind = new Map<string, number>()
  const nextUse = (tool: string) => uses.get(tool)?.[behind.get(tool) ?? 0] ?? NEVER
  const inside = new Set(loaded)
  const steps = wanted.map((job, at): MagazineStep => {
    const load = job.filter((tool) => !inside.has(tool))
    for (const tool of job) behind.set(tool, (behind.get(tool) ?? 0) + 1)
    const needed = new Set(job)
    const latest = [...inside]
      .filter((tool) => !needed.has(tool))
      .map((tool) => ({ tool, next: nextUse(tool) }))
      // what is wanted latest goes first; of two that are never wanted the one that has been in longest
      .sort((a, b) => (a.next === b.next ? 0 : b.next - a.next))
      .map(({ tool }) => tool)
    const unload = goesFor(latest, sizeOf([...inside, ...load]) - pockets, sizeOf)
    unload.forEach((tool) => inside.delete(tool))
    load.forEach((tool) => inside.add(tool))
    return { job: at, load, unload }
  })
  const before = new Set(loaded)
  return ok({
    switches: steps.reduce((sum, { load }) => sum + load.length, 0),
    steps,
    least: [...uses.keys()].filter((tool) => !before.has(tool)).length,
  })
}
