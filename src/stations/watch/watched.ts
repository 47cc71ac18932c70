/** What differs now, for the sheet and for whoever loads or takes a tool out. */
import { wantedOf } from '@/core/plan'
import { canBeWear, wearByCorrection, type Wear } from '@/core/handover'
import type { Difference, LoadCase } from '@/core/load'
import { isTyped, type Machine } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listJobs } from '@/db/job/read'
import { listMachines } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import { lastLook, listWatched } from '@/db/watch/read'
import type { ControlError } from '@/devices/control/port'
import type { ControlAnswer } from '../load/ask-control'
import { readDifferences } from '../load/differences'
import type { WatchedMachine, WatchLine } from './contract'
import { handoverOf, isSame } from './same'

/** Whether a corrected register can be what the tool has worn. */
export const isWearRegister = (d: Difference): boolean => d.code === 'ROW_DIFFERS' && d.held !== null && canBeWear(d.register)

/** Open jobs of each machine by the T numbers that they want. */
function jobsByT(db: Db, machine: string): ReadonlyMap<number, string> {
  const jobs = listJobs(db).filter((job) => job.machine === machine)
  return new Map(jobs.flatMap((job) => wantedOf(job).map(({ t }) => [t, job.id] as const)).reverse())
}

/** A difference that nobody has decided, of a tool that an open job of this machine wants; null: none. @param answer what its control tells now */
export function stopsLoad(db: Db, machine: Machine, answer: ControlAnswer): LoadCase['tableOpen'] {
  if (!answer.table) return null
  const decided = listWatched(db, machine.key).filter((row) => row.state !== 'open')
  const open = readDifferences(db, machine, answer).filter(
    (d) => !decided.some((row) => isSame(row, d, handoverOf(db, d.serial))),
  )
  if (open.length === 0) return null
  const jobs = jobsByT(db, machine.key)
  for (const { t } of open) {
    const job = jobs.get(t)
    if (job !== undefined) return { t, job }
  }
  return null
}

/** What a tool has worn by what somebody corrected in its registers and said of it, mm; null: nothing. */
export function takenAsWear(db: Db, machine: Machine, serial: string): Wear | null {
  const taken = listWatched(db, machine.key).flatMap(({ serial: of, state, difference }) =>
    of === serial && state === 'wear' && difference.code === 'ROW_DIFFERS' ? [difference] : [],
  )
  return taken.length ? wearByCorrection(taken, machine) : null
}

export const readWatched = (db: Db): readonly WatchedMachine[] =>
  listMachines(db).map((machine) => {
    const [last] = listRecord(db, { machine: machine.key, limit: 1 })
    const jobs = jobsByT(db, machine.key)
    const look = lastLook(db, machine.key)
    return {
      machine,
      readAt: look?.at ?? null,
      problem: (look?.problem ?? null) as ControlError | null,
      readable: !isTyped(machine),
      lastAt: last ? { who: last.who, at: last.at } : null,
      lines: listWatched(db, machine.key).map(
        ({ id, difference, firstAt, lastAt, near, state, decidedBy, reason }): WatchLine => ({
          ...{ id, difference, firstAt, lastAt, near, decidedBy, reason, state: state as WatchLine['state'] },
          stops: state === 'open' ? (jobs.get(difference.t) ?? null) : null,
          canBeWear: isWearRegister(difference),
        }),
      ),
    }
  })
