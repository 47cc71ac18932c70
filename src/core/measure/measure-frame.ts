/** One picture measured: largest radius, greatest height, corner or ball radius, and what does not belong there. */
import { fitCircle, intersect, type Point } from '../geometry'
import { findEdges, findOutline, readLight, type Frame, type LightError, type Outline } from '../imaging'
import { median } from '../numeric'
import { fail, ok, radToDeg, type Result } from '../units'
import { findBumps, type Debris } from './debris'
import { ballStart, cornerStart, fitShape, straightest, type ShapeFit } from './fit-shape'
import { ARC, centreOf, FACE, FLANK, meetAngle, parametersOf, shapeOf, type Shape } from './shape'
import { outlinePoint, pixelMm, pixelToMm, type OutlinePoint, type View } from './view'

/** A value in mm with one standard deviation. */
export interface Measured {
  readonly value: number
  readonly sigma: number
}

export type FrameWarning =
  | { readonly code: 'DEBRIS'; readonly high: number }
  | { readonly code: 'NOTCH'; readonly deep: number }
  | { readonly code: 'CUT_OFF_RIGHT' }
  | { readonly code: 'CUT_OFF_TOP' }
  | { readonly code: 'NO_CORNER_ARC' }
  | { readonly code: 'NO_FLANK' }
  | { readonly code: 'NO_POINT' }
  | { readonly code: 'NO_END' }

export interface FrameMeasurement {
  readonly x: Measured | null
  readonly z: Measured | null
  readonly re: Measured | null
  /** Point angle in degrees, twice the edge's angle to the axis, where the end is a point of two straight lips. */
  readonly sig: Measured | null
  /** Sharpness, 0…1: 1 at a blur of 0.7 px and less, falling as the edge widens. */
  readonly focus: number
  readonly blurPx: number
  readonly debris: readonly Debris[]
  readonly warnings: readonly FrameWarning[]
  /** Length of the arc that carries `re`, mm; 0 without one. */
  readonly arcMm: number
  /** The found outline, mm, in order. */
  readonly outline: readonly Point[]
}

/** Part of each standard deviation that the model itself leaves open, px: formats ask at least 0.005. */
const MODEL_SIGMA_PX = 0.005
/** Least height of a bump or depth of a notch that is told, px. */
const LEAST_BUMP_PX = 0.45
/** Least arc that carries a radius, px. */
export const LEAST_ARC_PX = 15

/**
 * @param frame the picture, at least 16×16
 * @param view where it was taken
 * @param wantRadius whether a corner radius is looked for (its absence is then warned of)
 * @errors NO_EDGE, TOO_DARK, BURNT_OUT when nothing can be measured in this picture
 */
export function measureFrame(frame: Frame, view: View, wantRadius: boolean): Result<FrameMeasurement, LightError> {
  const light = readLight(frame)
  if (!light.ok) return light
  const outline = findOutline(frame, light.value)
  if (!outline || outline.pieces.length === 0) return fail({ code: 'NO_EDGE' })
  const edges = findEdges(frame, light.value, outline)
  if (edges.points.length < 12) return fail({ code: 'NO_EDGE' })
  const pixel = pixelMm(view)
  const points = edges.points.map((p) => outlinePoint(about(view), p))
  const fit = bestFit(points, pixel, edges.blurPx * pixel, outline)
  const values = fit ? valuesOf(fit, pixel, edges.blurPx) : extremes(points, pixel)
  const x = outline.touches.right ? null : shift(values.x, view.centreX)
  const z = outline.touches.top ? null : shift(values.z, view.centreZ)
  const limit = Math.max(6 * median(points.map((p) => p.sigmaMm)), LEAST_BUMP_PX * pixel)
  const islands = outline.islands.map(({ centre, area }) => ({
    ...pixelToMm(about(view), centre),
    area: area * pixel * pixel,
    high: Math.sqrt(area) * pixel,
  }))
  const debris = [...(fit ? findBumps(fit.points, fit.out, limit) : []), ...islands]
  const notches = fit
    ? findBumps(
        fit.points,
        fit.out.map((e) => -e),
        limit,
      )
    : []
  return ok({
    x,
    z,
    re: values.re,
    sig: values.sig,
    arcMm: values.arcMm,
    focus: Math.round(1000 * Math.exp(-((Math.max(0, edges.blurPx - 0.7) / 3) ** 2))) / 1000,
    blurPx: edges.blurPx,
    debris: debris.map((d) => ({ ...d, x: d.x + view.centreX, z: d.z + view.centreZ })),
    warnings: [
      ...debris.map(({ high }) => ({ code: 'DEBRIS', high }) as const),
      ...notches.map(({ high }) => ({ code: 'NOTCH', deep: high }) as const),
      ...(outline.touches.right ? [{ code: 'CUT_OFF_RIGHT' } as const] : x ? [] : [{ code: 'NO_FLANK' } as const]),
      ...(outline.touches.top ? [{ code: 'CUT_OFF_TOP' } as const] : z ? [] : [{ code: 'NO_END' } as const]),
      ...(wantRadius && !values.re ? [{ code: 'NO_CORNER_ARC' } as const] : []),
    ],
    outline: points.map((p) => ({ x: p.x + view.centreX, z: p.z + view.centreZ })),
  })
}

