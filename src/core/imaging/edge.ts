/** Edge places to a fraction of a pixel, one a row or column, each with its own standard deviation. */
import { cumulativeNormal, median, phi, robustSigma } from '../numeric'
import type { Frame, Pixel } from './frame'
import { fieldAt, type Light } from './light'
import type { Crack, Outline } from './outline'

export interface EdgePoint extends Pixel {
  /** Outward unit normal (from tool to field), picture axes. */
  readonly nu: number
  readonly nv: number
  /** Standard deviation along the normal, px. */
  readonly sigma: number
  /** Number of the outline piece, and running length along it in pixels. */
  readonly piece: number
}

export interface Edges {
  readonly points: readonly EdgePoint[]
  /** Standard deviation of the blur across the edge without the pixel's own width, px. */
  readonly blurPx: number
  /** Standard deviation of the grey levels. */
  readonly noise: number
  readonly contrast: number
}

/** Half length of the chord that gives an outline its direction, in cracks. */
const CHORD = 6
/** Pixels beyond the blur on each side that tell the level of tool and field. */
const LEVEL_RUN = 6
/** Pixels from the outline beyond which even a blur of 3 px has died away. */
const FAR = 10
/** The blur is read at every sixth place of the outline. */
const BLUR_EVERY = 6
/** Noise is read beside every so many places of the outline. */
const NOISE_EVERY = 5
/** Levels are shared along the outline over this many points each way. */
const LEVEL_SHARE = 10

interface Site {
  readonly crack: Crack
  readonly piece: number
  readonly nu: number
  readonly nv: number
  /** Cosine between the normal and the row or column that is read. */
  readonly cos: number
  /** Index step in the picture towards the field along that row or column. */
  readonly step: number
  readonly base: number
  inside: number
  outside: number
}

/** Points of the outline, each from a fit of a blurred step to the grey levels across it. */
export function findEdges(frame: Frame, light: Light, outline: Outline): Edges {
  const sites = sitesOf(frame, outline)
  // the blur from some of the places, with levels read well away from it; then levels as near as the blur allows
  const some = sites.filter((_, i) => i % BLUR_EVERY === 0)
  let noise = readLevels(frame, light, some, FAR, outline.mask)
  let width = blurOf(frame, some, noise)
  const skip = width < 2.2 ? reach(width) : FAR
  noise = readLevels(frame, light, sites, skip, outline.mask)
  if (skip < FAR) width = blurOf(frame, some, noise)
  const points: EdgePoint[] = []
  for (const site of sites) {
    const point = place(frame, site, width, noise)
    if (point) points.push(point)
  }
  return { points, blurPx: Math.sqrt(Math.max(0.01, width * width - 1 / 12)), noise, contrast: light.contrast }
}

const reach = (width: number) => Math.max(3, Math.ceil(3.2 * width + 1))

function sitesOf({ width, height }: Frame, outline: Outline): Site[] {
  const sites: Site[] = []
  outline.pieces.forEach((cracks, piece) => {
    for (let i = 0; i < cracks.length; i++) {
      const a = cracks[Math.max(0, i - CHORD)]
      const b = cracks[Math.min(cracks.length - 1, i + CHORD)]
      const tu = b.u - a.u
      const tv = b.v - a.v
      const length = Math.sqrt(tu * tu + tv * tv)
      if (length < CHORD / 2) continue
      const crack = cracks[i]
      const steep = Math.abs(tv) >= Math.abs(tu)
      if (steep !== (crack.du === 0)) continue
      const nu = tv / length // the field is on the left hand
      const nv = -tu / length
      const step = steep ? Math.sign(nu) : Math.sign(nv) * width
      // the first field pixel outward of the crack
      const u = steep ? (nu > 0 ? crack.u : crack.u - 1) : Math.floor(crack.u)
      const v = steep ? Math.floor(crack.v) : nv > 0 ? crack.v : crack.v - 1
      if (u < 0 || v < 0 || u >= width || v >= height) continue
      sites.push({ crack, piece, nu, nv, cos: Math.abs(steep ? nu : nv), step, base: v * width + u, inside: NaN, outside: NaN })
    }
  })
  return sites
}

/** How many pixels lie between `base` and the border in direction `step` (which may be negative). */
function room(base: number, step: number, { width, height }: Frame): number {
  if (Math.abs(step) === 1) return step > 0 ? width - 1 - (base % width) : base % width
  const v = Math.floor(base / width)
  return step > 0 ? height - 1 - v : v
}

/** How much brighter the field is at the outline than `away` pixels outward of it, where its level was read. */
function brighter(frame: Frame, light: Light, { base, step }: Site, away: number): number {
  const at = (i: number) => fieldAt(light, frame, (i % frame.width) + 0.5, Math.floor(i / frame.width) + 0.5)
  const ratio = at(base) / at(base + Math.round(away) * step)
  return ratio > 0.8 && ratio < 1.25 ? ratio : 1
}

