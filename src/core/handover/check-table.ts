/**
 * The whole offset table before and after a file ran. A file that writes its own registers rightly may still change
 * another tool's, so what is looked at is never only what was meant.
 */
import type { LengthUnit } from '../units'
import type { HeldRow, RegisterName, RegisterValue } from './values'

type Table = ReadonlyMap<number, HeldRow>

/** A register that was not meant to change, in the machine's unit. */
export interface OtherChange {
  /** The row of the table. */
  readonly number: number
  readonly register: RegisterName
  /** null where the control held nothing. */
  readonly old: number | null
  readonly new: number | null
}

/**
 * Every register that differs between two states of a table, without those that were meant.
 * @param before an empty map for a scratch table
 * @param meant registers that the file is there to write
 */
export function otherChanges(before: Table, after: Table, intended: readonly RegisterValue[]): OtherChange[] {
  const wanted = new Set(intended.map(({ number, register }) => `${number} ${register}`))
  const found: OtherChange[] = []
  for (const number of [...new Set([...before.keys(), ...after.keys()])].sort((a, b) => a - b)) {
    const [was, is] = [before.get(number) ?? {}, after.get(number) ?? {}]
    const registers = [...new Set([...Object.keys(was), ...Object.keys(is)])] as RegisterName[]
    for (const register of registers) {
      const change = { number, register, old: was[register] ?? null, new: is[register] ?? null }
      if (change.old !== change.new && !wanted.has(`${number} ${register}`)) found.push(change)
    }
  }
  return found
}

export interface CheckRow {
  readonly t: number
  readonly register: RegisterName
  readonly unit: LengthUnit
  readonly measured: number
  /** null where the control holds nothing. */
  readonly held: number | null
  readonly same: boolean
}

export interface PostCheck {
  /** Every row is the same, and nothing else was written. */
  readonly same: boolean
  readonly rows: readonly CheckRow[]
  /** Registers of other rows that the file would write as well; missing in checks made before they were looked for. */
  readonly others?: readonly OtherChange[]
}

/** Measured against held, value by value; `same` means held equals measured as the machine rounds it. */
export function compareTable(wanted: readonly RegisterValue[], held: ReadonlyMap<number, HeldRow>, unit: LengthUnit): PostCheck {
  const rows = wanted.map(({ t, number, register, measured, rounded }) => {
    const value = held.get(number)?.[register] ?? null
    return { t, register, unit, measured, held: value, same: value === rounded }
  })
  return { same: rows.every((row) => row.same), rows }
}

/** What a file left on an empty scratch table: exactly what was wanted and nothing else. */
export function checkScratch(wanted: readonly RegisterValue[], held: ReadonlyMap<number, HeldRow>, unit: LengthUnit): PostCheck {
  const { same, rows } = compareTable(wanted, held, unit)
  const others = otherChanges(new Map(), held, wanted)
  return { same: same && others.length === 0, rows, others }
}
