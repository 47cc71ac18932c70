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
  readonly greatestRpm: number
  /** What the geometry register for the cutter's size holds. */
  readonly sizeRegister: 'radius' | 'diameter'
  readonly lengthMm: Limits
  readonly radiusMm: Limits
  readonly registers: Limits
  readonly pockets: number
  readonly labelCode: 'datamatrix' | 'qr'
  readonly post: string
}
