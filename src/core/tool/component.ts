/** Parts a tool is made of, with ISO 13399 symbols where a property has one. Lengths mm. */
import type { Limits } from '../units'
import type { Coupling } from './coupling'

export interface ShrinkHolder {
  readonly kind: 'shrink-holder'
  readonly id: string
  readonly name: string
  readonly coupling: Coupling
  /** Nominal bore and the limits of the cold bore. */
  readonly boreMm: number
  readonly boreLimits: Limits
  /** Gauge line to the face of the nose. */
  readonly projectionMm: number
  readonly noseMm: number
  readonly noseHalfAngleDeg: number
  readonly heatedMm: number
  /** Least and greatest depth of the shank in the bore. */
  readonly depth: Limits
  readonly greatestC: number
  readonly yieldMPa: number
  /** RPMX */
  readonly greatestRpm: number
  readonly massKg: number
  /** Coil position of the induction unit for this nose. */
  readonly coil: string
}

export type ShankMaterial = 'carbide' | 'HSS'

export interface SolidCutter {
  readonly kind: 'solid-cutter'
  readonly id: string
  readonly name: string
  readonly form: 'corner' | 'ball' | 'square'
  readonly DC: number
  readonly RE: number
  /** Effective edges. */
  readonly edges: number
  readonly OAL: number
  readonly DMM: number
  readonly shankClass: 'h5' | 'h6' | 'h7'
  readonly shankMaterial: ShankMaterial
  /** Length of the cutting part with flutes. */
  readonly LCF: number
  readonly coolantBoreMm: number
  readonly massKg: number
}

export type Component = ShrinkHolder | SolidCutter
