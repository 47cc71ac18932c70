import type { Job } from '@/core/plan'
import { fail, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { reserveAssembly, setCondition } from '@/db/assembly/write'
import { inTransaction } from '@/db/connection'
import { countUrgent } from '@/db/job/read'
import { getMachine } from '@/db/machine/read'
import type { Refused, Work } from '../work'
import { storeJob, URGENT } from './add-job'
import { readNetted } from './inventory'
import { note } from '../records/note'

/** A broken tool's sister by one scan: before everything else, with the machine that waits for it. */
export function neededNow(work: Work, serial: string): Result<Job, Refused> {
  const broken = getAssembly(work.db, serial)
  if (!broken)
    return fail({ code: 'UNKNOWN_SERIAL', text: `No tool stands on ${serial}: scan the mark on the broken tool’s own holder.` })
  if (broken.t === null || broken.machine === null)
    return fail({
      code: 'NO_T',
      text: `Of the tool on ${serial} nobody knows for which machine and T it was. Add a job by hand.`,
    })
  if (broken.condition === 'broken')
    return fail({ code: 'CALLED', text: `T${broken.t} on ${serial} was called broken already; its sister is asked for.` })
  setCondition(work.db, broken.id, 'broken')
  const machine = getMachine(work.db, broken.machine)
  const job: Job = {
    id: `NOW-${countUrgent(work.db) + 1}`,
    name: `sister of T${broken.t} on ${serial}`,
    machine: broken.machine,
    dueAt: work.now,
    quantity: 1,
    priority: URGENT,
    state: 'open',
    urgentFor: serial,
    mapping: broken.definition ? { [String(broken.t)]: broken.definition.id } : {},
    programs: [],
    extra: [{ t: broken.t, name: broken.name, count: 1, minutesEach: null, source: 'by hand' }],
  }
  const stored = storeJob(work, job, [], `T${broken.t} is broken, ${machine?.name ?? broken.machine} waits for its sister`)
  if (stored.ok) giveReadyOne(work, job)
  return stored
}

/** A complete tool that another job had is given to the machine that stands. */
function giveReadyOne(work: Work, job: Job): void {
  const [sister] = readNetted(work.db, work.now).tools.get(job.id) ?? []
  if (!sister || !('assembly' in sister.standing) || sister.standing.type === 'in-machine') return
  const { assembly } = sister.standing
  if (assembly.state === 'loaded') return
  inTransaction(work.db, () => {
    reserveAssembly(work.db, assembly.id, job.id, job.dueAt)
    note(work, 'kept', `given to ${job.id}${assembly.job ? `, away from ${assembly.job}` : ''}: the machine waits`, {
      serial: assembly.serial,
      t: assembly.t,
      machine: job.machine,
      before: { job: assembly.job },
      after: { job: job.id },
    })
  })
}
