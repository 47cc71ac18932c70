/**
 * The nose of a turning tool, whichever way it points: two sides with an arc between them that runs into both, or an arc between
 * parallel sides. Which of the axes' directions the arc looks into says where the imaginary tip is.
 */
import type { Point } from '../geometry'
import { median } from '../numeric'
import { findBumps, longestSide, nearLine, type Debris, type OutlinePoint, type Traced } from '../outline'
import { degToRad } from '../units'
import { TIP_TOWARDS, type TipOrientation } from '../tool'
import { MODEL_SIGMA_PX, type Measured } from './measured'
import { fitShape, type ShapeFit } from './fit-shape'
import { ARC, centreOf, meetAngle, parametersOf, shapeOf, type Shape } from './shape'
import { ballStart, cornerStart } from './start-shape'
import { LEAST_BUMP_PX, LEAST_BUMP_SIGMAS } from './thresholds'

export interface Nose {
  /** Where its tip points: 1–8. */
  readonly q: TipOrientation
  /** Imaginary tip, mm: tangents towards it; along an axis that it does not point along, the nose's centre. */
  readonly x: Measured
  readonly z: Measured
  readonly re: Measured
  readonly cx: Measured
  readonly cz: Measured
  /** Length of the arc that is seen, mm. */
  readonly arcMm: number
  readonly debris: readonly Debris[]
}

export type NoseWhy =
  /** The tool is nowhere seen to end. */
  | 'NO_TIP'
  /** No two sides with an arc between them. */
  | 'NO_ARC'
  /** A border cuts the nose. */
  | 'CUT_OFF'

type Found = { readonly ok: true; readonly nose: Nose } | { readonly ok: false; readonly why: NoseWhy }

/** A tip's normal is the mean of so many of its neighbours on either side. */
const TIP_POINTS = 12
/** Fewer points on the arc than this tell no radius. */
const LEAST_ARC_POINTS = 8
const LEAST_ARC_PX = 15
/** Sides may lie so far off an axis and still be tangents along it. */
const ALONG_AXIS = degToRad(3)
/** Neighbouring points share their blur and their light. */
const SHARED = 1.4
/** A misfit above this is no nose; it is looked at as far as so many radii and pixels from the nose's centre. */
const MOST_MISFIT = 0.25
const NOSE_RADII = 2.5
const NOSE_PX = 60

const AXES = [
  { angle: 0, x: 1, z: 0 },
  { angle: Math.PI / 2, x: 0, z: 1 },
  { angle: Math.PI, x: -1, z: 0 },
  { angle: -Math.PI / 2, x: 0, z: -1 },
] as const

/** @param traced counted from the middle of its picture, as its values are */
export function findNose(
  { points, pixel, blurPx, islands }: Traced,
  size: { readonly widthMm: number; readonly heightMm: number },
): Found {
  const piece = longestPiece(points)
  let why: NoseWhy = 'NO_TIP'
  for (const at of tipsAt(piece)) {
    const found = noseAt(piece, at, { pixel, blurPx, ...size })
    if (found.ok) return { ok: true, nose: { ...found.nose, debris: [...found.nose.debris, ...islands] } }
    if (why !== 'CUT_OFF') why = found.why
  }
  return { ok: false, why }
}

interface Look {
  readonly pixel: number
  readonly blurPx: number
  readonly widthMm: number
  readonly heightMm: number
}

function noseAt(piece: readonly OutlinePoint[], at: number, { pixel, blurPx, widthMm, heightMm }: Look): Found {
  const tip = piece[at]
  const margin = 3 * pixel
  if (Math.abs(tip.x) > widthMm / 2 - margin || Math.abs(tip.z) > heightMm / 2 - margin) return { ok: false, why: 'CUT_OFF' }
  const around = piece.slice(Math.max(0, at - TIP_POINTS), at + TIP_POINTS + 1)
  const towards = Math.atan2(
    around.reduce((sum, p) => sum + p.nz, 0),
    around.reduce((sum, p) => sum + p.nx, 0),
  )
  const reach = 0.75 * Math.min(widthMm, heightMm)
  const near = piece.filter((p) => Math.hypot(p.x - tip.x, p.z - tip.z) < reach)
  const fits = [between(near, towards, pixel, blurPx), rounded(near, towards, pixel, blurPx)].flatMap((fit) => fit ?? [])
  const judged = fits.map((fit) => ({ fit, misfit: misfitAt(fit, pixel) })).sort((a, b) => a.misfit - b.misfit)
  const best = judged.find(({ misfit }) => misfit < MOST_MISFIT)?.fit
  return best ? noseOf(best, pixel) : { ok: false, why: 'NO_ARC' }
}

