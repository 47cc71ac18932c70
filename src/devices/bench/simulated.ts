/** The optical bench's stand-in: it draws the shadow of the tool that its ticket stands for. */
import { seededRandom } from '@/core/numeric'
import { fromTicket, type ToolTruth } from '../world/tool-truth'
import { BENCH_FACTS, type Bench, type BenchFacts, type BenchPicture } from './port'
import { blurShadow, shadowOf } from './simulated-shadow'

const GRAIN = 1 << 16
/** What is left of a swing after one picture, and how far it goes on in that time, radians. */
const SWING_LEFT = 0.4
const SWING_TURN = 2.2
/** Moves shorter than this do not make the carriage swing, mm. */
const LEAST_SWING_MOVE = 0.3

/**
 * @param ticket what runtime handed out for the clamped tool
 * @param zero what the last check found the axes to read too much, mm: taken off every place, as a driver would
 */
export function simulatedBench(
  ticket: string,
  zero: { readonly x: number; readonly z: number } = { x: 0, z: 0 },
  facts: BenchFacts = BENCH_FACTS,
  nowMs: () => number = Date.now,
): Bench {
  const truth = fromTicket(ticket)
  const { widthPx: w, heightPx: h } = facts
  const off = { x: zero.x - truth.zeroMm.x, z: zero.z - truth.zeroMm.z }
  const random = seededRandom(truth.seed ^ 0x5eed)
  const clampedMs = nowMs()
  const grain = Float32Array.from({ length: GRAIN + w }, () => truth.noise * random.normal())
  const light = lightOf(truth, facts)
  let spindleDeg = 0
  let centre = { x: 0, z: facts.reach.z }
  let swing = { x: 0, z: 0, phase: 0 }
  return {
    facts,
    async turnTo(deg) {
      spindleDeg = deg
    },
    async moveTo(x, z) {
      const to = { x: Math.min(facts.reach.x, Math.max(-20, x)), z: Math.min(facts.reach.z, Math.max(0, z)) }
      const moved = { x: Math.abs(to.x - centre.x) > LEAST_SWING_MOVE, z: Math.abs(to.z - centre.z) > LEAST_SWING_MOVE }
      if (moved.x || moved.z)
        swing = {
          x: moved.x ? truth.swingMm : 0,
          z: moved.z ? truth.swingMm : 0,
          phase: 2 * Math.PI * random.uniform(),
        }
      centre = to
    },
    async grab(): Promise<BenchPicture> {
      const warmMm = truth.warmMm && truth.warmMm * Math.exp(-(nowMs() - clampedMs) / 1000 / truth.coolsInS)
      const seen = {
        x: centre.x + off.x + swing.x * Math.cos(swing.phase),
        // a longer tool looks like a carriage that stands lower
        z: centre.z + off.z + swing.z * Math.sin(swing.phase) - warmMm,
      }
      swing = { x: swing.x * SWING_LEFT, z: swing.z * SWING_LEFT, phase: swing.phase + SWING_TURN }
      const cover = blurShadow(shadowOf(truth, facts, spindleDeg, seen), w, h)
      const data = new Uint8Array(cover.length)
      const { dark, contrast } = truth
      for (let v = 0, i = 0; v < h; v++) {
        const shift = Math.floor(random.uniform() * GRAIN)
        for (let u = 0; u < w; u++, i++) {
          const grey = (dark + contrast * (1 - cover[i])) * light[i] + grain[shift + u] + 0.5
          data[i] = grey < 0 ? 0 : grey > 255 ? 255 : grey
        }
      }
      return { frame: { width: w, height: h, data }, centreX: centre.x, centreZ: centre.z, spindleDeg }
    },
  }
}

/** The light without any tool: it falls off towards the corners, and dust on the glass takes some of it. */
function lightOf(truth: ToolTruth, { widthPx, heightPx }: BenchFacts): Float32Array {
  const light = new Float32Array(widthPx * heightPx)
  for (let v = 0, i = 0; v < heightPx; v++) {
    for (let u = 0; u < widthPx; u++, i++) {
      const a = (2 * u) / widthPx - 1 - truth.lightX
      const b = 1 - (2 * v) / heightPx - truth.lightZ
      light[i] = 1 - (truth.fallOff * (a * a + b * b)) / 2
    }
  }
  for (const { u, v, radiusPx, share } of truth.specks) {
    const reach = Math.ceil(radiusPx) + 1
    for (let y = Math.max(0, Math.floor(v) - reach); y < Math.min(heightPx, v + reach); y++)
      for (let x = Math.max(0, Math.floor(u) - reach); x < Math.min(widthPx, u + reach); x++) {
        const inside = radiusPx + 1 - Math.hypot(x + 0.5 - u, y + 0.5 - v)
        if (inside > 0) light[y * widthPx + x] *= 1 - share * Math.min(1, inside)
      }
  }
  return light
}
