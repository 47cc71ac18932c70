import type { Assembly } from '@/core/tool'
import { listAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'

/** The tools of a job that stand complete, in the order of their numbers. */
export const toolsOfJob = (db: Db, job: string): readonly Assembly[] =>
  listAssemblies(db)
    .filter((a) => a.job === job && a.state !== 'apart')
    .sort((a, b) => (a.t ?? Infinity) - (b.t ?? Infinity))

export interface NextTool {
  readonly serial: string
  readonly t: number | null
  readonly name: string
}

/** The next tool of a job that waits to be measured, after the one on the spindle; null when it was the last. */
export function nextToMeasure(db: Db, job: string, serial: string): NextTool | null {
  const next = toolsOfJob(db, job).find((a) => a.state === 'built' && a.serial !== serial)
  return next ? { serial: next.serial, t: next.t, name: next.name } : null
}
