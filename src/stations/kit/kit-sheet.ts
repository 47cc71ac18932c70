import { netJob, type Job, type NettedTool } from '@/core/plan'
import type { Machine } from '@/core/tool'
import { listAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getJob, listJobs } from '@/db/job/read'
import { listDefinitions } from '@/db/library/read'
import { getMachine } from '@/db/machine/read'

export interface KitSheet {
  readonly job: Job
  readonly machine: Machine
  readonly tools: readonly NettedTool[]
}

export function readKit(db: Db, jobId: string): KitSheet | null {
  const job = getJob(db, jobId)
  const machine = job && getMachine(db, job.machine)
  if (!job || !machine) return null
  return { job, machine, tools: netJob(job, listDefinitions(db), listAssemblies(db)) }
}

export interface JobLine {
  readonly job: Job
  readonly toBuild: number
  readonly inWork: number
  readonly there: number
  readonly unknown: number
}

export function readJobs(db: Db): JobLine[] {
  const definitions = listDefinitions(db)
  const assemblies = listAssemblies(db)
  return listJobs(db).map((job) => {
    const standings = netJob(job, definitions, assemblies).map((tool) => tool.standing.type)
    const count = (...types: string[]) => standings.filter((type) => types.includes(type)).length
    return {
      job,
      toBuild: count('to-build'),
      inWork: count('in-work'),
      there: count('in-machine', 'ready'),
      unknown: count('unknown-t'),
    }
  })
}

/** A tool that a job wants and nobody has built yet. */
export interface ToBuild {
  readonly job: Job
  readonly tool: NettedTool
}

export function readToBuild(db: Db): ToBuild[] {
  const definitions = listDefinitions(db)
  const assemblies = listAssemblies(db)
  return listJobs(db).flatMap((job) =>
    netJob(job, definitions, assemblies)
      .filter((tool) => tool.standing.type === 'to-build')
      .map((tool) => ({ job, tool })),
  )
}
