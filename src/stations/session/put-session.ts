import { inTransaction, type Db } from '@/db/connection'
import { putSession as put } from '@/db/session/write'

/** Who works at a terminal, in which unit and theme: nothing lives only in the browser, and the record tells nothing of it. */
export const putSession = (db: Db, id: string, change: Parameters<typeof put>[2], at: string): void =>
  inTransaction(db, (tx) => put(tx, id, change, at))
