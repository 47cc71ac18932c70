import { lookahead, type AheadLine, type Job, type NettedTool, type StandingType } from '@/core/plan'
import type { Machine } from '@/core/tool'
import type { Db } from '@/db/connection'
import { getJob } from '@/db/job/read'
import { getAnyMachine } from '@/db/machine/read'
import { readNetted } from './inventory'

export interface KitSheet {
  readonly job: Job
  readonly machine: Machine
  readonly tools: readonly NettedTool[]
}

/** @returns null when there is no such job; a job that is over wants nothing */
export function readKit(db: Db, jobId: string, now: string): KitSheet | null {
  const job = getJob(db, jobId)
  const machine = job && getAnyMachine(db, job.machine)
  if (!job || !machine) return null
  return { job, machine, tools: readNetted(db, now).tools.get(job.id) ?? [] }
}

export interface JobLine {
  readonly job: Job
  /** How many of its tools stand how. */
  readonly count: Readonly<Partial<Record<StandingType, number>>>
}

export function readJobs(db: Db, now: string): JobLine[] {
  const { jobs, tools } = readNetted(db, now)
  return jobs.map((job) => {
    const count: Partial<Record<StandingType, number>> = {}
    for (const { standing } of tools.get(job.id) ?? []) count[standing.type] = (count[standing.type] ?? 0) + 1
    return { job, count }
  })
}

/** A tool that a job wants and nobody has built yet. */
export interface ToBuild {
  readonly job: Job
  readonly tool: NettedTool
}

/** What can be built or is being built, the most urgent first; what a standing machine needs also when it cannot be built. */
export function readToBuild(db: Db, now: string): ToBuild[] {
  const { jobs, tools } = readNetted(db, now)
  return jobs.flatMap((job) =>
    (tools.get(job.id) ?? [])
      .filter(
        ({ standing: { type } }) =>
          type === 'to-build' || type === 'under-way' || (type === 'cannot-build' && job.urgentFor !== null),
      )
      .map((tool) => ({ job, tool })),
  )
}

/** What is due and cannot be begun as it is: parts that are missing, T numbers that nobody has said anything of. */
export function readStuck(db: Db, now: string): ToBuild[] {
  const { jobs, tools } = readNetted(db, now)
  return jobs.flatMap((job) =>
    (tools.get(job.id) ?? [])
      .filter(({ standing: { type } }) => type === 'cannot-build' || type === 'unknown-t' || type === 'ask')
      .map((tool) => ({ job, tool })),
  )
}

/** Minutes from the empty bench to a measured tool, by class. Common practice, no source; a shop edits them. */
export const BUILD_MINUTES = { rough: 10, finish: 13, drill: 8, tap: 8, turn: 9 } as const

/** Two runs, a correction and two runs more (common practice, no source). */
const BALANCE_MINUTES = 10
const MEASURE_MINUTES = 5

/** What must be begun by when, over all open jobs: everything that is not yet measured, or balanced where it is to be. */
export function readLookahead(db: Db, now: string): AheadLine[] {
  const { jobs, tools } = readNetted(db, now)
  const ahead = jobs.flatMap((job) =>
    (tools.get(job.id) ?? []).flatMap(({ standing, definition, wanted }) => {
      if (!definition || standing.type === 'in-machine') return []
      const balance = 'toBalance' in standing && standing.toBalance ? BALANCE_MINUTES : 0
      if (standing.type === 'ready' && balance === 0) return []
      const whole = BUILD_MINUTES[definition.toolClass]
      const rest =
        standing.type === 'to-build' || standing.type === 'cannot-build' || standing.type === 'under-way'
          ? whole
          : standing.type === 'ready'
            ? 0
            : MEASURE_MINUTES
      return [{ job: job.id, t: wanted.t, minutes: rest + balance, dueMs: Date.parse(job.dueAt), priority: job.priority }]
    }),
  )
  return lookahead(ahead, Date.parse(now))
}
