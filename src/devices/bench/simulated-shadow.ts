/**
 * The shadow of a simulated tool: how much of each pixel it covers. Drawn row by row from where each edge stands at that
 * height (a helix turns it out of the plane of the light), never from what a measurement would look for.
 */
import { degToRad } from '@/core/units'
import { outlineOf, type Cover, type Outline } from '../world/profile'
import type { Dirt, ToolTruth } from '../world/tool-truth'
import type { BenchFacts } from './port'

/** Rows are drawn so many times finer than pixels; less where the outline runs steeply and nothing begins or ends. */
const FINE = 16
const COARSE = 4
/** An outline that moves farther than this within a row is drawn finely, px. */
const STEEP_PX = 1
/** Blur that depth adds, px for each mm out of the light's plane, and at most. */
const DEPTH_BLUR = 0.9
const MOST_DEPTH_BLUR = 5

export interface Shadow {
  /** Share of each pixel that is covered, row by row. */
  readonly cover: Float32Array
  /** Blur across in each row, px. */
  readonly rowBlur: Float32Array
  /** Blur up and down, px. */
  readonly topBlur: number
}

/** Intervals of one fine row, in pixels; kept from row to row. */
class Intervals {
  private readonly starts = new Float64Array(64)
  private readonly ends = new Float64Array(64)
  count = 0
  clear() {
    this.count = 0
  }
  /** Sums of starts and of ends: they move when any of them does. */
  get startsSum() {
    let sum = 0
    for (let i = 0; i < this.count; i++) sum += this.starts[i]
    return sum
  }
  get endsSum() {
    let sum = 0
    for (let i = 0; i < this.count; i++) sum += this.ends[i]
    return sum
  }
  /** Keeps them ordered by where they start. */
  add(start: number, end: number) {
    if (!(end > start) || this.count === this.starts.length) return
    let i = this.count++
    for (; i > 0 && this.starts[i - 1] > start; i--) {
      this.starts[i] = this.starts[i - 1]
      this.ends[i] = this.ends[i - 1]
    }
    this.starts[i] = start
    this.ends[i] = end
  }
  /** Adds what they cover together to a row given as differences. */
  pour(row: Float64Array, width: number) {
    for (let i = 0; i < this.count;) {
      const start = this.starts[i]
      let end = this.ends[i]
      for (i++; i < this.count && this.starts[i] <= end; i++) end = Math.max(end, this.ends[i])
      const a = Math.min(width, Math.max(0, start))
      const b = Math.min(width, Math.max(0, end))
      if (b <= a) continue
      step(row, a, 1)
      step(row, b, -1)
    }
  }
}

function step(row: Float64Array, at: number, by: number) {
  const whole = Math.floor(at)
  const part = at - whole
  row[whole] += by * (1 - part)
  row[whole + 1] += by * part
}

/** How far dirt sticks out over an outline at a depth, and where a chip's own disc begins and ends there. */
function coverDirt(dirt: Dirt, outline: Outline, radiusMm: number, depth: number, cover: Cover, disc: Cover): boolean {
  if (dirt.type === 'oil') {
    const t = (depth - dirt.downMm) / (dirt.longMm / 2)
    if (Math.abs(t) < 1 && cover.to > 0) cover.to += 0.5 * dirt.highMm * (1 + Math.cos(Math.PI * t))
    return false
  }
  const reach = depth - dirt.downMm
  if (Math.abs(reach) >= dirt.radiusMm) return false
  const half = Math.sqrt(dirt.radiusMm ** 2 - reach * reach)
  outline(radiusMm, dirt.downMm, disc)
  const middle = disc.to + 0.01
  disc.from = middle - half
  disc.to = middle + half
  return true
}

