import type { Db } from '@/db/connection'
import { listMachines } from '@/db/machine/read'
import { readNetted } from '../kit/inventory'
import type { BoardMachine } from './contract'

/** So many jobs of each machine: this one, the next, the third. */
const SHOWN = 3

/** Each machine's next jobs: what is ready, and what is missing. */
export function readBoard(db: Db, now: string): readonly BoardMachine[] {
  const { jobs, tools } = readNetted(db, now)
  return listMachines(db).map(({ key, name }) => ({
    key,
    name,
    jobs: jobs
      .filter((job) => job.machine === key)
      .sort((a, b) => (a.dueAt < b.dueAt ? -1 : 1))
      .slice(0, SHOWN)
      .map((job) => {
        const all = (tools.get(job.id) ?? []).filter(({ standing }) => standing.type !== 'left-out')
        const missing = all.filter(({ standing: { type } }) => type !== 'in-machine' && type !== 'ready')
        return {
          ...{ id: job.id, name: job.name, dueAt: job.dueAt, tools: all.length, ready: all.length - missing.length },
          missing: missing.map(({ standing, replaces, wanted, definition }) => ({
            ...{ standing, replaces, t: wanted.t },
            name: definition?.name ?? wanted.name ?? '',
          })),
        }
      }),
  }))
}