/** What the shape leaves unexplained of the outline at the nose; what the holder does behind it is another matter. */
function misfitAt({ fit, points }: NoseFit, pixel: number): number {
  const centre = centreOf(fit.shape)
  const reach = Math.max(NOSE_RADII * fit.shape.radius, NOSE_PX * pixel)
  let count = 0
  let sum = 0
  points.forEach((p, i) => {
    if (Math.hypot(p.x - centre.x, p.z - centre.z) > reach) return
    count++
    sum += Math.min(1, (fit.out[i] / (0.5 * pixel)) ** 2)
  })
  return count ? sum / count : 1
}

/** Where the outline hangs together longest. */
function longestPiece(points: readonly OutlinePoint[]): readonly OutlinePoint[] {
  const counts = new Map<number, number>()
  for (const { piece } of points) counts.set(piece, (counts.get(piece) ?? 0) + 1)
  const [most] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [0]
  return points.filter(({ piece }) => piece === most)
}

/**
 * Where the tip may be: the place farthest from where the body leaves the picture on both sides, and the one farthest from the line
 * between those two. A holder's shoulder can be farther than one of them.
 */
function tipsAt(piece: readonly OutlinePoint[]): readonly number[] {
  if (piece.length < 4 * TIP_POINTS) return []
  const [first, last] = [piece[0], piece[piece.length - 1]]
  const middle = piece[piece.length >> 1]
  const across = { x: last.z - first.z, z: first.x - last.x }
  const side = across.x * (middle.x - first.x) + across.z * (middle.z - first.z) < 0 ? -1 : 1
  const fromEnds = (p: Point) => Math.hypot(p.x - first.x, p.z - first.z) + Math.hypot(p.x - last.x, p.z - last.z)
  const fromLine = (p: Point) => side * (across.x * p.x + across.z * p.z)
  const farthest = (far: (p: Point) => number) =>
    piece.reduce((best, p, i) => (far(p) > best.far ? { far: far(p), at: i } : best), { far: -Infinity, at: 0 }).at
  return [farthest(fromEnds), farthest(fromLine)].filter((at) => at >= TIP_POINTS && at < piece.length - TIP_POINTS)
}

interface NoseFit {
  readonly fit: ShapeFit
  /** The points that it was fitted to, turned by `by`. */
  readonly points: readonly OutlinePoint[]
  /** Turn from the picture into the frame of the fit, radians. */
  readonly by: number
}

const turned = (points: readonly OutlinePoint[], by: number): OutlinePoint[] => {
  const [c, s] = [Math.cos(by), Math.sin(by)]
  return points.map((p) => ({
    ...p,
    x: c * p.x - s * p.z,
    z: s * p.x + c * p.z,
    nx: c * p.nx - s * p.nz,
    nz: s * p.nx + c * p.nz,
  }))
}

/** Two sides with an arc between: turned so that the tip looks to 45°, a side on either hand. */
function between(near: readonly OutlinePoint[], towards: number, pixel: number, blurPx: number): NoseFit | null {
  const by = Math.PI / 4 - towards
  const points = turned(near, by)
  const close = nearLine(points, pixel)
  const flank = longestSide(points, Math.PI / 4 - 1.45, Math.PI / 4 - 0.15, pixel, close)
  const face = longestSide(points, Math.PI / 4 + 0.15, Math.PI / 4 + 1.45, pixel, close)
  const start = flank && face && cornerStart(points, flank, face, close)
  const fit = start && fitShape(points, start, pixel, blurPx * pixel)
  return fit ? { fit, points, by } : null
}

