/** What Records shows. */
import type { ChainState, RecordEntry } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listPersonRows } from '@/db/person/read'
import { listKinds, listRecord, type RecordQuery } from '@/db/record/read'
import { readMachineNames } from '../library/pages'
import { proveOn } from './proof'

export interface RecordsPage {
  readonly entries: readonly RecordEntry[]
  readonly kinds: readonly string[]
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  /** Whoever works here or did, those who have left last. */
  readonly people: readonly { readonly id: string; readonly name: string }[]
  readonly state: ChainState
  /** New entries are left to look at. */
  readonly more: boolean
}

/** Entries whose hashes are computed while the page is made: what was added since the last look. */
const PROVEN_AT_ONCE = 50

export const readRecords = (db: Db, now: string, query: RecordQuery): RecordsPage => ({
  entries: listRecord(db, query),
  kinds: listKinds(db),
  machines: readMachineNames(db),
  people: listPersonRows(db).map(({ id, name }) => ({ id, name })),
  ...proveOn(db, now, PROVEN_AT_ONCE),
})
