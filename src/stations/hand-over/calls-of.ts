import type { ProgramCall } from '@/core/handover'
import { listJobs } from '@/db/job/read'
import type { Db } from '@/db/connection'

/** How the programs of a machine's open jobs call a T. */
export const callsOf = (db: Db, machine: string, t: number): ProgramCall[] =>
  listJobs(db)
    .filter((job) => job.machine === machine && job.mapping[String(t)] !== null)
    .flatMap((job) =>
      job.programs.flatMap(({ name, program }) =>
        program.tools.filter((tool) => tool.t === t).map(({ h, d }) => ({ job: job.id, program: name, h, d })),
      ),
    )