/** An arc over the whole end, between sides that are parallel or out of sight: turned so that it looks up. */
function rounded(near: readonly OutlinePoint[], towards: number, pixel: number, blurPx: number): NoseFit | null {
  const by = Math.PI / 2 - towards
  const all = turned(near, by)
  const start = ballStart(all, pixel)
  if (!start) return null
  const centre = centreOf(start)
  // the far side is the mirror image of this one: the arc is fitted to as much as lies before it
  const points = all.filter((p) =>
    p.z < centre.z ? p.x > centre.x : Math.atan2(p.z - centre.z, p.x - centre.x) < Math.PI - 0.05,
  )
  const fit = fitShape(points, start, pixel, blurPx * pixel)
  return fit ? { fit, points, by } : null
}

function noseOf({ fit, points, by }: NoseFit, pixel: number): Found {
  const { shape, covariance, parts, weights, out } = fit
  const meets = meetAngle(shape)
  const onArc = points.filter((_, i) => parts[i] === ARC && weights[i] > 0)
  const arcMm = shape.radius * (meets - shape.flankAngle)
  if (onArc.length < LEAST_ARC_POINTS || shape.radius < LEAST_ARC_PX * pixel * 0.95) return { ok: false, why: 'NO_ARC' }
  const q = orientation(shape.flankAngle - by, meets - by)
  const way = TIP_TOWARDS[q]
  const [c, s] = [Math.cos(by), Math.sin(by)]
  const back = (p: Point): Point => ({ x: c * p.x + s * p.z, z: -s * p.x + c * p.z })
  const p = parametersOf(shape)
  const measured = (value: (of: Shape) => number): Measured => {
    const base = value(shape)
    const slopes = p.map((_, k) => (value(shapeOf(p.map((v, j) => (j === k ? v + 1e-6 : v)))) - base) / 1e-6)
    let variance = 0
    for (let a = 0; a < p.length; a++) for (let b = 0; b < p.length; b++) variance += slopes[a] * slopes[b] * covariance[a][b]
    return { value: base, sigma: SHARED * Math.hypot(Math.sqrt(Math.max(0, variance)), MODEL_SIGMA_PX * pixel) }
  }
  const centre = (of: Shape) => back(centreOf(of))
  const limit = Math.max(LEAST_BUMP_SIGMAS * median(points.map((point) => point.sigmaMm)), LEAST_BUMP_PX * pixel)
  const debris = findBumps(points, out, limit)
  return {
    ok: true,
    nose: {
      q,
      x: measured((of) => centre(of).x + way.x * of.radius),
      z: measured((of) => centre(of).z + way.z * of.radius),
      re: measured((of) => of.radius),
      cx: measured((of) => centre(of).x),
      cz: measured((of) => centre(of).z),
      arcMm,
      debris: debris.map((d) => ({ ...d, ...back(d) })),
    },
  }
}

/** Which orientation an arc has whose normals go from one angle to another: those directions of the axes that it looks into. */
function orientation(from: number, to: number): TipOrientation {
  const middle = (from + to) / 2
  const half = (to - from) / 2 + ALONG_AXIS
  const off = (angle: number) => Math.abs(Math.atan2(Math.sin(angle - middle), Math.cos(angle - middle)))
  const into = AXES.filter(({ angle }) => off(angle) <= half).sort((a, b) => off(a.angle) - off(b.angle))
  // three of them are a round end, which points along the middle one; none is a blunt tip between two
  const counted =
    into.length === 2
      ? into
      : into.length > 2
        ? into.slice(0, 1)
        : [...AXES].sort((a, b) => off(a.angle) - off(b.angle)).slice(0, into.length || 2)
  const [x, z] = [counted.reduce((sum, axis) => sum + axis.x, 0), counted.reduce((sum, axis) => sum + axis.z, 0)]
  const found = Object.entries(TIP_TOWARDS).find(([, way]) => way.x === x && way.z === z)
  return Number(found?.[0] ?? 9) as TipOrientation
}