/** @param centre middle of the picture, mm in the tool's own coordinates */
// eslint-disable-next-line max-lines-per-function -- drawn row after row over shared arrays: parted, every picture takes longer
export function shadowOf(
  truth: ToolTruth,
  { widthPx: w, heightPx: h, mmPerPixel }: BenchFacts,
  spindleDeg: number,
  centre: { readonly x: number; readonly z: number },
): Shadow {
  const turn = (deg: number) => degToRad(deg - spindleDeg)
  const axis = truth.eccentricityMm * Math.cos(turn(truth.eccentricityDeg))
  const lean = truth.tiltRad * Math.cos(turn(truth.tiltDeg))
  const top = truth.edges.reduce((z, e) => Math.max(z, e.lengthMm), -Infinity)
  const edges = truth.edges.map((e, i) => {
    const angle = turn(e.angleDeg)
    // a leaning axis lifts one side and lowers the other
    const lift = -truth.tiltRad * e.radiusMm * Math.cos(degToRad(e.angleDeg - truth.tiltDeg))
    return { angle, radius: e.radiusMm, top: e.lengthMm + lift, dirt: truth.dirt.filter((d) => d.edge === i + 1) }
  })
  const least = Math.min(...truth.edges.map((e) => e.radiusMm))
  const one = truth.edges.length === 1
  const cover = new Float32Array(w * h)
  const rowBlur = new Float32Array(h)
  const row = new Float64Array(w + 2)
  const spans = new Intervals()
  const at: Cover = { from: 0, to: 0 }
  const disc: Cover = { from: 0, to: 0 }
  const toU = (x: number) => (x - centre.x) / mmPerPixel.x + w / 2
  const outline = outlineOf(truth.profile)
  let farthest = -Infinity
  let depthBlur = 0
  const put = ({ from, to }: Cover, shift: number, cos: number, sin: number) => {
    const inner = one ? Math.max(-1e6, from) : Math.max(0, from)
    const a = shift + inner * cos
    const b = shift + to * cos
    spans.add(toU(Math.min(a, b)), toU(Math.max(a, b)))
    if (b > farthest && cos > 0) {
      farthest = b
      depthBlur = Math.abs(to * sin)
    }
  }
  /** What the tool covers at a height. */
  const cut = (z: number) => {
    const shift = axis - lean * (top - z)
    spans.clear()
    farthest = -Infinity
    depthBlur = 0
    for (const edge of edges) {
      const depth = edge.top - z
      if (depth < -0.2) continue
      const angle = edge.angle + truth.twistRadPerMm * depth
      const cos = Math.cos(angle)
      const sin = Math.sin(angle)
      at.to = 0
      if (depth >= 0) outline(edge.radius, depth, at)
      for (const dirt of edge.dirt) if (coverDirt(dirt, outline, edge.radius, depth, at, disc)) put(disc, shift, cos, sin)
      if (at.to > 0) put(at, shift, cos, sin)
    }
    const below = top - z - truth.body.belowMm
    if (truth.body.share === 0 || below <= 0) return
    outline(least, below, at)
    const reach = truth.body.share * (truth.profile.type === 'corner' ? least : at.to)
    spans.add(toU(shift - reach), toU(shift + reach))
    if (shift + reach > farthest) depthBlur = 0
  }
  let topBlur = -1
  let before = { count: -1, end: 0, start: 0 }
  for (let v = 0; v < h; v++) {
    row.fill(0)
    const zAt = (part: number) => centre.z + (h / 2 - v - part) * mmPerPixel.z
    cut(zAt(1))
    rowBlur[v] = Math.hypot(truth.blurPx, Math.min(MOST_DEPTH_BLUR, DEPTH_BLUR * depthBlur))
    if (spans.count && topBlur < 0) topBlur = rowBlur[v]
    const now = { count: spans.count, start: spans.startsSum, end: spans.endsSum }
    const same = now.count === before.count
    const steep = same && Math.abs(now.end - before.end) < STEEP_PX && Math.abs(now.start - before.start) < STEEP_PX
    const fine = now.count === 0 && same ? 0 : steep ? COARSE : FINE
    before = now
    for (let f = 0; f < fine; f++) {
      cut(zAt((f + 0.5) / fine))
      spans.pour(row, w)
    }
    if (!fine) continue
    let sum = 0
    for (let u = 0, i = v * w; u < w; u++, i++) {
      sum += row[u]
      cover[i] = sum / fine
    }
  }
  return { cover, rowBlur, topBlur: topBlur < 0 ? truth.blurPx : topBlur }
}

/** A Gaussian blur in place; lines that are all tool or all field stay as they are. */
export function blurShadow({ cover, rowBlur, topBlur }: Shadow, w: number, h: number): Float32Array {
  const kernels = new Map<number, Float32Array>()
  const kernelFor = (sigma: number) => {
    const key = Math.round(sigma * KERNELS_PX)
    const known = kernels.get(key)
    if (known) return known
    const made = kernelOf(key / KERNELS_PX)
    kernels.set(key, made)
    return made
  }
  const before = new Float32Array(w)
  for (let v = 0; v < h; v++) blurRow(cover.subarray(v * w, (v + 1) * w), before, kernelFor(rowBlur[v]))
  blurDown(cover, w, h, kernelFor(topBlur))
  return cover
}

function blurRow(row: Float32Array, before: Float32Array, weights: Float32Array): void {
  const w = row.length
  before.set(row)
  let from = w
  let to = -1
  for (let u = 1; u < w; u++) {
    if (before[u] === before[u - 1]) continue
    if (from === w) from = u - 1
    to = u
  }
  if (to < 0) return
  const reach = (weights.length - 1) / 2
  const last = w - 1
  for (let u = Math.max(0, from - reach); u <= Math.min(last, to + reach); u++) {
    let sum = 0
    if (u >= reach && u + reach <= last) for (let k = -reach; k <= reach; k++) sum += weights[k + reach] * before[u + k]
    else for (let k = -reach; k <= reach; k++) sum += weights[k + reach] * before[Math.min(last, Math.max(0, u + k))]
    row[u] = sum
  }
}

/** Up and down, row after row as the picture lies in memory: column after column takes several times as long. */
function blurDown(cover: Float32Array, w: number, h: number, weights: Float32Array): void {
  const before = cover.slice()
  const first = new Int32Array(w).fill(h)
  const last = new Int32Array(w).fill(-1)
  for (let v = 1, i = w; v < h; v++) {
    for (let u = 0; u < w; u++, i++) {
      if (before[i] === before[i - w]) continue
      if (first[u] === h) first[u] = v - 1
      last[u] = v
    }
  }
  const reach = (weights.length - 1) / 2
  const sums = new Float64Array(w)
  for (let v = 0; v < h; v++) {
    const inReach = (u: number) => last[u] >= 0 && v >= first[u] - reach && v <= last[u] + reach
    let from = 0
    while (from < w && !inReach(from)) from++
    if (from === w) continue
    let to = w - 1
    while (!inReach(to)) to--
    sums.fill(0, from, to + 1)
    for (let k = -reach; k <= reach; k++) {
      const row = Math.min(h - 1, Math.max(0, v + k)) * w
      const weight = weights[k + reach]
      for (let u = from; u <= to; u++) sums[u] += weight * before[row + u]
    }
    for (let u = from; u <= to; u++) if (inReach(u)) cover[v * w + u] = sums[u]
  }
}

/** Kernels in steps of so much of a pixel. */
const KERNELS_PX = 50

function kernelOf(sigma: number): Float32Array {
  const reach = Math.ceil(3.5 * sigma)
  const kernel = Float32Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-0.5 * ((i - reach) / sigma) ** 2))
  const total = kernel.reduce((a, b) => a + b, 0)
  return kernel.map((k) => k / total)
}
