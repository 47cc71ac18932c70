import type { Job, NettedTool } from '@/core/plan'
import type { Db } from '@/db/connection'
import { namesOf } from '@/db/library/read'
import { readNetted } from '../kit/inventory'

export interface ReadyJob {
  readonly job: Job
  readonly tools: readonly NettedTool[]
  /** Every tool is in and its figures were read back: the job may start. */
  readonly ready: boolean
}

export interface Readiness {
  readonly jobs: readonly ReadyJob[]
  /** Names of the parts that are missing. */
  readonly parts: Readonly<Record<string, string>>
}

/** The open jobs of a machine with what each still misses. A tool counts only when it is in and read back. */
export function readReadiness(db: Db, machine: string, now: string): Readiness {
  const netted = readNetted(db, now)
  const jobs = netted.jobs
    .filter((job) => job.machine === machine)
    .map((job) => {
      const tools = netted.tools.get(job.id) ?? []
      return {
        job,
        tools,
        ready: tools.length > 0 && tools.every((t) => t.standing.type === 'in-machine' || t.standing.type === 'left-out'),
      }
    })
  const missing = jobs.flatMap(({ tools }) =>
    tools.flatMap(({ standing }) => (standing.type === 'cannot-build' ? standing.missing.map((m) => m.component) : [])),
  )
  return { jobs, parts: Object.fromEntries(namesOf(db, missing)) }
}
