import type { Heavy } from '@/codecs/heavy'
import { readTable, type Row, type SetUpList, type TableFault } from '@/core/set-up'
import { fail, ok, type LengthUnit, type Result } from '@/core/units'
import type { Person } from '@/core/tool'
import type { Db } from '@/db/connection'
import { columnOf } from '@/words/set-up'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { write } from '../write'
import type { TablePreview } from './contract'
import { keeperOf } from './keepers'
import { knownOf, refuseList } from './put-row'

export interface Pasted {
  readonly list: SetUpList
  readonly text: string
  /** Of lengths that name none. */
  readonly unit: LengthUnit
}

const SAMPLE_ROWS = 5

async function readPasted(db: Db, heavy: Heavy, { list, text, unit }: Pasted) {
  const table = await heavy.table(text)
  if (!table.ok) return table
  if (!table.value.ok) return fail({ code: 'BAD_FILE' as const, line: null, column: null, fault: table.value.error })
  const keeper = keeperOf(list)
  const rows: Result<Row<SetUpList>[], readonly TableFault[]> = readTable(
    list,
    table.value.value,
    unit,
    knownOf(db),
    (heading) => columnOf(list, heading),
    (name) => keeper.has(db, name),
  )
  return ok({ table: table.value.value, rows })
}

/** What taking in a table would do; nothing is stored. */
export async function previewTable(
  db: Db,
  who: Person | null,
  heavy: Heavy,
  pasted: Pasted,
): Promise<Result<TablePreview, Refusal>> {
  const mayNot = refuseList(who, pasted.list)
  if (mayNot) return fail(mayNot)
  const read = await readPasted(db, heavy, pasted)
  if (!read.ok) return read
  const { table, rows } = read.value
  return ok({
    columns: table.columns,
    sample: table.rows.slice(0, SAMPLE_ROWS),
    rows: table.rows.length,
    faults: rows.ok ? [] : rows.error,
  })
}

/** All rows of a table, or none. */
export async function putTable(work: Work, heavy: Heavy, pasted: Pasted): Promise<Result<{ readonly rows: number }, Refusal>> {
  const { list } = pasted
  const mayNot = refuseList(work.person, list)
  if (mayNot) return fail(mayNot)
  const read = await readPasted(work.db, heavy, pasted)
  if (!read.ok) return read
  const { rows } = read.value
  if (!rows.ok) return fail({ code: 'TABLE_FAULT', list, ...rows.error[0] })
  const keeper = keeperOf(list)
  return write(
    work,
    { entry: { code: 'SET_UP_TABLE', list, rows: rows.value.length }, after: { rows: rows.value } },
    (tx) => {
      for (const row of rows.value) keeper.insert(tx.db, row)
      return { rows: rows.value.length }
    },
    { code: 'ROW_THERE', list, name: '' },
  )
}
