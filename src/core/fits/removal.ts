import type { Refusal } from './refusal'

/** What it takes to heat a shrunk cutter out again. Lengths mm, temperatures °C, times s. */
export interface Removal {
  /** Serial of the piece whose joint is heated; null where nobody noted it. */
  readonly joint: string | null
  readonly jointName: string
  readonly coil: string
  readonly temperatureC: number
  readonly greatestC: number
  readonly heatingS: number
  /** The largest share of the rise that the shank may take. */
  readonly warmedShare: number
  readonly steelShank: boolean
  readonly nose: { readonly boreMm: number; readonly noseMm: number; readonly heatedMm: number }
  /** Cooling constant by way of cooling; null where it cannot be computed. */
  readonly taus: { readonly contact: number; readonly cycle: number; readonly air: number } | null
  readonly heats: number
  /** Until when it is too hot for another heat, ISO 8601; null when it is cold. */
  readonly hotUntil: string | null
  /** It had its heat: the cutter is out, or can be pulled now. */
  readonly heated: boolean
  /** What only a lead may go on against. */
  readonly leadFor: readonly Refusal[]
}
