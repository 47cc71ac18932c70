/**
 * A balancing spindle that is not there. A forward model of its own: a rigid rotor on two bearings with a force sensor each; what is off the
 * axis pulls with m·e·ω², the levers share it out, the sensors add their gain, their lag, noise, hum and drift. A tool that is clamped again
 * hangs a few tenths of a micrometre elsewhere.
 */
import { seededRandom } from '@/core/numeric'
import type { Coupling } from '@/core/tool'
import { degToRad, fail, ok } from '@/core/units'
import { fromUnbalanceTicket, type UnbalanceTruth } from '../world/unbalance-truth'
import type { BalancingSpindle, SpindleHands, SpindleState } from './port'

/** Where the spindle remembers what hangs in it and what it does, and its clock. */
export interface SpindleMemory {
  get(): string | null
  put(state: string): void
  nowMs(): number
  /** What the tool with this serial really is. */
  truthOf(serial: string): string
}

interface Run {
  readonly startMs: number
  readonly rpm: number
  readonly turns: number
  readonly brokenOff: boolean
}

interface Memory {
  readonly held: { readonly serial: string; readonly seat: 0 | 180; readonly clampings: number } | null
  readonly clampings: number
  readonly guard: 'open' | 'shut'
  readonly angleDeg: number
  readonly coupling: Coupling
  readonly run: Run | null
}

const EMPTY: Memory = { held: null, clampings: 0, guard: 'open', angleDeg: 0, coupling: 'HSK-A63', run: null }

const MOST_RPM = 1500
/** Time up to speed and down again, s. */
const RAMP_S = 2
const SAMPLES_PER_S = 2000
/** The bearings, mm over the gauge line, and what the empty spindle has of its own there: g·mm at an angle. */
const BEARING_MM = [-70, -210] as const
const OWN = [
  { gmm: 38, deg: 71 },
  { gmm: 21, deg: 203 },
] as const
/** Volts a newton, the lag of each sensor's amplifier, and how much one bearing feels of the other's force. */
const GAIN = [0.121, 0.137] as const
const LAG_DEG = [14, 19] as const
const CROSS = 0.07
/** Where the sensors look from. */
const LOOK_DEG = 32
const NOISE_V = 0.0025
const HUM_V = 0.03
const DRIFT_V_PER_S = 0.0004
/** Where a tool hangs when it is clamped again: standard deviation along x and along y, µm. */
const SEAT_UM = 0.12
const FULL_SCALE_V = 10
const BITS = 16

/** Forces at the two bearings per ω²: g·mm, turned with the spindle. */
function pulls(truth: UnbalanceTruth | null, seatDeg: number, clamping: number): readonly { x: number; y: number }[] {
  const { normal } = seededRandom(clamping * 7919 + 17)
  const own = OWN.map(({ gmm, deg }, i) => ({
    zMm: BEARING_MM[i],
    x: gmm * Math.cos(degToRad(deg)),
    y: gmm * Math.sin(degToRad(deg)),
  }))
  const [c, s] = [Math.cos(degToRad(seatDeg)), Math.sin(degToRad(seatDeg))]
  const tool = truth
    ? [
        ...truth.off.map(({ zMm, x, y }) => ({ zMm, x: c * x - s * y, y: s * x + c * y })),
        { zMm: truth.cgZMm, x: truth.massKg * SEAT_UM * normal(), y: truth.massKg * SEAT_UM * normal() },
      ]
    : []
  return BEARING_MM.map((at, i) => {
    const other = BEARING_MM[1 - i]
    const lever = (zMm: number) => (zMm - other) / (at - other)
    return [...own, ...tool].reduce((sum, o) => ({ x: sum.x + o.x * lever(o.zMm), y: sum.y + o.y * lever(o.zMm) }), {
      x: 0,
      y: 0,
    })
  })
}

