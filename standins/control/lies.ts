/**
 * What a control can get wrong while it says that all is well: for whoever has to find out. One lie at a time; `none` is
 * the truth. A lie changes what is kept, what is told of it, or the very bytes of the answer.
 */
import type { Cell, CellFacts } from './cell'
import type { Lie } from './lie'
import { takeFile } from './gateway'
import type { Offsets, Table } from './interpreter'

/** What goes wrong on the way, whatever the answer says. */
export type Wire = 'cuts its answer' | 'answers late' | 'answers twice' | 'answers nothing' | null

const OFF = 0.1
const change = (table: Table, number: string, by: number): Table => {
  const row = table[number]
  if (!row) return table
  const register: keyof Offsets = row.length === undefined ? 'z' : 'length'
  return { ...table, [number]: { ...row, [register]: (row[register] ?? 0) + by } }
}
const scaled = (table: Table, by: number): Table =>
  Object.fromEntries(
    Object.entries(table).map(([number, row]) => [
      number,
      Object.fromEntries(Object.entries(row).map(([register, value]) => [register, register === 'tip' ? value : value * by])),
    ]),
  )
const rounded = (table: Table, decimals: number): Table =>
  Object.fromEntries(
    Object.entries(table).map(([number, row]) => [
      number,
      Object.fromEntries(Object.entries(row).map(([register, value]) => [register, Number(value.toFixed(decimals))])),
    ]),
  )
/** Rows that a run has written. */
const written = (before: Table, after: Table): string[] =>
  Object.keys(after).filter((number) => JSON.stringify(before[number]) !== JSON.stringify(after[number]))

/** What is kept of a file that was run. @param before the cell as it was; @param honest as it would be without a lie */
export function keptAfterRun(facts: CellFacts, lie: Lie, before: Cell, honest: Cell, text: string): Cell {
  const rows = written(before.table, honest.table)
  const keep = (table: Table): Cell => ({ ...honest, table })
  switch (lie) {
    case 'changes another row': {
      const other = Object.keys(honest.table).find((number) => !rows.includes(number)) ?? '99'
      return keep(change({ [other]: { length: 0 }, ...honest.table }, other, OFF))
    }
    case 'keeps another value than it reports':
      return keep(rows.reduce((table, number) => change(table, number, OFF), honest.table))
    case 'runs twice':
      return keep(takeFile(facts, honest.table, text, honest.modal).table)
    case 'runs half': {
      const lines = text.split('\n')
      try {
        return keep(takeFile(facts, before.table, lines.slice(0, Math.ceil(lines.length / 2)).join('\n'), before.modal).table)
      } catch {
        return before
      }
    }
    case 'runs nothing':
      return before
    case 'rounds':
      return keep({ ...honest.table, ...rounded(Object.fromEntries(rows.map((n) => [n, honest.table[n]])), 1) })
    case 'writes another row':
      return keep({
        ...before.table,
        ...Object.fromEntries(rows.map((number) => [String(Number(number) + 1), honest.table[number]])),
      })
    default:
      return honest
  }
}

/** What is told of the table; the answer to a run is told as the first look, with `looks` 0. */
export function toldTable(lie: Lie, kept: Table, { before, honest, looks }: Cell['last']): Table {
  const toRun = looks === 0
  switch (lie) {
    case 'runs half':
    case 'runs nothing':
    case 'writes another row':
    case 'changes another row':
      // the answer to the run is what it ought to be; the table shows what is kept
      return toRun ? honest : kept
    case 'keeps another value than it reports':
      return looks < 2 ? honest : kept
    case 'reports another value than it keeps':
      return written(before, kept).reduce((table, number) => change(table, number, OFF), kept)
    case 'serves an old table':
      return toRun ? honest : before
    case 'reports another unit':
      return scaled(kept, 1 / 25.4)
    default:
      return kept
  }
}

/** What is kept from now on by a control that changes its mind once somebody has looked. */
export const keptAfterLook = (lie: Lie, cell: Cell, looks: number): Cell =>
  lie === 'changes after it was looked at' && looks === 1
    ? { ...cell, table: Object.keys(cell.table).reduce((table, number) => change(table, number, OFF), cell.table) }
    : cell

interface Told {
  readonly atDoor: number
  readonly magazine: Readonly<Record<string, number>>
}

/** What is told of the magazine. */
export function toldState<S extends Told>(facts: CellFacts, lie: Lie, state: S): S {
  if (lie === 'turns to another pocket') return { ...state, atDoor: (state.atDoor % facts.pockets) + 1 }
  if (lie !== 'lists it elsewhere') return state
  const moved = Object.entries(state.magazine).map(([pocket, t]) => [(Number(pocket) % facts.pockets) + 1, t] as const)
  return { ...state, magazine: Object.fromEntries(moved) }
}

export const wireOf = (lie: Lie): Wire =>
  lie === 'cuts its answer' || lie === 'answers late' || lie === 'answers twice' || lie === 'answers nothing' ? lie : null
