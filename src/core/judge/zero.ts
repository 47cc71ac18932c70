/**
 * The bench's zero: what its axes read when they should read nothing, found with a setting master before the shift and
 * after every change of adapter. What a check finds is taken off every picture's place from then on.
 */
import type { Calibration } from '../outline'
import type { Coupling } from '../tool'

/** A setting master as its certificate gives it, mm. */
export interface Master {
  readonly id: string
  /** The mark on it, to scan. */
  readonly mark: string
  readonly name: string
  readonly coupling: Coupling
  readonly LFmm: number
  readonly DCmm: number
  /** One standard deviation of both, mm. */
  readonly sigmaMm: number
  /** Last day on which its certificate counts, ISO 8601 date. */
  readonly calibratedUntil: string
}

export interface Zero {
  readonly x: number
  readonly z: number
}
export const NO_ZERO: Zero = { x: 0, z: 0 }

export interface ZeroCheck {
  readonly id: number
  /** ISO 8601 */
  readonly at: string
  readonly who: string
  readonly masterId: string
  readonly coupling: Coupling
  /** Serial of the adapter that was on the spindle. */
  readonly adapter: string
  readonly bench: BenchKind
  /** How far the master read from its certificate with the zero that held until then, mm. */
  readonly drift: Zero
  /** The zero that holds from then on, mm. */
  readonly zero: Zero
  readonly reason: string | null
  /** Of a camera that stands still: where it looks, and its scale; null for every other bench. */
  readonly calibration: Calibration | null
}

/** The bench with the camera; one whose values are typed or come over a line; a terminal's camera that stands still. */
export type BenchKind = 'camera' | 'values' | 'terminal'

/** An adapter that takes one taper onto the spindle; each has a zero of its own. */
export interface AdapterPiece {
  /** The mark on it, to scan. */
  readonly serial: string
  readonly coupling: Coupling
  readonly name: string
}

/** The one on the spindle. */
export interface Adapter extends AdapterPiece {
  /** ISO 8601 */
  readonly since: string
}

export type CheckDue = 'never' | 'shift' | 'adapter'

/** A check counts for one shift of 8 h: common practice, no source. */
export const SHIFT_H = 8

/** Whether a check is older than it counts. @param now ISO 8601 */
export const isOverdue = ({ at }: Pick<ZeroCheck, 'at'>, now: string, hours: number): boolean =>
  Date.parse(now) - Date.parse(at) > hours * 3_600_000

/**
 * Why the master must be measured before anything else may be; null when it need not.
 * @param last the last check of this adapter
 * @param now ISO 8601
 * @param hours that a check counts in this shop
 */
export function checkDue(last: ZeroCheck | null, adapter: Adapter | null, now: string, hours = SHIFT_H): CheckDue | null {
  if (!last || !adapter || last.adapter !== adapter.serial) return 'never'
  if (adapter.since > last.at) return 'adapter'
  return isOverdue(last, now, hours) ? 'shift' : null
}

/** `first`: this adapter's zero is set; there is nothing yet that it could have drifted from. */
export type DriftVerdict = 'first' | 'still' | 'drifted' | 'too far'

/** Up to this a drift is heat and nothing else; beyond the second it is dirt, a knock or the wrong master: common practice, no source. */
export const STILL_MM = 0.003
export const TOO_FAR_MM = 0.02

/** @param first whether this adapter was never checked before */
export function judgeDrift({ x, z }: Zero, first = false): DriftVerdict {
  if (first) return 'first'
  const most = Math.max(Math.abs(x), Math.abs(z))
  return most <= STILL_MM ? 'still' : most <= TOO_FAR_MM ? 'drifted' : 'too far'
}

/**
 * What a check finds: the master's pictures at two turns half a revolution apart tell its diameter without its seat.
 * @param radii largest radius seen at each turn, mm
 * @param lengthMm its length as measured
 */
export function driftOf(master: Master, radii: readonly number[], lengthMm: number): Zero {
  const mean = radii.reduce((a, b) => a + b, 0) / radii.length
  return { x: mean - master.DCmm / 2, z: lengthMm - master.LFmm }
}

export const addZero = (a: Zero, b: Zero): Zero => ({ x: a.x + b.x, z: a.z + b.z })
