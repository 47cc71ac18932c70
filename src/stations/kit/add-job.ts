import { readPrograms, type Heavy, type ProgramRead } from '@/codecs/heavy'
import { createHash } from 'node:crypto'
import { wantedOf, type HandTool, type Job, type JobProgram } from '@/core/plan'
import type { Assembly, Machine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { findAssemblies } from '@/db/assembly/read'
import { reserveAssembly } from '@/db/assembly/write'
import { getJob } from '@/db/job/read'
import { insertJob, updateJob, type NewJob as JobIn } from '@/db/job/write'
import { getMachine } from '@/db/machine/read'
import { listTaken } from '@/db/stock/read'
import { giveBackAll } from '../store/give-back'
import { refuse, together, type Refusal } from '../refusals'
import type { Work } from '../work'
import type { Entry } from '../entries'
import { must, write, type Writing } from '../write'
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

export const JOB_CHANGED: Refusal = { code: 'CHANGED', what: 'job' }

/** Above this nothing is planned: tools that are needed now. */
export const URGENT = 9

/** Every program that cannot be used is told, not the first alone. */
function programsOf(
  programs: NewJob['programs'],
  machine: Machine,
  reads: readonly ProgramRead[],
): Result<JobProgram[], Refusal> {
  const read: JobProgram[] = []
  const faults: Refusal[] = []
  for (const [i, { name, text }] of programs.entries()) {
    if (text.length > PROGRAM_LIMIT_BYTES) {
      faults.push({ code: 'TOO_LARGE', program: name })
      continue
    }
    const { wanted: tools, writtenFor: other } = reads[i]
    if (!tools.ok) faults.push({ ...tools.error, program: name })
    else if (other !== null && other !== machine.kind)
      faults.push({ code: 'OTHER_KIND', program: name, kind: other, machine: machine.name, is: machine.kind })
    else read.push({ name, hash: createHash('sha256').update(text).digest('hex'), program: tools.value })
  }
  return faults.length ? refuse(together(faults)) : ok(read)
}

export const startFaults = (work: Work, dueAt: string): Refusal[] => (dueAt < work.now ? [{ code: 'START_PAST' }] : [])

const textsOf = ({ programs }: Pick<NewJob, 'programs'>): string[] => programs.map((p) => p.text)

/** The same with programs and lists still to be read: a thread does that. */
export async function readAndAddJob(
  work: Work,
  heavy: Heavy,
  { lists, ...wanted }: Omit<NewJob, 'extra'> & { readonly lists: NewJob['programs'] },
): Promise<Result<Job, Refusal>> {
  const machine = getMachine(work.db, wanted.machine)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: wanted.machine })
  const extra: HandTool[] = []
  for (const { name, text } of lists) {
    const list = await heavy.toolList(text)
    if (!list.ok) return list
    if (!list.value.ok) return fail({ code: 'NOT_A_LIST', list: name, fault: list.value.error })
    extra.push(...list.value.value)
  }
  const reads = await heavy.programs(textsOf(wanted), machine.kind)
  return reads.ok ? addJob(work, { ...wanted, extra }, reads.value) : reads
}

/**
 * A job from NC programs, a tool list or tools named by hand, and a date.
 * @param reads what the programs say, where a thread has read them
 * @errors in words; nothing is stored then
 */
export function addJob(work: Work, wanted: NewJob, reads: readonly ProgramRead[] | null = null): Result<Job, Refusal> {
  const machine = getMachine(work.db, wanted.machine)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: wanted.machine })
  if (wanted.programs.length === 0 && wanted.extra.length === 0) return fail({ code: 'NO_TOOLS' })
  const programs = programsOf(wanted.programs, machine, reads ?? readPrograms(textsOf(wanted), machine.kind))
  const faults = [...(programs.ok ? [] : [programs.error]), ...startFaults(work, wanted.dueAt)]
  if (!programs.ok || faults.length) return refuse(together(faults))
  const job: JobIn = {
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
  return storeJob(work, job, textsOf(wanted), {
    code: 'JOB_ADDED',
    job: job.id,
    machine: machine.name,
    tools: wantedOf(job).length,
  })
}

/** Writes a job and its line in the record. */
export function storeJob(
  work: Work,
  job: JobIn,
  texts: readonly string[],
  entry: Entry<'JOB_ADDED' | 'JOB_COPIED' | 'NEEDED_NOW'>,
): Result<Job, Refusal> {
  const programs = job.programs.map(({ name, hash }) => ({ name, hash }))
  const after = { job: job.id, programs, quantity: job.quantity }
  return write(
    work,
    { entry, serial: job.urgentFor, machine: job.machine, after },
    (tx) => {
      insertJob(tx.db, job, texts, tx.now)
      return getJob(tx.db, job.id)!
    },
    { code: 'JOB_EXISTS', job: job.id },
  )
}

/** Adds tools to a job by hand; the same T again replaces what was said of it. @param seen the version of the job that was looked at */
export function addTools(work: Work, jobId: string, tools: readonly HandTool[], seen?: number): Result<Job, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job || job.state !== 'open') return fail({ code: 'UNKNOWN_JOB', job: jobId, open: true })
  if (seen !== undefined && seen !== job.version) return fail(JOB_CHANGED)
  const extra = [...job.extra.filter((e) => !tools.some((t) => t.t === e.t)), ...tools]
  const entry = { code: 'TOOLS_ADDED', job: job.id, tools: tools.map(({ t, count }) => ({ t, count })) } as const
  return write(work, { entry, t: tools[0]?.t, machine: job.machine, before: job.extra, after: extra }, (tx) => {
    must(updateJob(tx.db, job, { extra }), JOB_CHANGED)
    return getJob(tx.db, job.id)!
  })
}

/** Tools kept for a job that is over are free again. @returns those outside of machines */
export function freeTools(tx: Writing, job: Pick<Job, 'id'>): Assembly[] {
  const kept = findAssemblies(tx.db, { job: job.id }).filter((a) => a.state !== 'loaded')
  for (const tool of kept) must(reserveAssembly(tx.db, tool, null, null), JOB_CHANGED)
  return kept
}

/** Closes a job: done, or cancelled. What was fetched for it goes back to where it lay. */
export function closeJob(work: Work, jobId: string, state: 'done' | 'cancelled'): Result<{ back: number }, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job || job.state !== 'open') return fail({ code: 'UNKNOWN_JOB', job: jobId, open: true })
  return write(
    work,
    ({ back }: { readonly back: number }) => ({
      entry: { code: 'JOB_CLOSED', job: job.id, state, back },
      machine: job.machine,
      before: { state: job.state },
      after: { state },
    }),
    (tx) => {
      const back = giveBackAll(tx, listTaken(tx.db, job.id))
      freeTools(tx, job)
      must(updateJob(tx.db, job, { state }), JOB_CHANGED)
      return { back }
    },
  )
}