/** What the sensors and the mark gave. */
function recorded({ held, run }: Memory, truthOf: SpindleMemory['truthOf']) {
  if (!run) return null
  const truth = held && fromUnbalanceTicket(truthOf(held.serial))
  const forces = pulls(truth, held?.seat ?? 0, held?.clampings ?? 0)
  const { uniform, normal } = seededRandom((run.startMs & 0x7fffffff) + 3)
  const hz = run.rpm / 60
  // the drive hunts a little about its speed
  const [hunt, huntHz, huntAt] = [0.01 + 0.02 * uniform(), 0.2 + 0.3 * uniform(), 2 * Math.PI * uniform()]
  const turnedAt = (t: number) => hz * t + hunt * Math.sin(2 * Math.PI * huntHz * t + huntAt)
  const seconds = run.turns / hz + 0.2
  const humAt = 2 * Math.PI * uniform()
  const omega2 = (2 * Math.PI * hz) ** 2 * 1e-6
  const step = FULL_SCALE_V / 2 ** (BITS - 1)
  const sensors = [0, 1].map((i) => {
    const fx = forces[i].x + CROSS * forces[1 - i].x
    const fy = forces[i].y + CROSS * forces[1 - i].y
    const offset = 0.02 * normal()
    return Float32Array.from({ length: Math.ceil(seconds * SAMPLES_PER_S) }, (_, k) => {
      const t = k / SAMPLES_PER_S
      // the pull's direction as the sensor sees it: with the spindle's turn, less where it looks from and its lag
      const at = 2 * Math.PI * turnedAt(t) - degToRad(LOOK_DEG + LAG_DEG[i])
      const pull = (fx * Math.cos(at) - fy * Math.sin(at)) * omega2
      const twice = 0.15 * Math.cos(2 * at)
      const volts =
        GAIN[i] * (pull + 0.05 * twice) +
        offset +
        DRIFT_V_PER_S * t +
        HUM_V * (Math.cos(2 * Math.PI * 50 * t + humAt) + 0.2 * Math.cos(2 * Math.PI * 150 * t)) * (i === 0 ? 1 : 0.6) +
        NOISE_V * normal()
      return Math.round(Math.min(FULL_SCALE_V, Math.max(-FULL_SCALE_V, volts)) / step) * step
    })
  })
  const marks: number[] = []
  for (let turn = Math.ceil(turnedAt(0)); turn <= run.turns; turn++) {
    let t = turn / hz
    for (let i = 0; i < 6; i++) t -= (turnedAt(t) - turn) / hz
    if (t >= 0) marks.push(t + 2e-6 * normal())
  }
  return { samplesPerSecond: SAMPLES_PER_S, sensors, marks }
}

export function simulatedSpindle(memory: SpindleMemory): BalancingSpindle & { readonly hands: SpindleHands } {
  const load = (): Memory => ({ ...EMPTY, ...(JSON.parse(memory.get() ?? '{}') as Partial<Memory>) })
  const save = (change: Partial<Memory>) => memory.put(JSON.stringify({ ...load(), ...change }))
  const stateOf = (now: Memory): SpindleState => {
    const { run, guard, angleDeg, coupling } = now
    const still = { simulated: true, coupling, mostRpm: MOST_RPM, guard, angleDeg } as const
    if (!run || run.brokenOff) return { ...still, phase: 'standing', rpm: 0, done: 0 }
    const s = (memory.nowMs() - run.startMs) / 1000
    const records = (run.turns / run.rpm) * 60
    if (s < RAMP_S) return { ...still, phase: 'running up', rpm: (run.rpm * s) / RAMP_S, done: 0 }
    if (s < RAMP_S + records) return { ...still, phase: 'recording', rpm: run.rpm, done: (s - RAMP_S) / records }
    if (s < 2 * RAMP_S + records)
      return { ...still, phase: 'running down', rpm: run.rpm * (1 - (s - RAMP_S - records) / RAMP_S), done: 1 }
    return { ...still, phase: 'standing', rpm: 0, done: 1 }
  }
  const turns = (now: Memory) => stateOf(now).phase !== 'standing'
  return {
    async state() {
      return ok(stateOf(load()))
    },
    async start({ rpm, turns: wanted }) {
      const now = load()
      if (turns(now)) return fail({ code: 'TURNING' })
      if (now.guard === 'open') return fail({ code: 'GUARD_OPEN' })
      if (!now.held) return fail({ code: 'EMPTY' })
      if (rpm > MOST_RPM) return fail({ code: 'TOO_FAST', rpm, most: MOST_RPM })
      save({ run: { startMs: memory.nowMs(), rpm, turns: wanted, brokenOff: false } })
      return ok(null)
    },
    async record() {
      const now = load()
      if (now.run?.brokenOff) return fail({ code: 'BROKEN_OFF' })
      if (!now.run) return fail({ code: 'NO_RECORD' })
      if (turns(now)) return fail({ code: 'TURNING' })
      const spin = recorded(now, memory.truthOf)
      return spin ? ok(spin) : fail({ code: 'NO_RECORD' })
    },
    async stop() {
      const now = load()
      if (now.run && turns(now)) save({ run: { ...now.run, brokenOff: true } })
      return ok(null)
    },
    hands: {
      async put(serial, seat) {
        const now = load()
        if (turns(now)) return
        const clampings = now.clampings + 1
        save({ held: { serial, seat, clampings }, clampings, run: null })
      },
      async takeOut() {
        if (!turns(load())) save({ held: null, run: null })
      },
      async adapter(coupling) {
        if (!turns(load())) save({ coupling, held: null, run: null })
      },
      async guard(is) {
        const now = load()
        // the guard's lock opens only when the spindle stands; a guard forced open stops it
        save({ guard: is, run: now.run && is === 'open' && turns(now) ? { ...now.run, brokenOff: true } : now.run })
      },
      async turnTo(deg) {
        if (!turns(load())) save({ angleDeg: ((deg % 360) + 360) % 360 })
      },
      async holds() {
        const { held } = load()
        return held && { serial: held.serial, seat: held.seat }
      },
    },
  }
}
