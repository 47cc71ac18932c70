/**
 * The outermost outline over a turn. In one picture of a helical edge only what lies in the plane of the light stands as
 * far out as the edge does; below it the shadow falls back. So the outlines of several turns are laid over each other,
 * and along every ray from a place inside the tool the farthest point is taken from the curve through the highest ones.
 */
import { fitParabola, median } from '../numeric'
import type { Traced } from './read-outline'
import type { OutlinePoint, View } from './view'

/** One picture's outline, and the turn of the spindle it was taken at. */
export interface Turned {
  readonly spindleDeg: number
  readonly traced: Traced
}

/** Neighbouring points of an outline farther apart than this leave a gap, px. */
const GAP_PX = 4
/** Pictures whose outline stands this far inside of the farthest say nothing of the curve at its top, px. */
const DROP_PX = 6
/** Scatter of the same place in several pictures, in standard deviations. */
const SAME = 4
/** Neighbours on each side that give a point its direction. */
const SECANT = 5

export interface Envelope {
  readonly traced: Traced
  /** Whether the turns stand so close that nearly every place has its curve. */
  readonly close: boolean
}
/** Share of the places that have one. */
const CLOSE_SHARE = 0.9

interface Ray {
  /** Distances from the centre in each turn that has one there, with their standard deviations, mm. */
  readonly deg: number[]
  readonly far: number[]
  readonly sigma: number[]
}

/**
 * @param turns at least three turns from one carriage place
 * @param view of any of them
 * @returns null when too little of an outline is common to them
 */
export function envelope(turns: readonly Turned[], view: View): Envelope | null {
  const ordered = [...turns].sort((a, b) => a.spindleDeg - b.spindleDeg)
  const { pixel } = ordered[0].traced
  // the tool always leaves the picture at the left and at the bottom: their corner is inside of it
  const inside = { x: (-view.width / 2) * view.mmPerPixel.x, z: (-view.height / 2) * view.mmPerPixel.z }
  const step = pixel / Math.hypot(view.width * view.mmPerPixel.x, view.height * view.mmPerPixel.z)
  const count = Math.floor(Math.PI / 2 / step)
  const rays: Ray[] = Array.from({ length: count }, () => ({ deg: [], far: [], sigma: [] }))
  for (const { spindleDeg, traced } of ordered) castInto(rays, step, spindleDeg, traced.points, inside, pixel)
  const touches = joined(ordered.map((t) => t.traced.touches))
  // where a border cuts the tool, a picture without a point on a ray may have it outside
  const cut = touches.top || touches.right
  const tops = rays.map((ray) => (cut && ray.deg.length < ordered.length ? null : topOf(ray, pixel)))
  const place = (k: number, far: number) => {
    const angle = (k + 0.5) * step
    return { x: inside.x + far * Math.cos(angle), z: inside.z + far * Math.sin(angle) }
  }
  const heights = tops.map((top, k) => (top ? place(k, top.far).z : -Infinity))
  const highest = Math.max(...heights)
  const pole = heights.findIndex((z) => z > highest - POLE_PX * pixel)
  const poleDeg = turnOf(tops, pole)
  const points: OutlinePoint[] = []
  let piece = 0
  let sure = 0
  for (let k = count - 1; k >= 0; k--) {
    // beyond its highest place an end keeps the form it has in the light's plane: turned away, that place sweeps over it
    const top = k > pole && poleDeg !== null ? nearTurn(rays[k], poleDeg) : tops[k]
    if (!top) continue
    const p = place(k, top.far)
    const last = points[points.length - 1]
    if (last && Math.hypot(p.x - last.x, p.z - last.z) > GAP_PX * pixel) piece++
    if (top.sure) sure++
    points.push({ ...p, nx: 0, nz: 0, sigmaMm: top.sigma, piece })
  }
  if (points.length < 4 * SECANT) return null
  const traced = {
    points: points.map((p, i) => ({ ...p, ...normalAt(points, i) })),
    touches: { ...touches, right: touches.right || opens(points, inside.z, pixel) },
    islands: ordered.flatMap((t) => t.traced.islands),
    blurPx: Math.min(...ordered.map((t) => t.traced.blurPx)),
    pixel,
    grey: { ...nearestTurn(ordered, poleDeg).traced.grey, turned: true },
  }
  return { traced, close: sure > CLOSE_SHARE * points.length }
}

/** The picture taken nearest to a turn; the middle one where no turn is known. */
function nearestTurn(ordered: readonly Turned[], deg: number | null): Turned {
  const at = deg ?? ordered[ordered.length >> 1].spindleDeg
  return ordered.reduce((a, b) => (Math.abs(b.spindleDeg - at) < Math.abs(a.spindleDeg - at) ? b : a))
}

const joined = (all: readonly Traced['touches'][]): Traced['touches'] => ({
  left: all.some((t) => t.left),
  right: all.some((t) => t.right),
  top: all.some((t) => t.top),
  bottom: all.some((t) => t.bottom),
})

/** Where the outline ends short of the flank it still runs outwards: how far it would reach is not known. */
function opens(points: readonly OutlinePoint[], bottom: number, pixel: number): boolean {
  const last = points[points.length - 1]
  if (last.z < bottom + END_PX * pixel) return false
  const end = points.filter((p) => Math.hypot(p.x - last.x, p.z - last.z) < END_PX * pixel)
  const first = end[0]
  return last.x - first.x > OPEN_SLOPE * Math.abs(last.z - first.z)
}
/** What is looked at of an end, and how far it may lean outwards. */
const END_PX = 40
const OPEN_SLOPE = 0.04

