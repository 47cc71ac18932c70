/** The optical bench's stand-in: it draws the shadow of the tool that its ticket stands for. */
import { seededRandom } from '@/core/numeric'
import { degToRad } from '@/core/units'
import { fromTicket, type ToolTruth } from '../world/tool-truth'
import { BENCH_FACTS, type Bench, type BenchFacts, type BenchPicture } from './port'

/** An edge as it is seen at one turn of the spindle. */
interface SeenEdge {
  readonly number: number
  readonly cos: number
  readonly radius: number
  readonly top: number
}

const GRAIN = 1 << 16

/**
 * @param ticket what runtime handed out for the clamped tool
 * @param zero what the last check found the axes to read too much, mm: taken off every place, as a driver would
 */
export function simulatedBench(
  ticket: string,
  zero: { readonly x: number; readonly z: number } = { x: 0, z: 0 },
  facts: BenchFacts = BENCH_FACTS,
): Bench {
  const truth = fromTicket(ticket)
  const off = { x: zero.x - truth.zeroMm.x, z: zero.z - truth.zeroMm.z }
  const random = seededRandom(truth.seed ^ 0x5eed)
  const grain = Float32Array.from({ length: GRAIN + facts.widthPx }, () => truth.noise * random.normal())
  const light = lightOf(truth, facts)
  let spindleDeg = 0
  let centre = { x: 0, z: facts.reach.z }
  return {
    facts,
    async turnTo(deg) {
      spindleDeg = deg
    },
    async moveTo(x, z) {
      centre = { x: Math.min(facts.reach.x, Math.max(-20, x)), z: Math.min(facts.reach.z, Math.max(0, z)) }
    },
    async grab(): Promise<BenchPicture> {
      const seen = { x: centre.x + off.x, z: centre.z + off.z }
      const cover = blur(shadow(truth, facts, spindleDeg, seen), facts.widthPx, facts.heightPx, blurNow(truth, spindleDeg))
      const data = new Uint8Array(cover.length)
      for (let v = 0, i = 0; v < facts.heightPx; v++) {
        const shift = Math.floor(random.uniform() * GRAIN)
        for (let u = 0; u < facts.widthPx; u++, i++) {
          const grey = (truth.dark + truth.contrast * (1 - cover[i])) * light[i] + grain[shift + u] + 0.5
          data[i] = grey < 0 ? 0 : grey > 255 ? 255 : grey
        }
      }
      return { frame: { width: facts.widthPx, height: facts.heightPx, data }, centreX: centre.x, centreZ: centre.z, spindleDeg }
    },
  }
}

function lightOf(truth: ToolTruth, { widthPx, heightPx }: BenchFacts): Float32Array {
  const light = new Float32Array(widthPx * heightPx)
  for (let v = 0, i = 0; v < heightPx; v++) {
    for (let u = 0; u < widthPx; u++, i++) {
      const a = (2 * u) / widthPx - 1 - truth.lightX
      const b = 1 - (2 * v) / heightPx - truth.lightZ
      light[i] = 1 - (truth.fallOff * (a * a + b * b)) / 2
    }
  }
  return light
}

const turnOf = (truth: ToolTruth, edge: number, spindleDeg: number) => degToRad(truth.edges[edge].angleDeg - spindleDeg)

/** Only what lies in the plane of the light is sharp. */
function blurNow(truth: ToolTruth, spindleDeg: number): number {
  const depth = Math.min(...truth.edges.map((e, i) => Math.abs(e.radiusMm * Math.sin(turnOf(truth, i, spindleDeg)))))
  return Math.hypot(truth.blurPx, Math.min(5, 0.9 * depth))
}

