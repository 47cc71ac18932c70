/** What a tool's wear registers say when it comes out of a machine, and what its row is left with. */
import { tableOf, type Machine } from '../tool'
import { mmToUnit, roundTo, unitToMm } from '../units'
import { registersOf, type HeldRow, type RegisterName } from './values'

const WEAR: readonly RegisterName[] = ['length wear', 'radius wear', 'diameter wear', 'X wear', 'Z wear']

export interface Wear {
  /** Length, or Z on a lathe, mm; null where the control keeps none. */
  readonly lengthMm: number | null
  /** As a radius, mm. */
  readonly radiusMm: number | null
}

/** @param row of the control, in the machine's unit */
export function wearOf(row: HeldRow, machine: Machine): Wear {
  const mm = (value: number | undefined, share = 1) => (value === undefined ? null : unitToMm(value * share, machine.unit))
  const half = machine.sizeRegister === 'diameter' ? 0.5 : 1
  return machine.kind === 'lathe'
    ? { lengthMm: mm(row['Z wear']), radiusMm: mm(row['X wear'], half) }
    : { lengthMm: mm(row['length wear']), radiusMm: mm(row[`${machine.sizeRegister} wear`], half) }
}

/** Registers in which a correction of the geometry can be wear. */
const WORN: readonly RegisterName[] = ['length', 'radius', 'diameter', 'X radius', 'X diameter', 'Z']
export const canBeWear = (register: RegisterName): boolean => WORN.includes(register)

/** What somebody corrected in the geometry instead of the wear, as wear. Values in the machine's unit. */
export function wearByCorrection(
  corrected: readonly { readonly register: RegisterName; readonly held: number | null; readonly wanted: number }[],
  machine: Machine,
): { readonly lengthMm: number; readonly radiusMm: number } {
  let [lengthMm, radiusMm] = [0, 0]
  for (const { register, held, wanted } of corrected) {
    const byMm = held === null ? 0 : unitToMm(held - wanted, machine.unit)
    if (register === 'length' || register === 'Z') lengthMm += byMm
    else if (register === 'radius' || register === 'X radius') radiusMm += byMm
    else if (register === 'diameter' || register === 'X diameter') radiusMm += byMm / 2
  }
  return { lengthMm, radiusMm }
}

/** Whether somebody corrected the tool while it was in. */
export const isWorn = (row: HeldRow): boolean => WEAR.some((name) => (row[name] ?? 0) !== 0)

/**
 * What an emptied row says: the longest and widest tool that the machine takes, so that calling the empty pocket keeps the
 * spindle high. Zero would drive the nose into the part.
 */
export function emptyRow(machine: Machine): { readonly lengthMm: number; readonly radiusMm: number } {
  const keep = (mm: number) => unitToMm(roundTo(mmToUnit(mm, machine.unit), machine.decimals), machine.unit)
  const { lengthFrom } = tableOf(machine)
  const longest = machine.lengthMm.max + (lengthFrom.type === 'master' ? lengthFrom.lengthMm : 0)
  return { lengthMm: keep(longest), radiusMm: keep(machine.radiusMm.max) }
}

/** Whether a row was never written, or was left by a tool that was taken out. */
export function isEmptyRow(row: HeldRow, machine: Machine): boolean {
  if (Object.values(row).every((value) => value === 0)) return true
  const anyRow: Machine = { ...machine, table: { ...tableOf(machine), numberFrom: 'T' } }
  const empty = registersOf({ t: 1, ...emptyRow(machine), cornerRadiusMm: null }, anyRow)
  return empty.every(({ register, rounded }) => register === 'tip' || (row[register] ?? 0) === rounded)
}