/** The same view counted from the middle of its picture: angles and offsets part well there. */
const about = (view: View): View => ({ ...view, centreX: 0, centreZ: 0 })

const shift = (m: Measured | null, by: number): Measured | null => m && { ...m, value: m.value + by }

/** Only what lies in front of the shape's own parts can be debris: not the far side of a ball. */
function inReach(p: Point, shape: Shape): boolean {
  if (shape.face) return true
  const centre = centreOf(shape)
  const angle = Math.atan2(p.z - centre.z, p.x - centre.x)
  return angle < 2.3 && angle > -2
}

interface Fitted extends ShapeFit {
  readonly points: readonly OutlinePoint[]
}

function bestFit(points: readonly OutlinePoint[], pixel: number, blurMm: number, outline: Outline): Fitted | null {
  if (outline.touches.right || outline.touches.top) return null
  const flank = straightest(points, -0.45, 0.45, pixel)
  const face = straightest(points, 0.6, 2.2, pixel)
  if (pointOf(points, pixel)) return null
  const corner = flank && face ? cornerStart(points, flank, face) : null
  let best: Fitted | null = null
  for (const start of [corner, ballStart(points)]) {
    if (!start || (best && best.misfit < 0.05)) continue
    const used = points.filter((p) => inReach(p, start))
    const fit = fitShape(used, start, pixel, blurMm)
    if (fit && plausible(fit.shape) && (!best || fit.misfit < 0.8 * best.misfit)) best = { ...fit, points: used }
  }
  return best && best.misfit < 0.5 ? best : null
}

function plausible(shape: Shape): boolean {
  if (!parametersOf(shape).every(Number.isFinite) || Math.abs(shape.flankAngle) > 0.8) return false
  const opening = shape.face ? shape.face.angle - shape.flankAngle : Math.PI / 2
  return opening > 0.1 && opening < 2.8
}

type Values = Pick<FrameMeasurement, 'x' | 'z' | 're' | 'sig' | 'arcMm'>

function valuesOf(fit: Fitted, pixel: number, blurPx: number): Values {
  const on = (part: number) => fit.points.filter((_, i) => fit.parts[i] === part && fit.weights[i] > 0)
  const flank = on(FLANK).map((p) => p.z)
  const face = on(FACE).map((p) => p.x)
  const p = parametersOf(fit.shape)
  const measured = (value: (shape: Shape) => number): Measured => {
    const base = value(fit.shape)
    const slopes = p.map((_, k) => (value(shapeOf(p.map((x, j) => (j === k ? x + 1e-6 : x)))) - base) / 1e-6)
    let variance = 0
    for (let a = 0; a < p.length; a++) for (let b = 0; b < p.length; b++) variance += slopes[a] * slopes[b] * fit.covariance[a][b]
    return { value: base, sigma: Math.hypot(Math.sqrt(Math.max(0, variance)), MODEL_SIGMA_PX * pixel) }
  }
  const upright = Math.abs(fit.shape.flankAngle) < Math.max(2 * Math.sqrt(fit.covariance[0][0]), 1e-4)
  const arcMm = arcLength(fit, on(ARC).length, pixel, blurPx)
  return {
    x: measured((s) => largestX(s, flank, upright)),
    z: measured((s) => greatestZ(s, face)),
    re: arcMm > 0 ? measured((s) => s.radius) : null,
    sig: null,
    arcMm,
  }
}

/** Where a line with this normal angle and offset stands at another coordinate. */
const lineX = (angle: number, offset: number, z: number) => (offset - Math.sin(angle) * z) / Math.cos(angle)
const lineZ = (angle: number, offset: number, x: number) => (offset - Math.cos(angle) * x) / Math.sin(angle)

