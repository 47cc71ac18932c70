import { fail, ok, type Limits, type Result } from '../units'
import { noseShift, type Seat } from './nose'

/** An adjustable head as its dial has it; diameters mm. */
export interface BoringHead {
  /** What it cuts at dial zero with an insert of its nominal nose radius. */
  readonly zeroMm: number
  readonly noseMm: number
  /** One division of the dial, mm on diameter. */
  readonly divisionMm: number
  readonly range: Limits
  /** Play of the slide on diameter; null where nobody knows. */
  readonly backlashMm: number | null
  /** null: how its insert lies is not known, and a nose of another radius counts for nothing. */
  readonly seat: Seat | null
}

/** One setting of the dial, and the bore that it cut. */
export interface BoreStep {
  /** From dial zero, mm on diameter. */
  readonly dialMm: number
  readonly boreMm: number | null
}

export type DialFault =
  | { readonly code: 'OUT_OF_RANGE'; readonly min: number; readonly max: number; readonly wouldMm: number }
  /** The slide would have to go back below zero. */
  | { readonly code: 'BELOW_ZERO'; readonly dialMm: number }

export interface DialSetting {
  readonly dialMm: number
  readonly divisions: number
  /** What it should cut, mm. */
  readonly boreMm: number
  /** What the nose takes off or adds, mm on diameter. */
  readonly noseMm: number
}

const setting = (head: BoringHead, dialMm: number, boreMm: number, noseMm: number): Result<DialSetting, DialFault> => {
  const { min, max } = head.range
  if (boreMm < min - 1e-9 || boreMm > max + 1e-9) return fail({ code: 'OUT_OF_RANGE', min, max, wouldMm: boreMm })
  if (dialMm < -1e-9) return fail({ code: 'BELOW_ZERO', dialMm })
  return ok({ dialMm, divisions: dialMm / head.divisionMm, boreMm, noseMm })
}

/**
 * The dial for a first cut: wanted, less what the head cuts at zero, less what the nose of this insert adds, less what is left for the test
 * cut (common practice: 0.127 mm on diameter).
 */
export function firstDial(
  head: BoringHead,
  { wantedMm, noseMm, leaveMm }: { readonly wantedMm: number; readonly noseMm: number; readonly leaveMm: number },
): Result<DialSetting, DialFault> {
  const shift = head.seat ? noseShift(head.seat, head.noseMm, noseMm) : 0
  const boreMm = wantedMm - leaveMm
  return setting(head, boreMm - head.zeroMm - shift, boreMm, shift)
}

/** What a dial reads is believed to within this share of it, until the head has shown otherwise (common practice, no source). */
const DIAL_SHARE = 0.1
/** A bore is measured to about this, mm (common practice, no source). */
const BORE_SIGMA_MM = 0.003
/** A head that moves less or more than this a division is not learned from: something else happened. */
const MOST_SHARE = 0.5

export interface Learned {
  /** How far the bore really grows, as a share of what the dial says. */
  readonly share: number
  /** From how many moves. */
  readonly moves: number
}

/**
 * How far this head really moves a division: every move outwards between two bores that were measured, against what its dial said, drawn
 * towards 1 as long as they are small. Series are looked at one by one: between two of them the insert may have been changed.
 */
export function learnShare(series: readonly (readonly BoreStep[])[]): Learned {
  let weight = 1 / DIAL_SHARE ** 2
  let sum = weight
  let moves = 0
  for (const steps of series)
    for (let i = 1; i < steps.length; i++) {
      const [a, b] = [steps[i - 1], steps[i]]
      const dial = b.dialMm - a.dialMm
      if (a.boreMm === null || b.boreMm === null || dial <= 0) continue
      const share = (b.boreMm - a.boreMm) / dial
      if (Math.abs(share - 1) > MOST_SHARE) continue
      const w = dial ** 2 / (2 * BORE_SIGMA_MM ** 2)
      weight += w
      sum += w * share
      moves++
    }
  return { share: sum / weight, moves }
}

export type NextDial =
  | ({ readonly type: 'larger'; readonly byMm: number; readonly byDivisions: number } & DialSetting)
  /** Inside of its limits: the head stays as it is. */
  | { readonly type: 'done' }
  /** It cut too large: the part is what it is, and the head goes back past its play and comes again. */
  | ({ readonly type: 'too large'; readonly byMm: number; readonly byDivisions: number; readonly backMm: number } & DialSetting)

/** What a head without a known play is taken back by, mm on diameter (common practice, no source). */
const USUAL_BACKLASH_MM = 0.1

/**
 * The next setting after a bore was measured.
 * @param wantedMm where it is to go: the middle of the limits
 */
export function nextDial(
  head: BoringHead,
  step: { readonly dialMm: number; readonly boreMm: number },
  wantedMm: number,
  limits: Limits,
  { share }: Learned,
): Result<NextDial, DialFault> {
  if (step.boreMm >= limits.min && step.boreMm <= limits.max) return ok({ type: 'done' })
  const by = (wantedMm - step.boreMm) / share
  const next = setting(head, step.dialMm + by, wantedMm, 0)
  if (!next.ok) return next
  const moved = { ...next.value, byMm: by, byDivisions: by / head.divisionMm }
  return ok(by > 0 ? { type: 'larger', ...moved } : { type: 'too large', ...moved, backMm: head.backlashMm ?? USUAL_BACKLASH_MM })
}
