/** Names that pages put in place of keys. */
import type { Db } from '@/db/connection'
import { getComponent } from '@/db/library/read'
import { listAllMachines } from '@/db/machine/read'

export const machineNames = (db: Db): ReadonlyMap<string, string> =>
  new Map(listAllMachines(db).map(({ machine }) => [machine.key, machine.name]))

/** A number stands for a part that is not there. */
export const partName = (db: Db, id: string): string => getComponent(db, id)?.name ?? id
