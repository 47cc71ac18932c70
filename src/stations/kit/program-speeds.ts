import { wantedOf } from '@/core/plan'
import type { Assembly } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listJobs } from '@/db/job/read'

/** The highest speed at which an open job of its machine turns a tool, rev/min; null where none says. */
export function programSpeeds(db: Db): (tool: Pick<Assembly, 'machine' | 't'>) => number | null {
  const speeds = new Map<string, number>()
  for (const job of listJobs(db))
    for (const { t, maxSpindle } of wantedOf(job)) {
      const key = `${job.machine}/${t}`
      if (maxSpindle !== null) speeds.set(key, Math.max(speeds.get(key) ?? 0, maxSpindle))
    }
  return ({ machine, t }) => speeds.get(`${machine}/${t}`) ?? null
}