/** How much of each pixel is covered, 0…1. */
function shadow(truth: ToolTruth, facts: BenchFacts, spindleDeg: number, centre: { x: number; z: number }): Float32Array {
  const { widthPx: w, heightPx: h, mmPerPixel } = facts
  const axis = truth.eccentricityMm * Math.cos(degToRad(truth.eccentricityDeg - spindleDeg))
  const edges: SeenEdge[] = truth.edges
    .map((e, i) => ({ number: i + 1, cos: Math.cos(turnOf(truth, i, spindleDeg)), radius: e.radiusMm, top: e.lengthMm }))
    .filter((e) => e.cos > 0.05)
  const core = 0.55 * Math.min(...truth.edges.map((e) => e.radiusMm))
  const low = Math.min(...truth.edges.map((e) => e.lengthMm)) - 0.6
  // signed distance to the tool in pixels, negative inside
  const distanceAt = (x: number, z: number): number => {
    let d = Math.max(Math.abs(x - axis) - core, z - low)
    for (const edge of edges)
      d = Math.min(d, edgeDistance(truth, edge, (x - axis) / edge.cos, z) * (edge.cos > 0.9 ? 1 : edge.cos))
    return d / mmPerPixel.x
  }
  const cover = new Float32Array(w * h)
  const BLOCK = 8
  for (let v0 = 0; v0 < h; v0 += BLOCK) {
    for (let u0 = 0; u0 < w; u0 += BLOCK) {
      const x = centre.x + (u0 + BLOCK / 2 - w / 2) * mmPerPixel.x
      const z = centre.z + (h / 2 - v0 - BLOCK / 2) * mmPerPixel.z
      const d = distanceAt(x, z)
      const far = Math.abs(d) > 1.2 * BLOCK
      if (far && d > 0) continue
      for (let v = v0; v < Math.min(h, v0 + BLOCK); v++) {
        for (let u = u0; u < Math.min(w, u0 + BLOCK); u++) {
          if (far) cover[v * w + u] = 1
          else {
            const px = centre.x + (u + 0.5 - w / 2) * mmPerPixel.x
            const pz = centre.z + (h / 2 - v - 0.5) * mmPerPixel.z
            cover[v * w + u] = Math.min(1, Math.max(0, 0.5 - distanceAt(px, pz)))
          }
        }
      }
    }
  }
  return cover
}

/** Signed distance to one edge's outline in its own plane, mm; x from the tool's axis. */
function edgeDistance(truth: ToolTruth, edge: SeenEdge, x: number, z: number): number {
  const re = Math.min(truth.cornerRadiusMm, edge.radius)
  const cx = edge.radius - re
  const cz = edge.top - re
  const dish = degToRad(truth.dishDeg)
  // beyond the arc towards the axis the end falls by the dish, as a tangent of the arc
  const endDistance = (z - cz) * Math.cos(dish) - (x - cx) * Math.sin(dish) - re
  const sideDistance = x - edge.radius
  const angle = Math.atan2(z - cz, x - cx)
  let d: number
  if (angle > 0 && angle < Math.PI / 2 + dish) d = Math.hypot(x - cx, z - cz) - re
  else d = x < cx && z > cz - (cx - x) ? endDistance : Math.max(sideDistance, endDistance)
  for (const chip of truth.chips) {
    if (chip.edge !== edge.number || edge.cos < 0.99) continue
    const p = chipPlace(chip.at, cx, cz, re, edge.radius)
    d = Math.min(d, Math.hypot(x - p.x, z - p.z) - chip.radiusMm)
  }
  return d
}

function chipPlace(at: number, cx: number, cz: number, re: number, radius: number) {
  if (at >= 1) return { x: radius + 0.01, z: cz - (at - 1) }
  const a = (Math.PI / 2) * (1 - at)
  return { x: cx + (re + 0.01) * Math.cos(a), z: cz + (re + 0.01) * Math.sin(a) }
}

/** A Gaussian blur; lines that are all tool or all field stay as they are. */
function blur(cover: Float32Array, w: number, h: number, sigma: number): Float32Array {
  const reach = Math.ceil(3.5 * sigma)
  const kernel = Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-0.5 * ((i - reach) / sigma) ** 2))
  const total = kernel.reduce((a, b) => a + b, 0)
  const weights = Float32Array.from(kernel, (k) => k / total)
  const pass = (lines: number, length: number, startOf: (line: number) => number, step: number) => {
    const before = new Float32Array(length)
    for (let line = 0; line < lines; line++) {
      const start = startOf(line)
      let from = length
      let to = -1
      for (let i = 0; i < length; i++) {
        before[i] = cover[start + i * step]
        if (i > 0 && before[i] !== before[i - 1]) {
          if (from === length) from = i - 1
          to = i
        }
      }
      if (to < 0) continue
      for (let i = Math.max(0, from - reach); i <= Math.min(length - 1, to + reach); i++) {
        let sum = 0
        for (let k = -reach; k <= reach; k++)
          sum += weights[k + reach] * before[i + k < 0 ? 0 : i + k >= length ? length - 1 : i + k]
        cover[start + i * step] = sum
      }
    }
  }
  pass(h, w, (line) => line * w, 1)
  pass(w, h, (line) => line, w)
  return cover
}
