/** Which tools a job wants, and how each of them stands. */
import type { ProgramTools, WantedTool } from '../program'
import type { Assembly, Definition } from '../tool'

export interface Job {
  readonly id: string
  readonly name: string
  readonly machine: string
  readonly dueAt: string
  readonly programName: string
  readonly programHash: string
  readonly program: ProgramTools
}

export type Standing =
  | { readonly type: 'in-machine'; readonly assembly: Assembly }
  /** Complete; `waits` names the station where it waits, null when its figures are released. */
  | { readonly type: 'ready'; readonly assembly: Assembly }
  | { readonly type: 'in-work'; readonly assembly: Assembly }
  | { readonly type: 'to-build'; readonly definition: Definition }
  | { readonly type: 'unknown-t' }

export interface NettedTool {
  readonly wanted: WantedTool
  readonly definition: Definition | null
  readonly standing: Standing
}

/**
 * Matches wanted tools by T number. A tool in the machine serves every job there; one on the rack serves only the
 * machine and, once it is built for a job, only that job.
 * @param definitions current versions
 * @param assemblies all that are not taken apart
 */
export function netJob(job: Job, definitions: readonly Definition[], assemblies: readonly Assembly[]): NettedTool[] {
  return job.program.tools.map((wanted) => {
    const definition = definitions.find((d) => d.t === wanted.t && d.machines.includes(job.machine)) ?? null
    return { wanted, definition, standing: standingOf(job, wanted.t, definition, assemblies) }
  })
}

function standingOf(job: Job, t: number, definition: Definition | null, assemblies: readonly Assembly[]): Standing {
  const same = assemblies.filter(
    (a) => a.t === t && a.machine === job.machine && (a.job === null || a.job === job.id || a.state === 'loaded'),
  )
  const inMachine = same.find((a) => a.state === 'loaded')
  if (inMachine) return { type: 'in-machine', assembly: inMachine }
  const ready = same.find((a) => a.state === 'released') ?? same.find((a) => a.state === 'measured')
  if (ready) return { type: 'ready', assembly: ready }
  const built = same.find((a) => a.state === 'built')
  if (built) return { type: 'in-work', assembly: built }
  return definition ? { type: 'to-build', definition } : { type: 'unknown-t' }
}
