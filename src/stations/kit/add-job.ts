import { createHash } from 'node:crypto'
import { wantedOf, type HandTool, type Job, type JobProgram } from '@/core/plan'
import { toolsWanted, writtenFor } from '@/core/program'
import type { Assembly, Machine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { listAssemblies } from '@/db/assembly/read'
import { reserveAssembly } from '@/db/assembly/write'
import { inTransaction, isTaken } from '@/db/connection'
import { getJob } from '@/db/job/read'
import { insertJob, setJobExtra, setJobState } from '@/db/job/write'
import { getMachine } from '@/db/machine/read'
import { listTaken } from '@/db/stock/read'
import { giveBackAll } from '../store/give-back'
import { refuse, together, type Refusal } from '../refusals'
import { allOrNothing, type Work } from '../work'
import { note } from '../records/note'
import { PROGRAM_LIMIT_BYTES } from './contract'

export interface NewJob {
  /** Work order as people write it. */
  readonly id: string
  readonly name: string
  readonly machine: string
  /** ISO 8601 */
  readonly dueAt: string
  readonly quantity: number
  readonly priority: number
  readonly programs: readonly { readonly name: string; readonly text: string }[]
  readonly extra: readonly HandTool[]
}

/** Above this nothing is planned: tools that are needed now. */
export const URGENT = 9

/** Every program that cannot be used is told, not the first alone. */
function readPrograms(programs: NewJob['programs'], machine: Machine): Result<JobProgram[], Refusal> {
  const read: JobProgram[] = []
  const faults: Refusal[] = []
  for (const { name, text } of programs) {
    if (text.length > PROGRAM_LIMIT_BYTES) {
      faults.push({ code: 'TOO_LARGE', program: name })
      continue
    }
    const tools = toolsWanted(text, machine.kind)
    const other = writtenFor(text)
    if (!tools.ok) faults.push({ code: 'NOT_A_PROGRAM', program: name })
    else if (other !== null && other !== machine.kind)
      faults.push({ code: 'OTHER_KIND', program: name, kind: other, machine: machine.name, is: machine.kind })
    else read.push({ name, hash: createHash('sha256').update(text).digest('hex'), program: tools.value })
  }
  return faults.length ? refuse(together(faults)) : ok(read)
}

export const startFaults = (work: Work, dueAt: string): Refusal[] => (dueAt < work.now ? [{ code: 'START_PAST' }] : [])

/** A job from NC programs, a tool list or tools named by hand, and a date. @errors in words; nothing is stored then */
export function addJob(work: Work, wanted: NewJob): Result<Job, Refusal> {
  const machine = getMachine(work.db, wanted.machine)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: wanted.machine })
  if (wanted.programs.length === 0 && wanted.extra.length === 0) return fail({ code: 'NO_TOOLS' })
  const programs = readPrograms(wanted.programs, machine)
  const faults = [...(programs.ok ? [] : [programs.error]), ...startFaults(work, wanted.dueAt)]
  if (!programs.ok || faults.length) return refuse(together(faults))
  const job: Job = {
    id: wanted.id,
    name: wanted.name,
    machine: machine.key,
    dueAt: wanted.dueAt,
    quantity: wanted.quantity,
    priority: wanted.priority,
    state: 'open',
    urgentFor: null,
    mapping: {},
    programs: programs.value,
    extra: wanted.extra,
  }
  return storeJob(
    work,
    job,
    wanted.programs.map((p) => p.text),
    `Job ${job.id} for ${machine.name}: ${wantedOf(job).length} tools wanted`,
  )
}

/** Writes a job and its line in the record. */
export function storeJob(work: Work, job: Job, texts: readonly string[], said: string): Result<Job, Refusal> {
  try {
    inTransaction(work.db, () => {
      insertJob(work.db, job, texts, work.now)
      note(work, job.urgentFor ? 'needed now' : 'job added', said, {
        serial: job.urgentFor,
        machine: job.machine,
        after: { job: job.id, programs: job.programs.map(({ name, hash }) => ({ name, hash })), quantity: job.quantity },
      })
    })
  } catch (error) {
    if (isTaken(error)) return fail({ code: 'JOB_EXISTS', job: job.id })
    throw error
  }
  return ok(job)
}

/** Adds tools to a job by hand; the same T again replaces what was said of it. */
export function addTools(work: Work, jobId: string, tools: readonly HandTool[]): Result<Job, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job || job.state !== 'open') return fail({ code: 'UNKNOWN_JOB', job: jobId, open: true })
  const extra = [...job.extra.filter((e) => !tools.some((t) => t.t === e.t)), ...tools]
  inTransaction(work.db, () => {
    setJobExtra(work.db, job.id, extra)
    note(work, 'job changed', `${job.id}: ${tools.map((t) => `${t.count} × T${t.t}`).join(', ')} wanted as well`, {
      t: tools[0]?.t ?? null,
      machine: job.machine,
      before: job.extra,
      after: extra,
    })
  })
  return ok({ ...job, extra })
}

/** Tools kept for a job that is over are free again. @returns those outside of machines */
export function freeTools(work: Work, job: Job): Assembly[] {
  const kept = listAssemblies(work.db).filter((a) => a.job === job.id && a.state !== 'loaded')
  for (const { id } of kept) reserveAssembly(work.db, id, null, null)
  return kept
}

/** Closes a job: done, or cancelled. What was fetched for it goes back to where it lay. */
export function closeJob(work: Work, jobId: string, state: 'done' | 'cancelled'): Result<{ back: number }, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job || job.state !== 'open') return fail({ code: 'UNKNOWN_JOB', job: jobId, open: true })
  return allOrNothing(work.db, { code: 'CHANGED', what: 'job' }, () => {
    const back = giveBackAll(
      work,
      listTaken(work.db).filter((t) => t.job === job.id),
    )
    freeTools(work, job)
    setJobState(work.db, job.id, state)
    note(
      work,
      state === 'done' ? 'job done' : 'job cancelled',
      `${job.id}${back ? `; ${back} fetched pieces go back to their places` : ''}`,
      { machine: job.machine, before: { state: job.state }, after: { state } },
    )
    return { back }
  })
}
