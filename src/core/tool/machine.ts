import type { Coupling } from './coupling'
import type { LengthUnit, Limits } from '../units'

/** How a machine's offset table is filled. */
export interface TableOptions {
  /** What a length is counted from: the gauge line, or the length of a master tool that the machine was touched off with. */
  readonly lengthFrom: { readonly type: 'gauge line' } | { readonly type: 'master'; readonly lengthMm: number }
  /** Which row a tool has. */
  readonly numberFrom: 'T' | 'pocket' | 'table'
  /** Row of each T where a table says so. */
  readonly numbers: Readonly<Record<string, number>>
  /** A new figure with an old wear is a wrong figure, unless the shop keeps its wear elsewhere. */
  readonly wear: 'zero' | 'keep'
}

export const USUAL_TABLE: TableOptions = { lengthFrom: { type: 'gauge line' }, numberFrom: 'T', numbers: {}, wear: 'zero' }

/** What a machine and its control take. Lengths mm whatever the control's unit. */
export interface Machine {
  readonly key: string
  readonly name: string
  readonly about: string
  readonly kind: 'mill' | 'lathe'
  readonly unit: LengthUnit
  /** Decimals its registers keep, in its own unit. */
  readonly decimals: number
  readonly coupling: Coupling
  /** Forms of pull studs its gripper takes; empty where the taper has none. */
  readonly studForms: readonly string[]
  readonly greatestRpm: number
  /** Heaviest tool its changer carries; null when nobody knows. */
  readonly greatestKg: number | null
  /** What the geometry register for the cutter's size holds. */
  readonly sizeRegister: 'radius' | 'diameter'
  readonly lengthMm: Limits
  readonly radiusMm: Limits
  readonly registers: Limits
  readonly pockets: number
  readonly labelCode: 'datamatrix' | 'qr'
  readonly post: string
  /** Left out where it is as usual. */
  readonly table?: Partial<TableOptions>
  /** Whether measuring or balancing comes first for its tools. */
  readonly route: 'measure, then balance' | 'balance, then measure' | 'no balance'
}

export const tableOf = (machine: Machine): TableOptions => ({ ...USUAL_TABLE, ...machine.table })

/** What a post's editor lets a lead change at its machine. */
export type PostOptions = TableOptions & Pick<Machine, 'sizeRegister' | 'decimals'>