/** Adds where one outline crosses each ray, between neighbouring points. */
function castInto(
  rays: readonly Ray[],
  step: number,
  spindleDeg: number,
  points: readonly OutlinePoint[],
  inside: { readonly x: number; readonly z: number },
  pixel: number,
): void {
  const polar = points
    .map((p) => {
      const x = p.x - inside.x
      const z = p.z - inside.z
      return { angle: Math.atan2(z, x), far: Math.hypot(x, z), sigma: p.sigmaMm }
    })
    .sort((a, b) => a.angle - b.angle)
  for (let i = 1; i < polar.length; i++) {
    const [a, b] = [polar[i - 1], polar[i]]
    const wide = Math.hypot((b.angle - a.angle) * a.far, b.far - a.far)
    if (wide > GAP_PX * pixel || b.angle === a.angle) continue
    for (let k = Math.ceil(a.angle / step - 0.5); (k + 0.5) * step < b.angle; k++) {
      if (k < 0 || k >= rays.length) continue
      const t = ((k + 0.5) * step - a.angle) / (b.angle - a.angle)
      const ray = rays[k]
      if (ray.deg[ray.deg.length - 1] === spindleDeg) continue
      ray.deg.push(spindleDeg)
      ray.far.push(a.far + t * (b.far - a.far))
      ray.sigma.push(Math.max(a.sigma, b.sigma))
    }
  }
}

/** An end's highest place is the outermost one that is about as high, px. */
const POLE_PX = 0.4

interface Top {
  readonly far: number
  readonly sigma: number
  /** The turn at which the ray reaches farthest; null where it is all the same. */
  readonly deg: number | null
  /** Whether a curve through three turns or more gave it: only then is it no matter where exactly the turns were taken. */
  readonly sure: boolean
}

/** The turn at which the edge's highest place stands in the light's plane, from the rays just outside of it. */
function turnOf(tops: readonly (Top | null)[], pole: number): number | null {
  const known = tops
    .slice(0, Math.max(0, pole))
    .reverse()
    .flatMap((top) => (top && top.deg !== null ? [top.deg] : []))
  return known.length < 3 ? null : median(known.slice(0, NEAR_POLE))
}
const NEAR_POLE = 15

/** Where a ray reaches at about one turn. */
function nearTurn({ deg, far, sigma }: Ray, at: number): Top | null {
  const least = Math.min(...deg.map((d) => Math.abs(d - at)))
  const near = deg.flatMap((d, i) => (Math.abs(d - at) <= Math.max(least, NEAR_DEG) ? [i] : []))
  if (!near.length) return null
  const mean = near.reduce((sum, i) => sum + far[i], 0) / near.length
  return { far: mean, sigma: median(near.map((i) => sigma[i])) / Math.sqrt(near.length), deg: at, sure: true }
}
const NEAR_DEG = 2.2

/** The top of the curve of distances over the turn; null where it may lie outside of the turns that were taken. */
function topOf({ deg, far, sigma }: Ray, pixel: number): Top | null {
  if (far.length < 3) return null
  let most = 0
  for (let i = 1; i < far.length; i++) if (far[i] > far[most]) most = i
  let from = most
  let to = most
  while (from > 0 && far[most] - far[from - 1] < DROP_PX * pixel) from--
  while (to + 1 < far.length && far[most] - far[to + 1] < DROP_PX * pixel) to++
  const n = to - from + 1
  const noise = median(sigma.slice(from, to + 1))
  const near = far.slice(from, to + 1)
  const mean = near.reduce((a, b) => a + b, 0) / n
  if (n === far.length && far[most] - Math.min(...near) < SAME * noise + SAME_PX * pixel)
    return { far: mean, sigma: noise / Math.sqrt(n), deg: null, sure: true }
  if (n >= 3) {
    const curve = vertexOf(deg.slice(from, to + 1), near, MOST_MISFIT * noise + MISFIT_PX * pixel)
    if (curve) return { ...curve, sigma: (noise * CURVE_NOISE) / Math.sqrt(n), sure: true }
  }
  return most === 0 || most === far.length - 1 ? null : { far: far[most], sigma: noise, deg: deg[most], sure: false }
}
/** A parabola's top is less sure than a mean of as many. */
const CURVE_NOISE = 1.8
const SAME_PX = 0.03
/** A curve that misses a point by more than this is none: a sharp corner swept past. */
const MOST_MISFIT = 3
const MISFIT_PX = 0.1

/** The top of a curve that goes through all of its points, within what may be missed, and lies among them. */
function vertexOf(deg: readonly number[], far: readonly number[], most: number): Pick<Top, 'far' | 'deg'> | null {
  const curve = fitParabola(deg, far)
  if (!curve?.top || curve.top.t < deg[0] || curve.top.t > deg[deg.length - 1]) return null
  const misses = deg.some((d, i) => Math.abs(curve.at(d) - far[i]) > most)
  return misses ? null : { far: curve.top.value, deg: curve.top.t }
}

/** Outward direction from the neighbours on both sides; the outline runs from the left over the top to the right. */
function normalAt(points: readonly OutlinePoint[], i: number): { nx: number; nz: number } {
  const { piece } = points[i]
  let a = i
  let b = i
  while (a > 0 && i - a < SECANT && points[a - 1].piece === piece) a--
  while (b + 1 < points.length && b - i < SECANT && points[b + 1].piece === piece) b++
  const dx = points[b].x - points[a].x
  const dz = points[b].z - points[a].z
  const d = Math.hypot(dx, dz) || 1
  return { nx: -dz / d, nz: dx / d }
}
