/** A unit that shrinks: one coil that heats, several cooling bodies beside it. Temperatures °C, times ISO 8601. */
import type { Result } from '@/core/units'

/** The nose that stands in the coil, as far as the unit needs to know it. */
export interface NoseFacts {
  readonly boreMm: number
  readonly noseMm: number
  readonly heatedMm: number
}

export interface HeatOrder {
  readonly serial: string
  readonly coil: string
  /** Where it shall stop by itself. */
  readonly targetC: number
  /** Never above this, whatever is asked. */
  readonly greatestC: number
  readonly nose: NoseFacts
}

export type UnitError =
  | { readonly code: 'BUSY'; readonly serial: string }
  | { readonly code: 'UNKNOWN_COIL'; readonly coil: string; readonly coils: readonly string[] }
  | { readonly code: 'ABOVE_LIMIT'; readonly targetC: number; readonly greatestC: number }
  /** One heat, then cool fully. */
  | { readonly code: 'STILL_WARM'; readonly serial: string; readonly noseC: number }
  | { readonly code: 'BODY_TAKEN'; readonly body: number; readonly serial: string }
  | { readonly code: 'NOT_IN_COIL'; readonly serial: string }
  | { readonly code: 'UNREACHABLE' }
  /** The shop's unit has no line. */
  | { readonly code: 'NOT_CONNECTED' }

/** [seconds since the heat began, °C], as its sensor saw it. */
export type Curve = readonly (readonly [number, number])[]

export interface Heating {
  readonly serial: string
  readonly coil: string
  readonly startedAt: string
  readonly targetC: number
  readonly noseC: number
  readonly phase: 'heating' | 'reached'
  /** When it stopped by itself; null while it heats. */
  readonly reachedAt: string | null
  readonly curve: Curve
}

export interface CoolingBody {
  readonly body: number
  readonly serial: string | null
  readonly noseC: number | null
  /** The unit's own signal: only `cool` allows a hand. */
  readonly light: 'free' | 'hot' | 'cool'
  readonly curve: Curve
}

export interface UnitState {
  /** Whether these temperatures are computed by a stand-in and measured by nobody. */
  readonly simulated: boolean
  readonly coils: readonly string[]
  readonly heating: Heating | null
  readonly bodies: readonly CoolingBody[]
}

export interface ShrinkUnit {
  /** What its display shows now. */
  state(): Promise<Result<UnitState, UnitError>>
  /** Starts to heat; it stops by itself at the target. */
  heat(order: HeatOrder): Promise<Result<null, UnitError>>
  /** Moves what stands in the coil into a cooling body. */
  cool(serial: string, body: number): Promise<Result<null, UnitError>>
  /** Takes a tool out of coil or body. */
  take(serial: string): Promise<Result<null, UnitError>>
}
