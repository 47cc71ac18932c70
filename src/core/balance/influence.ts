import { absOf, minus, over, plus, scaled, times, ZERO, type Complex } from '../numeric'
import type { Answer, Parted } from './synchronous'

/**
 * How the sensors answer to unbalance in two planes: V = K·U. Found with a known rotor and trial masses (Thearle, Trans. ASME 56 (1934) 745;
 * Goodman, J. Eng. Ind. 86 (1964) 273), so that no property of sensors, bearings or foundation needs to be known.
 */
export interface Influence {
  /** The planes whose unbalance K speaks of, along the axis from the gauge line. */
  readonly zMm: readonly [number, number]
  /** Sensor by plane: the sensor's unit per g·mm. */
  readonly k: readonly (readonly [Complex, Complex])[]
}

/** What the known rotor gave, a sensor each, parted from the spindle: alone, with a mass in the first plane, with one in the second. */
export interface CalibrationRuns {
  readonly alone: readonly Parted[]
  readonly first: readonly Parted[]
  readonly second: readonly Parted[]
}

export interface Calibrated {
  readonly influence: Influence
  /** What the rotor alone comes to by these coefficients less what its certificate says, g·mm a plane: as small as the machine is good. */
  readonly residual: readonly Complex[]
  /** Condition number of K: how much an error of a sensor is magnified between the planes. */
  readonly condition: number
}

/** So many times what cannot be repeated must a mass change the answer (common practice, no source). */
const LEAST_CHANGE = 8

/** What one seat differs from the next by: the spindle's own part is the same in every run, so its scatter is the seat's; noise at least. */
function scatterOf(runs: readonly Parted[]): number {
  const mean = scaled(
    runs.reduce((sum, { spindle }) => plus(sum, spindle.value), ZERO),
    1 / runs.length,
  )
  const sum = runs.reduce((all, { spindle }) => all + absOf(minus(spindle.value, mean)) ** 2, 0)
  return Math.max(Math.sqrt(sum / (runs.length - 1)), ...runs.map(({ tool }) => tool.sigma))
}

/** Beyond this the two planes cannot be told from each other (common practice, no source). */
const WORST_CONDITION = 30

export type CalibrationFault =
  { readonly code: 'NO_ANSWER'; readonly plane: number } | { readonly code: 'PLANES_ALIKE'; readonly condition: number }

/**
 * @param trial the trial masses' unbalance, g·mm
 * @param own the rotor's own unbalance by its certificate, g·mm a plane
 */
export function calibrate(
  runs: CalibrationRuns,
  zMm: readonly [number, number],
  trial: readonly [Complex, Complex],
  own: readonly [Complex, Complex],
): { readonly ok: true; readonly value: Calibrated } | { readonly ok: false; readonly error: CalibrationFault } {
  const noise = runs.alone.map((_, sensor) => scatterOf([runs.alone, runs.first, runs.second].map((run) => run[sensor])))
  for (const [plane, run] of [runs.first, runs.second].entries()) {
    const change = run.map(({ tool }, sensor) => absOf(minus(tool.value, runs.alone[sensor].tool.value)))
    if (change.every((c, sensor) => c <= LEAST_CHANGE * noise[sensor])) return { ok: false, error: { code: 'NO_ANSWER', plane } }
  }
  const k = runs.alone.map(({ tool }, sensor): readonly [Complex, Complex] => [
    over(minus(runs.first[sensor].tool.value, tool.value), trial[0]),
    over(minus(runs.second[sensor].tool.value, tool.value), trial[1]),
  ])
  const influence: Influence = { zMm, k }
  const condition = conditionOf(k)
  if (!(condition < WORST_CONDITION)) return { ok: false, error: { code: 'PLANES_ALIKE', condition } }
  const found = unbalanceFrom(
    influence,
    runs.alone.map(({ tool }) => tool),
  )
  return { ok: true, value: { influence, residual: found.planes.map((u, plane) => minus(u, own[plane])), condition } }
}

export interface Found {
  /** g·mm a plane, at the influence's own planes. */
  readonly planes: readonly [Complex, Complex]
  /** Standard uncertainty of real and imaginary part, g·mm a plane. */
  readonly sigma: readonly [number, number]
}

/** U = K⁻¹·V */
export function unbalanceFrom({ k }: Influence, answers: readonly Answer[]): Found {
  const inverse = inverseOf(k)
  const row = (r: number) => answers.reduce((sum, { value }, sensor) => plus(sum, times(inverse[r][sensor], value)), ZERO)
  const sigma = (r: number) => Math.hypot(...answers.map((answer, sensor) => absOf(inverse[r][sensor]) * answer.sigma))
  return { planes: [row(0), row(1)], sigma: [sigma(0), sigma(1)] }
}

function inverseOf(k: Influence['k']): readonly (readonly [Complex, Complex])[] {
  const [[a, b], [c, d]] = k
  const det = minus(times(a, d), times(b, c))
  const minusOf = (x: Complex) => scaled(x, -1)
  return [
    [over(d, det), over(minusOf(b), det)],
    [over(minusOf(c), det), over(a, det)],
  ]
}

/** Largest over smallest singular value, from the trace and determinant of K*K. */
export function conditionOf(k: Influence['k']): number {
  const trace = k.flat().reduce((sum, x) => sum + x.re * x.re + x.im * x.im, 0)
  const [[a, b], [c, d]] = k
  const det = absOf(minus(times(a, d), times(b, c)))
  const root = Math.sqrt(Math.max(0, trace * trace - 4 * det * det))
  return Math.sqrt((trace + root) / Math.max(1e-300, trace - root))
}
