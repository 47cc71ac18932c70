import type { Coupling } from './coupling'
import type { LengthUnit, Limits } from '../units'

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
  /** Whether measuring or balancing comes first for its tools. */
  readonly route: 'measure, then balance' | 'balance, then measure' | 'no balance'
}
