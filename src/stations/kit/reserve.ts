import { fail, ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { reserveAssembly } from '@/db/assembly/write'
import { inTransaction } from '@/db/connection'
import { getJob } from '@/db/job/read'
import type { Refused, Work } from '../work'
import { note } from '../records/note'

/** Keeps a complete tool for a job (null: for whoever asks), so that no other job counts on it. */
export function reserveTool(work: Work, serial: string, jobId: string | null): Result<null, Refused> {
  const tool = getAssembly(work.db, serial)
  if (!tool) return fail({ code: 'UNKNOWN_SERIAL', text: `No tool stands on holder ${serial}.` })
  const job = jobId === null ? null : getJob(work.db, jobId)
  if (jobId !== null && (!job || job.state !== 'open'))
    return fail({ code: 'UNKNOWN_JOB', text: `There is no open job ${jobId}.` })
  if (job && tool.machine !== null && tool.machine !== job.machine)
    return fail({ code: 'OTHER_MACHINE', text: `${serial} is for ${tool.machine}, ${job.id} is for ${job.machine}.` })
  if (tool.state === 'loaded')
    return fail({ code: 'IN_A_MACHINE', text: `${serial} stands in ${tool.machine}: it serves every job there.` })
  const owner = tool.job === null ? null : getJob(work.db, tool.job)
  if (job && owner && owner.id !== job.id && owner.state === 'open' && work.person.role !== 'lead')
    return fail({ code: 'KEPT', text: `${serial} is kept for ${owner.id}. A lead may give it to another job.` })
  inTransaction(work.db, () => {
    reserveAssembly(work.db, tool.id, job?.id ?? null, job?.dueAt ?? null)
    note(work, job ? 'kept' : 'freed', job ? `kept for ${job.id}` : 'free for any job', {
      serial,
      t: tool.t,
      machine: tool.machine,
      before: { job: tool.job },
      after: { job: job?.id ?? null },
    })
  })
  return ok(null)
}
