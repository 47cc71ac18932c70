/** Names that pages put in place of keys. */
import type { Db } from '@/db/connection'
import { getComponent } from '@/db/library/read'
import { listMachines } from '@/db/machine/read'

export const machineNames = (db: Db): ReadonlyMap<string, string> => new Map(listMachines(db).map((m) => [m.key, m.name]))

/** A number stands for a part that is not there. */
export const partName = (db: Db, id: string): string => getComponent(db, id)?.name ?? id
