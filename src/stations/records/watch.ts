import type { Difference } from '@/core/load'
import type { Machine } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listMachines } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import type { Control, ControlError } from '@/devices/control/port'
import { askControl } from '../load/ask-control'
import { readDifferences } from '../load/differences'

export interface Watched {
  readonly machine: Machine
  readonly differences: readonly Difference[]
  /** Why its control told nothing. */
  readonly problem: ControlError | null
  /** Whether it has a table that can be read at all. */
  readonly readable: boolean
  /** Who did something at it last, by the record. */
  readonly lastAt: { readonly who: string; readonly at: string } | null
}

/** The live table of every control against what Boulder handed over. */
export const readWatch = (db: Db, control: Control): Promise<readonly Watched[]> =>
  Promise.all(
    listMachines(db).map(async (machine): Promise<Watched> => {
      const answer = await askControl(control, machine)
      const [last] = listRecord(db, { machine: machine.key, limit: 1 })
      return {
        machine,
        differences: readDifferences(db, machine, answer),
        problem: answer.problem,
        readable: answer.table !== null,
        lastAt: last ? { who: last.who, at: last.at } : null,
      }
    }),
  )
