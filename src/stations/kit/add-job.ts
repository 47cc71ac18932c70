import { createHash } from 'node:crypto'
import type { Job } from '@/core/plan'
import { toolsWanted } from '@/core/program'
import { fail, ok, type Result } from '@/core/units'
import { inTransaction, isTaken } from '@/db/connection'
import { insertJob } from '@/db/job/write'
import { getMachine } from '@/db/machine/read'
import { addEntry } from '@/db/record/write'
import type { Refused, Work } from '../work'

export interface NewJob {
  /** Work order as people write it. */
  readonly id: string
  readonly name: string
  readonly machine: string
  /** ISO 8601 */
  readonly dueAt: string
  readonly programName: string
  readonly programText: string
}

export const PROGRAM_LIMIT_BYTES = 8 * 2 ** 20

/** A job from an NC program and a date. @errors in words; nothing is stored then */
export function addJob(work: Work, wanted: NewJob): Result<Job, Refused> {
  const machine = getMachine(work.db, wanted.machine)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', text: `There is no machine ${wanted.machine}.` })
  if (wanted.programText.length > PROGRAM_LIMIT_BYTES)
    return fail({ code: 'TOO_LARGE', text: 'A program may have 8 MB at most.' })
  const read = toolsWanted(wanted.programText, machine.kind)
  if (!read.ok)
    return fail({
      code: 'NOT_A_PROGRAM',
      text: `${wanted.programName} holds not one block that can be read. Is it the NC program?`,
    })
  const job: Job = {
    id: wanted.id,
    name: wanted.name,
    machine: machine.key,
    dueAt: wanted.dueAt,
    programName: wanted.programName,
    programHash: createHash('sha256').update(wanted.programText).digest('hex'),
    program: read.value,
  }
  try {
    inTransaction(work.db, () => {
      insertJob(work.db, job, wanted.programText, work.now)
      addEntry(work.db, {
        at: work.now,
        personId: work.person.id,
        what: 'job added',
        serial: null,
        t: null,
        machine: machine.key,
        text: `Job ${job.id} for ${machine.name} from ${job.programName}: ${job.program.tools.length} tools wanted`,
        before: null,
        after: { job: job.id, program: job.programName, hash: job.programHash },
      })
    })
  } catch (error) {
    if (isTaken(error)) return fail({ code: 'JOB_EXISTS', text: `Job ${job.id} is there already. Give this one another number.` })
    throw error
  }
  return ok(job)
}
