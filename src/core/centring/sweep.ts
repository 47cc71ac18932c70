/**
 * A round holder on a tool post, centred with an indicator that is swept round its bore. Readings grow as the plunger is pushed in; all mm,
 * seen along the spindle. Opposite readings differ by twice what the holder is off (geometry).
 */
export interface SweepReadings {
  readonly top: number
  readonly right: number
  readonly bottom: number
  readonly left: number
}

export interface Sweep {
  /** How far the bore's centre is to the right of the spindle's axis, and above it, mm. */
  readonly rightMm: number
  readonly upMm: number
  /** How far the four readings contradict each other: a round bore has none. */
  readonly contradictMm: number
  /** Inside in both directions. */
  readonly centred: boolean
}

/** Two tenths of a thou: near enough for a drill (common practice, no source). */
export const CENTRED_MM = 0.005

/**
 * @param sagMm how far the indicator's arm hangs down: it reads so much too little above, and too much below. Found by turning it round a
 *   pin in the same spindle: half of what top and bottom differ there
 */
export function readSweep({ top, right, bottom, left }: SweepReadings, sagMm = 0, withinMm = CENTRED_MM): Sweep {
  // where the wall is nearer the plunger is pushed in: the bore has moved away from there
  const rightMm = (left - right) / 2
  const upMm = (bottom - top) / 2 - sagMm
  const contradictMm = Math.abs(left + right - top - bottom) / 2
  return { rightMm, upMm, contradictMm, centred: Math.hypot(rightMm, upMm) <= withinMm }
}

/** What is moved next: the cross slide first, then the height (common practice, no source); nothing when it is centred. */
export function nextMove({
  rightMm,
  upMm,
  centred,
}: Sweep): { readonly axis: 'across' | 'height'; readonly byMm: number } | null {
  if (centred) return null
  return Math.abs(rightMm) > CENTRED_MM / 2 ? { axis: 'across', byMm: -rightMm } : { axis: 'height', byMm: -upMm }
}

/**
 * Where the cross slide has to stand for the bore to be on the axis.
 * @param standsAt as the control shows it: a radius, or a diameter
 */
export const slideAt = (
  standsAt: number,
  { rightMm }: Sweep,
  { diameter, towards }: { readonly diameter: boolean; readonly towards: 1 | -1 },
): number => standsAt - towards * rightMm * (diameter ? 2 : 1)
