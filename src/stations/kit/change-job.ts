import { wantedOf, type Job } from '@/core/plan'
import { fail, ok, type Result } from '@/core/units'
import { listAssemblies } from '@/db/assembly/read'
import { reserveAssembly } from '@/db/assembly/write'
import { inTransaction } from '@/db/connection'
import { getJob, listProgramTexts } from '@/db/job/read'
import { setJobFacts, setJobMapping, setJobState } from '@/db/job/write'
import { getDefinition } from '@/db/library/read'
import { timeText } from '@/words/time'
import { note } from '../records/note'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { startFaults, storeJob, URGENT } from './add-job'

/** Says what a T of a job is: a definition, nothing to set up (null), or by itself again (undefined). */
export function mapTool(work: Work, jobId: string, t: number, to: string | null | undefined): Result<null, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job || job.state !== 'open') return fail({ code: 'UNKNOWN_JOB', job: jobId, open: true })
  if (!wantedOf(job).some((w) => w.t === t)) return fail({ code: 'UNKNOWN_TOOL', job: jobId, t })
  const definition = to ? getDefinition(work.db, to) : null
  if (to && !definition) return fail({ code: 'UNKNOWN_DEFINITION', definition: to ?? '' })
  if (definition && !definition.machines.includes(job.machine))
    return fail({ code: 'NOT_FOR_MACHINE', definition: definition.name, machine: job.machine })
  const mapping: Record<string, string | null> = { ...job.mapping }
  if (to === undefined) delete mapping[String(t)]
  else mapping[String(t)] = to
  inTransaction(work.db, () => {
    setJobMapping(work.db, job.id, mapping)
    note(
      work,
      'job changed',
      to === undefined
        ? `${job.id}: T${t} is found by itself again`
        : `${job.id}: T${t} is ${definition ? `${definition.name} (${definition.id})` : 'left out, nothing to set up'}`,
      { t, machine: job.machine, before: job.mapping, after: mapping },
    )
  })
  return ok(null)
}

export interface JobFacts {
  readonly name: string
  /** ISO 8601 */
  readonly dueAt: string
  readonly quantity: number
  readonly priority: number
}

/** Another name, start or number of parts; its programs stay. */
export function changeJob(work: Work, jobId: string, facts: JobFacts): Result<null, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job || job.state !== 'open') return fail({ code: 'UNKNOWN_JOB', job: jobId, open: true })
  const [fault] = facts.dueAt === job.dueAt ? [] : startFaults(work, facts.dueAt)
  if (fault) return fail(fault)
  const { name, dueAt, quantity, priority } = job
  inTransaction(work.db, () => {
    setJobFacts(work.db, { ...job, ...facts })
    for (const { id } of listAssemblies(work.db).filter((a) => a.job === job.id))
      reserveAssembly(work.db, id, job.id, facts.dueAt)
    note(work, 'job changed', `${job.id}: ${facts.quantity} parts, starts ${timeText(facts.dueAt)}`, {
      machine: job.machine,
      before: { name, dueAt, quantity, priority },
      after: { ...facts },
    })
  })
  return ok(null)
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
    `Job ${as.id}, copied from ${jobId}`,
  )
}

/** A job that was closed by mistake wants its tools again. */
export function reopenJob(work: Work, jobId: string, reason: string): Result<null, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job) return fail({ code: 'UNKNOWN_JOB', job: jobId, open: false })
  if (job.state === 'open') return fail({ code: 'JOB_IS_OPEN', job: jobId })
  inTransaction(work.db, () => {
    setJobState(work.db, job.id, 'open')
    note(work, 'job reopened', `${job.id} was ${job.state}; ${reason}`, {
      machine: job.machine,
      before: { state: job.state },
      after: { state: 'open' },
    })
  })
  return ok(null)
}
