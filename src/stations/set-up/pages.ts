/** What the pages of set-up show. */
import { SHIPPED_POSTS } from '@/codecs/post'
import { newCells, type SetUpList } from '@/core/set-up'
import type { LengthUnit } from '@/core/units'
import type { Db } from '@/db/connection'
import { listPosts } from '@/db/machine/read'
import type { RowView, Touches } from './contract'
import { readRows } from './keepers'
import { touchesOf } from './touches'

export interface RowPage {
  /** null: a new one. */
  readonly row: RowView | null
  readonly start: Readonly<Record<string, string>>
  readonly posts: readonly string[]
  readonly touches: Touches | null
}

/** @param name null: a new row. @returns null where there is no such row */
export function readRowPage(db: Db, list: SetUpList, name: string | null, unit: LengthUnit): RowPage | null {
  const row = name === null ? null : readRows(db, list, unit).find((one) => one.name === name)
  if (row === undefined) return null
  return {
    row,
    start: row?.cells ?? newCells(list, unit),
    posts: [...new Set([...Object.keys(SHIPPED_POSTS), ...listPosts(db)])],
    touches: row && list === 'machine' ? touchesOf(db, row.name) : null,
  }
}

export { readRows }
