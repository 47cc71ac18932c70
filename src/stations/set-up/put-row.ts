import { SHIPPED_POSTS } from '@/codecs/post'
import { readRow, SET_UP, type FieldValue, type Known, type Row, type SetUpList } from '@/core/set-up'
import type { Person } from '@/core/tool'
import { fail, type LengthUnit, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { ownCouplings, readCouplings } from '@/db/coupling/read'
import { dropCoupling } from '@/db/coupling/write'
import { listPosts } from '@/db/machine/read'
import { getPlace } from '@/db/store/read'
import type { Refusal } from '../refusals'
import { refuseRight } from '../rights'
import type { Work } from '../work'
import { must, write, type Writing } from '../write'
import { couplingInUse, isHolderType, keeperOf } from './keepers'

/** What fields may name. */
export const knownOf = (db: Db): Known => ({
  coupling: (name) => readCouplings(db).has(name),
  post: (name) => name in SHIPPED_POSTS || listPosts(db).includes(name),
  part: (id) => isHolderType(db, id),
  place: (id) => getPlace(db, id) !== null,
})

/** Who works here is an administrator's to say; everything else of set-up a lead's. */
export const refuseList = (who: Person | null, list: SetUpList): Refusal | null =>
  list === 'person' ? refuseRight('people', who) : null

const nameIn = <L extends SetUpList>(list: L, row: Row<L>): string =>
  String((row as Readonly<Record<string, FieldValue>>)[SET_UP[list].by])

interface Given {
  readonly list: SetUpList
  /** The row that is changed; null for a new one. */
  readonly name: string | null
  readonly typed: Readonly<Record<string, string>>
  readonly unit: LengthUnit
  readonly version: number
}

/** A new row, or a changed one; by what it is told apart stays. */
export function putRow(work: Work, { list, name, typed, unit, version }: Given): Result<{ readonly name: string }, Refusal> {
  const mayNot = refuseList(work.person, list)
  if (mayNot) return fail(mayNot)
  const keeper = keeperOf(list)
  const by = SET_UP[list].by
  const read = readRow(list, name === null ? typed : { ...typed, [by]: name }, unit, knownOf(work.db))
  if (!read.ok) {
    const [[field, fault]] = Object.entries(read.error)
    return fail({ code: 'ROW_FAULT', list, field, fault })
  }
  const row = read.value
  if (name === null) {
    const own = nameIn(list, row)
    const there: Refusal = { code: 'ROW_THERE', list, name: own }
    if (keeper.has(work.db, own)) return fail(there)
    const entry = { code: 'SET_UP', list, name: own, isNew: true } as const
    return write(work, { entry, after: row }, (tx) => (keeper.insert(tx.db, row), { name: own }), there)
  }
  const before = keeper.all(work.db).find((one) => one.name === name)
  const { update } = keeper
  if (!update) return fail({ code: 'NOT_HERE', list })
  if (!before) return fail({ code: 'UNKNOWN_ROW', list, name })
  if (before.version !== version) return fail({ code: 'ROW_CHANGED', list, name })
  const against = keeper.against?.(work.db, before.row, row)
  if (against) return fail(against)
  const entry = { code: 'SET_UP', list, name, isNew: false } as const
  return write(work, { entry, before: before.row, after: row }, (tx) => {
    must(update(tx.db, name, row, version), { code: 'ROW_CHANGED', list, name })
    return { name }
  })
}

/** Out of use, or back again: what the record says of it stays readable. */
export function retireRow(
  work: Work,
  given: { readonly list: SetUpList; readonly name: string; readonly retired: boolean; readonly version: number },
): Result<null, Refusal> {
  const { list, name, retired, version } = given
  const keeper = keeperOf(list)
  const { retire } = keeper
  if (!retire) return fail({ code: 'NOT_HERE', list })
  const before = keeper.all(work.db).find((one) => one.name === name)
  if (!before) return fail({ code: 'UNKNOWN_ROW', list, name })
  const changed: Refusal = { code: 'ROW_CHANGED', list, name }
  if (before.version !== version || before.retired === retired) return fail(changed)
  const inUse = retired ? keeper.inUse?.(work.db, name) : null
  if (inUse) return fail(inUse)
  return write(work, { entry: { code: 'SET_UP_RETIRED', list, name, retired } }, (tx) => {
    must(retire(tx.db, name, retired, version), changed)
    return null
  })
}

/** The figures that a coupling comes with again; one of the shop's own goes, unless something has it. */
export function standardCoupling(
  work: Work,
  { name, version }: { readonly name: string; readonly version: number },
): Result<null, Refusal> {
  const before = ownCouplings(work.db).find((own) => own.name === name)
  if (!before) return fail({ code: 'UNKNOWN_ROW', list: 'coupling', name })
  const changed: Refusal = { code: 'ROW_CHANGED', list: 'coupling', name }
  if (before.version !== version) return fail(changed)
  const inUse = couplingInUse(work.db, name)
  if (inUse) return fail(inUse)
  return write(work, { entry: { code: 'COUPLING_STANDARD', name }, before }, (tx: Writing) => {
    must(dropCoupling(tx.db, name, version), changed)
    return null
  })
}
