/** What a hand-over freezes, and what each place it goes to says of it. Lengths mm. */
import type { Machine } from '../tool'
import { mmToUnit, roundTo, type LengthUnit } from '../units'

export interface HandoverValues {
  readonly serial: string
  /** Counts per serial; a newer one voids the older. */
  readonly issue: number
  readonly t: number
  readonly machine: string
  readonly unit: LengthUnit
  readonly lengthMm: number
  readonly radiusMm: number
  readonly cornerRadiusMm: number | null
  readonly pocket: number | null
  /** ISO 8601, UTC. */
  readonly measuredAt: string
}

/** Fields of the label's code in their order; `C` follows last. */
export const LABEL_ORDER = ['S', 'I', 'T', 'M', 'L', 'X', 'Z', 'Q', 'P', 'E', 'U', 'A'] as const
export type LabelField = (typeof LABEL_ORDER)[number]

/** Decimals of lengths in the label's code. */
export const labelDecimals = (unit: LengthUnit): number => (unit === 'mm' ? 4 : 5)

/** The label's fields as text; those that do not apply are left out. */
export function labelFields(v: HandoverValues): Partial<Record<LabelField, string>> {
  const decimals = labelDecimals(v.unit)
  const length = (mm: number) => roundTo(mmToUnit(mm, v.unit), decimals).toFixed(decimals)
  return {
    S: v.serial,
    I: String(v.issue),
    T: String(v.t),
    M: v.machine,
    L: length(v.lengthMm),
    X: length(v.radiusMm),
    ...(v.pocket === null ? {} : { P: String(v.pocket) }),
    ...(v.cornerRadiusMm === null ? {} : { E: length(v.cornerRadiusMm) }),
    U: v.unit === 'mm' ? 'MM' : 'IN',
    A: `${v.measuredAt.slice(2, 4)}${v.measuredAt.slice(5, 7)}${v.measuredAt.slice(8, 10)}${v.measuredAt.slice(11, 13)}${v.measuredAt.slice(14, 16)}`,
  }
}

/** A register of the control's table. */
export type RegisterName = 'length' | 'length wear' | 'radius' | 'radius wear' | 'diameter' | 'diameter wear'

export interface RegisterValue {
  readonly t: number
  readonly register: RegisterName
  /** In the machine's unit, not rounded. */
  readonly measured: number
  /** As the machine keeps it. */
  readonly rounded: number
}

/** Geometry from the measurement, wear zero with it: a new figure with an old wear is a wrong figure. */
export function registersOf(v: Pick<HandoverValues, 't' | 'lengthMm' | 'radiusMm'>, machine: Machine): RegisterValue[] {
  const size = machine.sizeRegister === 'radius' ? v.radiusMm : 2 * v.radiusMm
  const row = (register: RegisterName, mm: number): RegisterValue => {
    const measured = mmToUnit(mm, machine.unit)
    return { t: v.t, register, measured, rounded: roundTo(measured, machine.decimals) }
  }
  return [
    row('length', v.lengthMm),
    row('length wear', 0),
    row(machine.sizeRegister, size),
    row(`${machine.sizeRegister} wear`, 0),
  ]
}

/** What the control's table holds for one tool number, in its own unit; a register never written is missing. */
export type HeldRow = Readonly<Partial<Record<RegisterName, number>>>

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
  readonly same: boolean
  readonly rows: readonly CheckRow[]
}

/** Measured against held, value by value; `same` means held equals measured as the machine rounds it. */
export function compareTable(wanted: readonly RegisterValue[], held: ReadonlyMap<number, HeldRow>, unit: LengthUnit): PostCheck {
  const rows = wanted.map(({ t, register, measured, rounded }) => {
    const value = held.get(t)?.[register] ?? null
    return { t, register, unit, measured, held: value, same: value === rounded }
  })
  return { same: rows.every((row) => row.same), rows }
}
