import { DONE } from '@/words/answers'
import type { Job } from '@/core/plan'
import { fail, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { reserveAssembly, setCondition } from '@/db/assembly/write'
import { countUrgent, getJob } from '@/db/job/read'
import { updateJob, type NewJob } from '@/db/job/write'
import { getMachine } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, need, note, write, type Writing } from '../write'
import { freeTools, JOB_CHANGED, storeJob, URGENT } from './add-job'
import { readNetted } from './inventory'

/** A broken tool's sister by one scan: before everything else, with the machine that waits for it. */
export function neededNow(work: Work, serial: string): Result<Job, Refusal> {
  const broken = getAssembly(work.db, serial)
  if (!broken) return fail({ code: 'UNKNOWN_SERIAL', serial })
  if (broken.t === null || broken.machine === null) return fail({ code: 'NO_T', serial })
  if (broken.condition === 'broken') return fail({ code: 'RUSHED_ALREADY', serial, t: broken.t })
  const { t, machine: key } = broken
  const machine = getMachine(work.db, key)
  const changed: Refusal = { code: 'CHANGED', what: 'tool', serial }
  return write(work, null, (tx) => {
    must(setCondition(tx.db, broken, 'broken'), changed)
    const job: NewJob = {
      id: `NOW-${countUrgent(tx.db) + 1}`,
      name: DONE.sisterJob(t, serial),
      machine: key,
      dueAt: tx.now,
      quantity: 1,
      priority: URGENT,
      state: 'open',
      urgentFor: serial,
      mapping: broken.definition ? { [String(t)]: broken.definition.id } : {},
      programs: [],
      extra: [{ t, name: broken.name, count: 1, minutesEach: null, source: 'by hand' }],
    }
    const stored = need(storeJob(tx, job, [], { code: 'NEEDED_NOW', t, machine: machine?.name ?? key }))
    giveReadyOne(tx, stored)
    return stored
  })
}

/** A complete tool that another job had is given to the machine that stands. */
function giveReadyOne(tx: Writing, job: Job): void {
  const [sister] = readNetted(tx.db, tx.now).tools.get(job.id) ?? []
  if (!sister || !('assembly' in sister.standing) || sister.standing.type === 'in-machine') return
  const { assembly } = sister.standing
  if (assembly.state === 'loaded') return
  must(reserveAssembly(tx.db, assembly, job.id, job.dueAt), { code: 'CHANGED', what: 'tool', serial: assembly.serial })
  note(tx, {
    entry: { code: 'GIVEN', job: job.id, from: assembly.job },
    serial: assembly.serial,
    t: assembly.t,
    machine: job.machine,
    before: { job: assembly.job },
    after: { job: job.id },
  })
}

/** It was not broken after all: the tool is fit again, its sister goes back to the job that had it. */
export function takeBackNow(work: Work, jobId: string, reason: string): Result<null, Refusal> {
  const job = getJob(work.db, jobId)
  if (!job || job.state !== 'open' || job.urgentFor === null) return fail({ code: 'NOT_RUSHED', job: jobId })
  const { urgentFor } = job
  const tool = getAssembly(work.db, urgentFor)
  const noted = {
    entry: { code: 'NOT_BROKEN', job: job.id, serial: urgentFor, reason },
    serial: urgentFor,
    t: tool?.t,
    machine: job.machine,
    before: { state: job.state, condition: 'broken' },
    after: { state: 'cancelled', condition: 'fit' },
  } as const
  return write(work, noted, (tx) => {
    if (tool?.condition === 'broken') must(setCondition(tx.db, tool, 'fit'), JOB_CHANGED)
    for (const { serial } of freeTools(tx, job)) {
      const before = formerJob(tx, serial, job.id)
      const sister = getAssembly(tx.db, serial)
      if (before && sister) must(reserveAssembly(tx.db, sister, before.id, before.dueAt), JOB_CHANGED)
    }
    must(updateJob(tx.db, job, { state: 'cancelled' }), JOB_CHANGED)
    return null
  })
}

/** The open job that a tool was taken from, by the record. */
function formerJob(work: Work, serial: string, now: string): Job | null {
  const given = listRecord(work.db, { serial, what: 'kept' }).find(
    (entry) => (entry.after as { job?: string } | null)?.job === now,
  )
  const former = (given?.before as { job?: string | null } | null)?.job
  const job = former ? getJob(work.db, former) : null
  return job?.state === 'open' ? job : null
}
