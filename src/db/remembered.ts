/** What was read once and is still so: kept while a stamp of it is the same. */
import { prepare, type Db } from './connection'

const kept = new WeakMap<Db, Map<string, { readonly stamp: string; readonly value: unknown }>>()

/** @param stamp changes whenever the value may have changed. Whoever gets it must not change it: others get the same */
export function remembered<T>(db: Db, name: string, stamp: string, compute: () => T): T {
  // what is read inside of a write may be undone with it, and no stamp would tell
  if (db.inTransaction) return compute()
  let known = kept.get(db)
  if (!known) kept.set(db, (known = new Map()))
  const last = known.get(name)
  if (last?.stamp === stamp) return last.value as T
  const value = compute()
  known.set(name, { stamp, value })
  return value
}

/** Another one after every write, by this process or another. */
export function writesStamp(db: Db): string {
  const { own } = prepare(db, 'SELECT total_changes() AS own').get() as { own: number }
  const { data_version: others } = prepare(db, 'PRAGMA data_version').get() as { data_version: number }
  return `${own}/${others}`
}
