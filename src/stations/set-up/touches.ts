import type { Db } from '@/db/connection'
import { listDefinitions } from '@/db/library/read'
import { countAtMachine } from '@/db/machine/read'
import type { Touches } from './contract'

/** What rests on a machine. */
export const touchesOf = (db: Db, key: string): Touches => ({
  ...countAtMachine(db, key),
  definitions: listDefinitions(db).filter(({ machines }) => machines.includes(key)).length,
})
