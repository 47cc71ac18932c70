import { plus, scaled, sumOf, type Complex } from '../numeric'

/** What a sensor and the once-a-turn mark gave while the spindle turned. */
export interface Spin {
  readonly samplesPerSecond: number
  /** One list a sensor, of equal length; in the sensor's own unit. */
  readonly sensors: readonly (readonly number[] | Float64Array | Float32Array)[]
  /** When the mark went by, seconds after the first sample, rising. */
  readonly marks: readonly number[] | Float64Array
}

/** What one sensor answers in step with the spindle. */
export interface Answer {
  /** Amplitude (peak) and phase: V of s = |V|·cos(φ + arg V), φ the angle by which the spindle has turned (anticlockwise, cutting end). */
  readonly value: Complex
  /** Standard uncertainty of its real and of its imaginary part. */
  readonly sigma: number
}

export type SpinFault =
  | { readonly code: 'FEW_TURNS'; readonly turns: number; readonly wanted: number }
  | { readonly code: 'UNEVEN_SPEED'; readonly percent: number }
  | { readonly code: 'NEAR_MAINS'; readonly rpm: number; readonly hz: number }
  | { readonly code: 'CLIPPED'; readonly sensor: number }
  | { readonly code: 'SENSOR_DEAD'; readonly sensor: number }

/** Turns that are weighed together; hum is kept out by the weights' side lobes (Hann: they fall with the third power). */
const TURNS_A_BLOCK = 16
/** Fewer blocks say nothing about their scatter. */
const LEAST_BLOCKS = 6
const MOST_SPEED_CHANGE = 0.02
/** The mains of most of the world and of America; with their double, from rectifiers (common practice, no source). */
const MAINS_HZ = [50, 60, 100, 120]

export interface Turning {
  readonly rpm: number
  readonly answers: readonly Answer[]
}

/**
 * Amplitude and phase at the spindle's own frequency by synchronous detection: each sample is given the angle at which the spindle stood,
 * by the marks on either side of it; over blocks of whole turns, weighed by a Hann window, its product with e^{−iφ} is summed. The mean of
 * the blocks is the answer, their scatter its uncertainty.
 */
export function inStep(
  spin: Spin,
): { readonly ok: true; readonly value: Turning } | { readonly ok: false; readonly error: SpinFault } {
  const fault = faultOf(spin)
  if (fault) return { ok: false, error: fault }
  const { marks, samplesPerSecond } = spin
  const blocks = blocksOf(marks.length - 1)
  const answers = spin.sensors.map((signal): Answer => {
    const parts = blocks.map((first) => block(signal, samplesPerSecond, marks, first))
    const value = scaled(sumOf(parts), 1 / parts.length)
    const scatter = parts.reduce((sum, p) => sum + (p.re - value.re) ** 2 + (p.im - value.im) ** 2, 0) / (2 * (parts.length - 1))
    return { value, sigma: Math.sqrt(scatter / (parts.length * EFFECTIVE)) }
  })
  return { ok: true, value: { rpm: rpmOf(marks), answers } }
}

/**
 * What each of several half-overlapping Hann blocks is worth of an independent one, for a mean: neighbours share Σw(n)·w(n + L/2) / Σw² = 1/6
 * of their noise (derived; the idea of overlapping: Welch, IEEE Trans. Audio Electroacoust. 15 (1967) 70), so 1 / (1 + 2/6).
 */
const EFFECTIVE = 0.75

const rpmOf = (marks: Spin['marks']) => (60 * (marks.length - 1)) / (marks[marks.length - 1] - marks[0])

/** First turn of each block: half a block apart. */
function blocksOf(turns: number): readonly number[] {
  const firsts: number[] = []
  for (let first = 0; first + TURNS_A_BLOCK <= turns; first += TURNS_A_BLOCK / 2) firsts.push(first)
  return firsts
}

function block(signal: Spin['sensors'][number], perSecond: number, marks: Spin['marks'], first: number): Complex {
  let re = 0
  let im = 0
  let weights = 0
  let level = 0
  let leakRe = 0
  let leakIm = 0
  const end = marks[first + TURNS_A_BLOCK]
  let turn = first
  for (let k = Math.ceil(marks[first] * perSecond); k / perSecond < end && k < signal.length; k++) {
    const t = k / perSecond
    while (t >= marks[turn + 1]) turn++
    const turned = turn + (t - marks[turn]) / (marks[turn + 1] - marks[turn])
    const angle = 2 * Math.PI * turned
    const weight = 1 - Math.cos((2 * Math.PI * (turned - first)) / TURNS_A_BLOCK)
    const cosine = Math.cos(angle)
    const sine = Math.sin(angle)
    re += weight * signal[k] * cosine
    im += weight * signal[k] * sine
    level += weight * signal[k]
    leakRe += weight * cosine
    leakIm += weight * sine
    weights += weight
  }
  // samples do not fall evenly on a turn: what a constant signal would give is taken off
  const mean = level / weights
  return { re: (2 * (re - mean * leakRe)) / weights, im: (-2 * (im - mean * leakIm)) / weights }
}

function faultOf({ marks, sensors }: Spin): SpinFault | null {
  const turns = marks.length - 1
  const wanted = (TURNS_A_BLOCK * (LEAST_BLOCKS + 1)) / 2
  if (turns < wanted) return { code: 'FEW_TURNS', turns: Math.max(0, turns), wanted }
  const times = Array.from({ length: turns }, (_, i) => marks[i + 1] - marks[i])
  const slowest = Math.max(...times)
  const fastest = Math.min(...times)
  const uneven = (slowest - fastest) / (slowest + fastest)
  if (uneven > MOST_SPEED_CHANGE) return { code: 'UNEVEN_SPEED', percent: 100 * uneven }
  const hz = rpmOf(marks) / 60
  const hum = MAINS_HZ.find((mains) => Math.abs(mains - hz) * (TURNS_A_BLOCK / hz) < 4)
  if (hum !== undefined) return { code: 'NEAR_MAINS', rpm: rpmOf(marks), hz: hum }
  for (const [sensor, signal] of sensors.entries()) {
    let low = Infinity
    let high = -Infinity
    for (const x of signal) {
      if (x < low) low = x
      if (x > high) high = x
    }
    if (!(high > low)) return { code: 'SENSOR_DEAD', sensor }
    // a signal that is cut off stays at its end from one sample to the next, turn after turn
    let stays = 0
    for (let k = 1; k < signal.length; k++) if (signal[k] === signal[k - 1] && (signal[k] === low || signal[k] === high)) stays++
    if (stays > signal.length / 50) return { code: 'CLIPPED', sensor }
  }
  return null
}

/** The tool's part of two runs, in the tool's own angles, and the spindle's, in the spindle's. */
export interface Parted {
  readonly tool: Answer
  readonly spindle: Answer
}

/**
 * Once as it is, once with the tool turned half round in the spindle (ISO 21940-14, index balancing): the mark is the spindle's, so what
 * stays is the spindle's and what changes sign the tool's.
 */
export function parted(at0: Answer, at180: Answer): Parted {
  const sigma = Math.hypot(at0.sigma, at180.sigma) / 2
  return {
    tool: { value: scaled({ re: at0.value.re - at180.value.re, im: at0.value.im - at180.value.im }, 0.5), sigma },
    spindle: { value: scaled(plus(at0.value, at180.value), 0.5), sigma },
  }
}
