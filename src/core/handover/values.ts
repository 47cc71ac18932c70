/** What a hand-over freezes, and what each place it goes to says of it. Lengths mm. */
import { controlT, tableOf, type Machine, type ToolClass } from '../tool'
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
  /** Orientation of the imaginary tip on a lathe, 1–9; left out where the machine knows none. */
  readonly tip?: number
  /** Wear that it brings from another machine; left out: none. */
  readonly wear?: { readonly lengthMm: number; readonly radiusMm: number }
  /** Left out: the first tool of its T in the machine; 1 its first sister. */
  readonly sister?: number
  readonly concession?: Concession
  /** As it was balanced: grade reached at a speed, and up to which speed it keeps what is wanted; left out where it was not. */
  readonly balance?: { readonly grade: number; readonly rpm: number; readonly goodToRpm: number }
  /** What else its machine may want to know of it. */
  readonly facts?: ToolFacts
  /** Why its program may call it with another offset than its own; a lead's word. */
  readonly secondOffset?: { readonly reason: string; readonly who: string }
  /** ISO 8601, UTC. */
  readonly measuredAt: string
}

/** What is known of a tool besides its offsets, where a control can keep it. */
export interface ToolFacts {
  readonly massKg?: number
  /** Of its weakest part. */
  readonly mostRpm?: number
  readonly edges?: number
  readonly toolClass?: ToolClass
  readonly lifeUsedMin?: number
  readonly lifeMaxMin?: number
  /** Whether the changer is to run slowly with it. */
  readonly slow?: boolean
}

/** A lead's leave to use a tool that is out of tolerance, for one job or until a day. */
export interface Concession {
  readonly reason: string
  readonly who: string
  readonly job: string | null
  /** ISO 8601 date; the last day on which it counts. */
  readonly until: string | null
  /** What is out of tolerance: mm, angles in degrees. */
  readonly values: readonly {
    readonly key: string
    readonly value: number
    readonly min: number | null
    readonly max: number
  }[]
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
    ...(v.tip === undefined ? {} : { Z: length(v.lengthMm), Q: String(v.tip) }),
    ...(v.pocket === null ? {} : { P: String(v.pocket) }),
    ...(v.cornerRadiusMm === null ? {} : { E: length(v.cornerRadiusMm) }),
    U: v.unit === 'mm' ? 'MM' : 'IN',
    A: `${v.measuredAt.slice(2, 4)}${v.measuredAt.slice(5, 7)}${v.measuredAt.slice(8, 10)}${v.measuredAt.slice(11, 13)}${v.measuredAt.slice(14, 16)}`,
  }
}

/** A register of the control's table; the last six on a lathe. */
export const REGISTER_NAMES = [
  'length',
  'length wear',
  'radius',
  'radius wear',
  'diameter',
  'diameter wear',
  'X radius',
  'X diameter',
  'Z',
  'X wear',
  'Z wear',
  'nose radius',
  'tip',
] as const
export type RegisterName = (typeof REGISTER_NAMES)[number]

export interface RegisterValue {
  /** By which the control knows the tool. */
  readonly t: number
  /** The row of the table it stands in. */
  readonly number: number
  readonly register: RegisterName
  /** In the machine's unit, not rounded. */
  readonly measured: number
  /** As the machine keeps it. */
  readonly rounded: number
}

type Written = Pick<HandoverValues, 't' | 'lengthMm' | 'radiusMm'> &
  Partial<Pick<HandoverValues, 'cornerRadiusMm' | 'pocket' | 'tip' | 'wear' | 'sister'>>

/** The row of a tool; null where nobody knows it yet. */
export function registerNumber(v: Pick<Written, 't' | 'pocket' | 'sister'>, machine: Machine): number | null {
  const { numberFrom, numbers, sisters } = tableOf(machine)
  if (numberFrom === 'pocket') return v.pocket ?? null
  const t = controlT(v, machine)
  const first = numberFrom === 'table' ? (numbers[String(t)] ?? null) : t
  return first !== null && sisters.type === 'copies' ? first + (v.sister ?? 0) * sisters.step : first
}

/** What stands in the length register: from the gauge line, or from the end of the machine's master tool. */
export function writtenLengthMm(lengthMm: number, machine: Machine): number {
  const { lengthFrom } = tableOf(machine)
  return lengthFrom.type === 'master' ? lengthMm - lengthFrom.lengthMm : lengthMm
}

/**
 * Geometry from the measurement, and with it wear where the machine wants that: zero, or what the tool brings along.
 * @returns nothing where the tool has no row
 */
export function registersOf(v: Written, machine: Machine): RegisterValue[] {
  const number = registerNumber(v, machine)
  if (number === null) return []
  const t = controlT(v, machine)
  const row = (register: RegisterName, mm: number): RegisterValue => {
    const measured = mmToUnit(mm, machine.unit)
    return { t, number, register, measured, rounded: roundTo(measured, machine.decimals) }
  }
  const zeroed = tableOf(machine).wear === 'zero'
  const twice = machine.sizeRegister === 'diameter' ? 2 : 1
  const lengthMm = writtenLengthMm(v.lengthMm, machine)
  const wear = v.wear ?? { lengthMm: 0, radiusMm: 0 }
  if (machine.kind === 'lathe')
    return [
      row(twice === 2 ? 'X diameter' : 'X radius', twice * v.radiusMm),
      row('Z', lengthMm),
      row('nose radius', v.cornerRadiusMm ?? 0),
      { t, number, register: 'tip', measured: v.tip ?? 0, rounded: v.tip ?? 0 },
      ...(zeroed ? [row('X wear', twice * wear.radiusMm), row('Z wear', wear.lengthMm)] : []),
    ]
  return [
    row('length', lengthMm),
    ...(zeroed ? [row('length wear', wear.lengthMm)] : []),
    row(machine.sizeRegister, twice * v.radiusMm),
    ...(zeroed ? [row(`${machine.sizeRegister} wear`, twice * wear.radiusMm)] : []),
  ]
}

/** What the control's table holds in one row, in its own unit; a register never written is missing. */
export type HeldRow = Readonly<Partial<Record<RegisterName, number>>>
