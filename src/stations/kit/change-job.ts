import { wantedOf, type Job } from '@/core/plan'
import { fail, type Result } from '@/core/units'
import { findAssemblies } from '@/db/assembly/read'
import { reserveAssembly } from '@/db/assembly/write'
import { getJob, listProgramTexts } from '@/db/job/read'
import { updateJob } from '@/db/job/write'
import { getDefinition } from '@/db/library/read'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import { JOB_CHANGED, startFaults, storeJob, URGENT } from './add-job'

/**
 * Says what a T of a job is: a definition, nothing to set up (null), or by itself again (undefined).
 * @param seen the version of the job that was looked at
 */
export function mapTool(
  work: Work,
  jobId: string,
  t: number,
  to: string | null | undefined,
  seen?: number,
): Result<null, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job || job.state !== 'open') return fail({ code: 'UNKNOWN_JOB', job: jobId, open: true })
  if (seen !== undefined && seen !== job.version) return fail(JOB_CHANGED)
  if (!wantedOf(job).some((w) => w.t === t)) return fail({ code: 'UNKNOWN_TOOL', job: jobId, t })
  const definition = to ? getDefinition(work.db, to) : null
  if (to && !definition) return fail({ code: 'UNKNOWN_DEFINITION', definition: to ?? '' })
  if (definition && !definition.machines.includes(job.machine))
    return fail({ code: 'NOT_FOR_MACHINE', definition: definition.name, machine: job.machine })
  const mapping: Record<string, string | null> = { ...job.mapping }
  if (to === undefined) delete mapping[String(t)]
  else mapping[String(t)] = to
  const means = to === undefined ? {} : { to: definition && { id: definition.id, name: definition.name } }
  const entry = { code: 'T_SAID', job: job.id, t, ...means } as const
  return write(work, { entry, t, machine: job.machine, before: job.mapping, after: mapping }, (tx) => {
    must(updateJob(tx.db, job, { mapping }), JOB_CHANGED)
    return null
  })
}

export interface JobFacts {
  readonly name: string
  /** ISO 8601 */
  readonly dueAt: string
  readonly quantity: number
  readonly priority: number
  /** The version of the job that was changed. */
  readonly version: number
}

/** Another name, start or number of parts; its programs stay. */
export function changeJob(work: Work, jobId: string, facts: JobFacts): Result<null, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job || job.state !== 'open') return fail({ code: 'UNKNOWN_JOB', job: jobId, open: true })
  const [fault] = facts.dueAt === job.dueAt ? [] : startFaults(work, facts.dueAt)
  if (fault) return fail(fault)
  if (facts.version !== job.version) return fail(JOB_CHANGED)
  const { name, dueAt, quantity, priority } = facts
  const after = { name, dueAt, quantity, priority }
  const noted = {
    entry: { code: 'JOB_CHANGED', job: job.id, quantity, dueAt },
    machine: job.machine,
    before: { name: job.name, dueAt: job.dueAt, quantity: job.quantity, priority: job.priority },
    after,
  } as const
  return write(work, noted, (tx) => {
    must(updateJob(tx.db, job, after), JOB_CHANGED)
    for (const tool of findAssemblies(tx.db, { job: job.id })) must(reserveAssembly(tx.db, tool, job.id, dueAt), JOB_CHANGED)
    return null
  })
}

/** The same programs and tools under another number. */
export function copyJob(work: Work, jobId: string, as: { readonly id: string; readonly dueAt: string }): Result<Job, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job) return fail({ code: 'UNKNOWN_JOB', job: jobId, open: false })
  const [fault] = startFaults(work, as.dueAt)
  if (fault) return fail(fault)
  return storeJob(
    work,
    { ...job, ...as, state: 'open', urgentFor: null, priority: Math.min(job.priority, URGENT - 1) },
    listProgramTexts(work.db, jobId),
    { code: 'JOB_COPIED', job: as.id, from: jobId },
  )
}

/** A job that was closed by mistake wants its tools again. */
export function reopenJob(work: Work, jobId: string, reason: string): Result<null, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job) return fail({ code: 'UNKNOWN_JOB', job: jobId, open: false })
  if (job.state === 'open') return fail({ code: 'JOB_IS_OPEN', job: jobId })
  const entry = { code: 'JOB_REOPENED', job: job.id, was: job.state, reason } as const
  return write(work, { entry, machine: job.machine, before: { state: job.state }, after: { state: 'open' } }, (tx) => {
    must(updateJob(tx.db, job, { state: 'open' }), JOB_CHANGED)
    return null
  })
}
