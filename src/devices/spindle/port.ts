/**
 * A balancing spindle: two force sensors at its bearings, a mark that goes by once a turn, a drive, a guard with a switch. Angles are
 * degrees by which it has turned, anticlockwise as seen from the cutting end.
 */
import type { Spin } from '@/core/balance'
import type { Coupling } from '@/core/tool'
import type { Result } from '@/core/units'

export interface SpinOrder {
  readonly rpm: number
  readonly turns: number
}

export type SpindleError =
  | { readonly code: 'GUARD_OPEN' }
  /** It turns already. */
  | { readonly code: 'TURNING' }
  /** Nothing is clamped in it. */
  | { readonly code: 'EMPTY' }
  | { readonly code: 'TOO_FAST'; readonly rpm: number; readonly most: number }
  /** Nothing was recorded since something was clamped. */
  | { readonly code: 'NO_RECORD' }
  /** The guard was opened, or it was stopped, before all turns were done. */
  | { readonly code: 'BROKEN_OFF' }
  | { readonly code: 'UNREACHABLE' }
  /** The shop has none with a line. */
  | { readonly code: 'NOT_CONNECTED' }

export interface SpindleState {
  /** Whether a stand-in tells this. */
  readonly simulated: boolean
  /** The machine-side coupling that its adapter takes, ISO 13399 CCMS. */
  readonly coupling: Coupling
  readonly mostRpm: number
  readonly guard: 'open' | 'shut'
  readonly phase: 'standing' | 'running up' | 'recording' | 'running down'
  /** Speed now, rev/min. */
  readonly rpm: number
  /** Where it is; only meant while it stands, and somebody turns it by hand. */
  readonly angleDeg: number
  /** How far it is with what was ordered, 0 … 1; 1 once a record can be taken, 0 with nothing ordered. */
  readonly done: number
}

export interface BalancingSpindle {
  state(): Promise<Result<SpindleState, SpindleError>>
  /** Runs up, records so many turns, runs down. */
  start(order: SpinOrder): Promise<Result<null, SpindleError>>
  /** What the last run recorded; the same until the next one is started. */
  record(): Promise<Result<Spin, SpindleError>>
  stop(): Promise<Result<null, SpindleError>>
}

/** What hands do at a spindle that is a stand-in. */
export interface SpindleHands {
  /** Clamps what is in front of it, its mark at the spindle's mark or half a turn from it. */
  put(serial: string, seat: 0 | 180): Promise<void>
  takeOut(): Promise<void>
  /** Puts another adapter on; what hangs in it comes out. */
  adapter(coupling: Coupling): Promise<void>
  guard(is: 'open' | 'shut'): Promise<void>
  turnTo(deg: number): Promise<void>
  /** Which tool hangs in it, and how; null when it is empty. */
  holds(): Promise<{ readonly serial: string; readonly seat: 0 | 180 } | null>
}
