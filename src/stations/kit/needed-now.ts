import type { Job } from '@/core/plan'
import { ok, fail, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { reserveAssembly, setCondition } from '@/db/assembly/write'
import { countUrgent, getJob } from '@/db/job/read'
import { setJobState } from '@/db/job/write'
import { getMachine } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import type { Refusal } from '../refusals'
import { allOrNothing, need, type Work } from '../work'
import { freeTools, storeJob, URGENT } from './add-job'
import { readNetted } from './inventory'
import { note } from '../records/note'

/** A broken tool's sister by one scan: before everything else, with the machine that waits for it. */
export function neededNow(work: Work, serial: string): Result<Job, Refusal> {
  const broken = getAssembly(work.db, serial)
  if (!broken) return fail({ code: 'UNKNOWN_SERIAL', serial })
  if (broken.t === null || broken.machine === null) return fail({ code: 'NO_T', serial })
  if (broken.condition === 'broken') return fail({ code: 'RUSHED_ALREADY', serial, t: broken.t })
  const { id, t, machine: key } = broken
  const machine = getMachine(work.db, key)
  return allOrNothing(work.db, { code: 'CHANGED', what: 'tool', serial }, () => {
    setCondition(work.db, id, 'broken')
    const job: Job = {
      id: `NOW-${countUrgent(work.db) + 1}`,
      name: `sister of T${t} on ${serial}`,
      machine: key,
      dueAt: work.now,
      quantity: 1,
      priority: URGENT,
      state: 'open',
      urgentFor: serial,
      mapping: broken.definition ? { [String(t)]: broken.definition.id } : {},
      programs: [],
      extra: [{ t, name: broken.name, count: 1, minutesEach: null, source: 'by hand' }],
    }
    need(storeJob(work, job, [], `T${t} is broken, ${machine?.name ?? key} waits for its sister`))
    giveReadyOne(work, job)
    return job
  })
}

/** A complete tool that another job had is given to the machine that stands. */
function giveReadyOne(work: Work, job: Job): void {
  const [sister] = readNetted(work.db, work.now).tools.get(job.id) ?? []
  if (!sister || !('assembly' in sister.standing) || sister.standing.type === 'in-machine') return
  const { assembly } = sister.standing
  if (assembly.state === 'loaded') return
  reserveAssembly(work.db, assembly.id, job.id, job.dueAt)
  note(work, 'kept', `given to ${job.id}${assembly.job ? `, away from ${assembly.job}` : ''}: the machine waits`, {
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
  const done = allOrNothing(work.db, { code: 'CHANGED', what: 'job' }, () => {
    const tool = getAssembly(work.db, urgentFor)
    if (tool?.condition === 'broken') setCondition(work.db, tool.id, 'fit')
    for (const sister of freeTools(work, job)) {
      const before = formerJob(work, sister.serial, job.id)
      if (before) reserveAssembly(work.db, sister.id, before.id, before.dueAt)
    }
    setJobState(work.db, job.id, 'cancelled')
    note(work, 'taken back', `${job.id}: ${urgentFor} is not broken; ${reason}`, {
      serial: urgentFor,
      t: tool?.t ?? null,
      machine: job.machine,
      before: { state: job.state, condition: 'broken' },
      after: { state: 'cancelled', condition: 'fit' },
    })
    return null
  })
  return done.ok ? ok(null) : done
}

/** The open job that a tool was taken from, by the record. */
function formerJob(work: Work, serial: string, now: string): Job | null {
  const given = listRecord(work.db, { serial }).find(
    (entry) => entry.what === 'kept' && (entry.after as { job?: string } | null)?.job === now,
  )
  const former = (given?.before as { job?: string | null } | null)?.job
  const job = former ? getJob(work.db, former) : null
  return job?.state === 'open' ? job : null
}