/** @param flank heights of the points on the flank, mm */
function largestX(shape: Shape, flank: readonly number[], upright: boolean): number {
  const pole = centreOf(shape).x + shape.radius
  if (flank.length < 8) return pole
  if (upright) return lineX(shape.flankAngle, shape.flankOffset, median(flank))
  // leaning inwards below the corner, the arc's own pole is the farthest; leaning outwards, the lowest point seen
  return shape.flankAngle < 0 ? pole : lineX(shape.flankAngle, shape.flankOffset, Math.min(...flank))
}

/** @param face places of the points on the end face, mm from the middle of the picture */
function greatestZ(shape: Shape, face: readonly number[]): number {
  const centre = centreOf(shape)
  const pole = centre.z + shape.radius
  if (!shape.face || face.length < 8) return pole
  // an end that rises towards the axis: its highest point seen
  if (shape.face.angle < Math.PI / 2 - 1e-3) return lineZ(shape.face.angle, shape.face.offset, Math.min(...face))
  const meet = meetAngle(shape)
  return meet >= Math.PI / 2 ? pole : centre.z + shape.radius * Math.sin(meet)
}

/** Length of the arc that is seen, mm; 0 when it is too short, has too few points, or is only blur. */
function arcLength(fit: Fitted, points: number, pixel: number, blurPx: number): number {
  const opening = (fit.shape.face ? meetAngle(fit.shape) : Math.PI / 2) - fit.shape.flankAngle
  const length = fit.shape.radius * opening
  const radiusPx = fit.shape.radius / pixel
  if (radiusPx < LEAST_ARC_PX - 0.5 || radiusPx < 4 * blurPx) return 0
  // about one point a row or column: at least half of them must count
  return points > 0.4 * (length / pixel) ? length : 0
}

/** Without a whole corner in view: what line or arc lies around the farthest points. */
function extremes(points: readonly OutlinePoint[], pixel: number): Values {
  const model = MODEL_SIGMA_PX * pixel
  const widen = (m: Measured | null) => m && { ...m, sigma: Math.hypot(m.sigma, model) }
  const point = pointOf(points, pixel)
  return {
    x: widen(extreme(points, 'x', pixel)),
    z: widen(point?.z ?? extreme(points, 'z', pixel)),
    re: null,
    sig: point?.sig ?? null,
    arcMm: 0,
  }
}

/** A drill's point: where its two straight lips would cross, and the angle of the lip on the side away from the axis. */
function pointOf(points: readonly OutlinePoint[], pixel: number): { z: Measured; sig: Measured } | null {
  const right = straightest(points, 0.3, Math.PI / 2 - 0.1, pixel)
  const left = straightest(points, Math.PI / 2 + 0.1, Math.PI - 0.3, pixel)
  const tip = right && left && right.count > 30 && left.count > 30 ? intersect(right, left) : null
  if (!tip || !right || !left) return null
  const sd = 1.5 * median(points.map((p) => p.sigmaMm))
  const angleSd = (sd / pixel) * Math.sqrt(12 / right.count ** 3)
  return {
    z: { value: tip.z, sigma: sd * Math.sqrt(3 / right.count + 3 / left.count) },
    sig: { value: radToDeg(2 * right.angle), sigma: radToDeg(2 * angleSd) },
  }
}

/** The farthest place of a line or arc fitted around the farthest points. */
function extreme(points: readonly OutlinePoint[], axis: 'x' | 'z', pixel: number): Measured | null {
  const facing = points.filter((p) => (axis === 'x' ? p.nx : p.nz) > 0.9)
  if (facing.length < 12) return null
  const top = facing.reduce((a, b) => (b[axis] > a[axis] ? b : a))
  let near = facing.filter((p) => Math.hypot(p.x - top.x, p.z - top.z) < 60 * pixel)
  const line = straightest(near, -Math.PI, Math.PI, pixel)
  if (line && line.count > 0.8 * near.length) {
    const used = near.filter((p) => Math.abs(line.normal.x * p.x + line.normal.z * p.z - line.offset) < pixel)
    const level = median(used.map((p) => p[axis === 'x' ? 'z' : 'x']))
    const value = axis === 'x' ? lineX(line.angle, line.offset, level) : lineZ(line.angle, line.offset, level)
    return { value, sigma: (1.5 * median(used.map((p) => p.sigmaMm))) / Math.sqrt(used.length) }
  }
  const circle = fitCircle(near)
  if (!circle) return null
  near = near.filter((p) => Math.abs(Math.hypot(p.x - circle.centre.x, p.z - circle.centre.z) - circle.radius) < pixel)
  const again = fitCircle(near) ?? circle
  const c = again.covariance
  const k = axis === 'x' ? 0 : 1
  return { value: again.centre[axis] + again.radius, sigma: Math.sqrt(Math.max(0, c[k][k] + c[2][2] + 2 * c[k][2])) }
}
