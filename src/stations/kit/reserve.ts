import { isLead } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { reserveAssembly } from '@/db/assembly/write'
import { getJob } from '@/db/job/read'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'

/**
 * Keeps a complete tool for a job (null: for whoever asks), so that no other job counts on it.
 * @param seen the job that it was reserved for when it was looked at
 */
export function reserveTool(work: Work, serial: string, jobId: string | null, seen?: string | null): Result<null, Refusal> {
  const tool = getAssembly(work.db, serial)
  if (!tool) return fail({ code: 'UNKNOWN_SERIAL', serial })
  if (seen !== undefined && seen !== tool.job) return fail({ code: 'CHANGED', what: 'tool', serial })
  const job = jobId === null ? null : getJob(work.db, jobId)
  if (jobId !== null && (!job || job.state !== 'open')) return fail({ code: 'UNKNOWN_JOB', job: jobId, open: true })
  if (job && tool.machine !== null && tool.machine !== job.machine)
    return fail({ code: 'OTHER_MACHINE', serial, machine: tool.machine, job: job.id, jobMachine: job.machine })
  if (tool.state === 'loaded') return fail({ code: 'SERVES_IN_MACHINE', serial, machine: tool.machine })
  const owner = tool.job === null ? null : getJob(work.db, tool.job)
  if (job && owner && owner.id !== job.id && owner.state === 'open' && !isLead(work.person))
    return fail({ code: 'RESERVED', serial, job: owner.id })
  const noted = {
    entry: { code: 'RESERVED', job: job?.id ?? null },
    serial,
    t: tool.t,
    machine: tool.machine,
    before: { job: tool.job },
    after: { job: job?.id ?? null },
  } as const
  return write(work, noted, (tx) => {
    must(reserveAssembly(tx.db, tool, job?.id ?? null, job?.dueAt ?? null), { code: 'CHANGED', what: 'tool', serial })
    return null
  })
}