/** Sets the levels inside and outside of each site from pixels beyond `skip`; returns the grey noise. */
function readLevels(frame: Frame, light: Light, sites: Site[], skip: number, mask: Uint8Array): number {
  const differences: number[] = []
  const side = (site: Site, sign: 1 | -1, listen: boolean): number => {
    const step = site.step * sign
    const start = sign > 0 ? site.base : site.base - site.step
    const most = room(start, step, frame)
    const wanted = sign > 0 ? 0 : 1
    let sum = 0
    let n = 0
    let before = 0
    const end = Math.min(most, skip + LEVEL_RUN - 1)
    if (end < skip || mask[start + (skip >> 1) * step] !== wanted) return NaN
    for (let k = skip; k <= end; k++) {
      const i = start + k * step
      if (mask[i] !== wanted) break
      sum += frame.data[i]
      n++
      if (listen && n > 1) differences.push(frame.data[i] - before)
      before = frame.data[i]
    }
    if (n < 2) return NaN
    return sign > 0 ? (sum / n) * brighter(frame, light, site, skip + (n - 1) / 2) : sum / n
  }
  sites.forEach((site, i) => {
    site.inside = side(site, -1, i % NOISE_EVERY === 0)
    site.outside = side(site, 1, i % NOISE_EVERY === 0)
  })
  for (const key of ['inside', 'outside'] as const) {
    const raw = sites.map((site) => site[key])
    const all = medianOf(raw)
    let sum = 0
    let n = 0
    const take = (k: number, sign: number) => {
      if (k >= 0 && k < raw.length && !Number.isNaN(raw[k])) {
        sum += sign * raw[k]
        n += sign
      }
    }
    for (let k = 0; k <= LEVEL_SHARE; k++) take(k, 1)
    for (let i = 0; i < sites.length; i++) {
      sites[i][key] = n > 0 ? sum / n : all()
      take(i + LEVEL_SHARE + 1, 1)
      take(i - LEVEL_SHARE, -1)
    }
  }
  return Math.max(0.3, robustSigma(differences.length ? differences : [0]) / Math.SQRT2)
}

/** The median of what is known, worked out when it is first asked for; NaN when nothing is known. */
function medianOf(values: readonly number[]): () => number {
  let found: number | null = null
  return () => (found ??= median(values.filter((x) => !Number.isNaN(x))))
}

/**
 * Width of the blurred step (standard deviation, px, the pixel's own 1/12 included) from ∫p(1−p) = s/√π of a
 * normal law with p the level between 0 and 1; the noise's own share −nσ² is put back.
 */
function blurOf(frame: Frame, sites: readonly Site[], noise: number): number {
  const half = FAR
  const widths: number[] = []
  for (const site of sites) {
    const contrast = site.outside - site.inside
    if (!(contrast > 10) || room(site.base, site.step, frame) < half || room(site.base, -site.step, frame) < half + 1) continue
    let sum = 0
    for (let j = -half; j < half; j++) {
      const p = (frame.data[site.base + j * site.step] - site.inside) / contrast
      sum += p * (1 - p)
    }
    widths.push((sum + (2 * half * noise * noise) / (contrast * contrast)) * Math.sqrt(Math.PI) * site.cos)
  }
  const width = median(widths)
  return Number.isNaN(width) ? 1 : Math.min(6, Math.max(0.32, width))
}

/** What is left after a step of so many pixels goes with its square, and is far below the noise. */
const NEAR_PX = 0.04

/** Gauss and Newton on the place alone; blur and levels are known far better from the neighbours. */
function place(frame: Frame, site: Site, width: number, noise: number): EdgePoint | null {
  const contrast = site.outside - site.inside
  if (!(contrast > 8)) return null
  const s = width / site.cos
  const half = reach(s)
  const out = Math.min(half, room(site.base, site.step, frame) + 1)
  const into = Math.min(half, room(site.base, -site.step, frame))
  if (out < 2 || into < 2) return null
  const { data } = frame
  const { inside, step: stride } = site
  const first = site.base - into * stride
  const perUnit = 1 / s
  const perLevel = 1 / contrast
  // what is missing from the field's level, counted in whole tool pixels: where a sharp step would lie
  let missing = 0
  for (let j = -into, i = first; j < out; j++, i += stride) missing += data[i]
  let offset = Math.max(-1.5, Math.min(1.5, (site.outside * (into + out) - missing) * perLevel - into)) // from the crack outwards, px
  let slopeSum = 0
  for (let step = 0; step < 6; step++) {
    let residual = 0
    slopeSum = 0
    for (let j = -into, i = first; j < out; j++, i += stride) {
      const k = entry((j + 0.5 - offset) * perUnit)
      const slope = DENSITY[k]
      residual += ((data[i] - inside) * perLevel - CUMULATIVE[k]) * slope
      slopeSum += slope * slope
    }
    const move = (-residual * s) / slopeSum
    offset += Math.max(-1.5, Math.min(1.5, move))
    if (Math.abs(move) < NEAR_PX) break
  }
  if (!(Math.abs(offset) < half)) return null
  const steep = site.crack.du === 0
  const sign = Math.sign(site.step)
  return {
    u: site.crack.u + (steep ? sign * offset : 0),
    v: site.crack.v + (steep ? 0 : sign * offset),
    nu: site.nu,
    nv: site.nv,
    sigma: ((noise * s) / contrast / Math.sqrt(slopeSum)) * site.cos,
    piece: site.piece,
  }
}

const TABLE_PER_UNIT = 1024
const TABLE_REACH = 6
const TABLE_SIZE = 2 * TABLE_REACH * TABLE_PER_UNIT + 1
const tableOf = (f: (t: number) => number) =>
  Float64Array.from({ length: TABLE_SIZE }, (_, i) => f(i / TABLE_PER_UNIT - TABLE_REACH))
const CUMULATIVE = tableOf(cumulativeNormal)
const DENSITY = tableOf(phi)

/** Index of the nearest entry of the tables: off by at most 1/2048 of the blur, and evenly to both sides. */
const entry = (t: number): number => {
  const i = ((t + TABLE_REACH) * TABLE_PER_UNIT + 0.5) | 0
  return i < 0 ? 0 : i >= TABLE_SIZE ? TABLE_SIZE - 1 : i
}

/** Cumulative standard normal and its density from the tables, to about 0.0002. */
export const cumulativeAt = (t: number): number => CUMULATIVE[entry(t)]
export const densityAt = (t: number): number => DENSITY[entry(t)]
