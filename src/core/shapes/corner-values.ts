/** What a fitted corner says: largest radius, greatest height, corner radius, each with its standard deviation. */
import { direction } from '../geometry'
import { median } from '../numeric'
import type { ShapeFit } from './fit-shape'
import { type Measured, MODEL_SIGMA_PX, type Values } from './measured'
import { ARC, centreOf, FACE, FLANK, meetAngle, parametersOf, shapeOf, tangentShape, tipOf, type Shape } from './shape'
import type { OutlinePoint } from '../outline'

export interface Fitted extends ShapeFit {
  readonly points: readonly OutlinePoint[]
  /** Whether the radius was read from the picture's grey levels and the arc is a tangent of both sides. */
  readonly small?: boolean
}

/** Least arc that carries a radius, px. */
export const LEAST_ARC_PX = 15
/** Fewer points on the arc than this do not tell a radius from a sharp corner. */
const LEAST_ARC_POINTS = 5
const LEAST_SIDE_POINTS = 40
/** Neighbouring points share their blur and their light, which moves a radius more than a place: found by trial on drawn pictures. */
const RADIUS_FACTOR = 1.4
const RADIUS_SIGMA_PX = 0.03
const SHARED = 1.2
/** Part of the blur by which the height of a corner smaller than four blurs may be off. */
const SMALL_CORNER_SHARE = 0.025
/** Share of the arc's length that must be seen, in points. */
const LEAST_ARC_SHARE = 0.4
/** Corners up to this radius are read from the picture's grey levels: their outline is mostly blur, and a handful of points. */
export const smallPx = (blurPx: number): number => Math.max(SMALL_BLURS * blurPx, SMALL_PX)
const SMALL_BLURS = 4
const SMALL_PX = 6
/** A pole that is less sure than this is not told, px. */
export const MOST_SIGMA_PX = 0.5

/** @param cut whether the tool touches the right or the top border: a side must then be long to be none of the arc */
export function cornerValues(fit: Fitted, pixel: number, blurPx: number, cut: boolean): Values {
  const on = (part: number) => fit.points.filter((_, i) => fit.parts[i] === part && fit.weights[i] > 0)
  const flank = on(FLANK).map((p) => p.z)
  const face = on(FACE).map((p) => p.x)
  const p = parametersOf(fit.shape)
  const built = fit.small ? tangentShape : shapeOf
  const measured = (value: (shape: Shape) => number): Measured => {
    const base = value(fit.shape)
    const slopes = p.map((_, k) => (value(built(p.map((x, j) => (j === k ? x + 1e-6 : x)))) - base) / 1e-6)
    let variance = 0
    for (let a = 0; a < p.length; a++) for (let b = 0; b < p.length; b++) variance += slopes[a] * slopes[b] * fit.covariance[a][b]
    return { value: base, sigma: Math.hypot(SHARED * Math.sqrt(Math.max(0, variance)), model) }
  }
  const sure = (m: Measured) => (m.sigma < MOST_SIGMA_PX * pixel ? m : null)
  // a corner smaller than its blur is not quite an arc any more
  const small = !fit.small && fit.shape.radius < smallPx(blurPx) * pixel ? SMALL_CORNER_SHARE * blurPx : 0
  const model = Math.hypot(MODEL_SIGMA_PX, small, opening(fit.shape) < NARROW ? NARROW_SIGMA_PX : 0) * pixel
  const upright = Math.abs(fit.shape.flankAngle) < Math.max(2 * Math.sqrt(fit.covariance[0][0]), 1e-4)
  if (fit.small)
    return {
      x: measured((s) => largestX(s, flank, upright)),
      z: risesOut(fit.shape) ? null : measured((s) => greatestZ(s, face)),
      re: null,
      arcMm: 0,
    }
  const arc = on(ARC).length
  const arcMm = arcLength(fit, arc, pixel, blurPx)
  const hidden = arcHidden(fit, pixel, blurPx)
  if (arc < LEAST_ARC_POINTS && fit.shape.face) {
    const sharp = sharpValues(measured, upright, flank, blurPx * pixel)
    return { ...sharp, x: hidden && !upright ? null : sharp.x, z: hidden || risesOut(fit.shape) ? null : sharp.z }
  }
  const least = cut ? LEAST_SIDE_POINTS : LEAST_ARC_POINTS
  const joined = fit.shape.face ? flank.length >= least && face.length >= least : !cut && (flank.length >= least || wide(fit))
  const re = arcMm > 0 && joined ? measured((s) => s.radius) : null
  return {
    x: hidden && !upright ? null : sure(measured((s) => largestX(s, flank, upright))),
    z: hidden || risesOut(fit.shape) || poleCovered(fit, pixel) ? null : sure(measured((s) => greatestZ(s, face))),
    re: re && sureRadius(re, pixel),
    arcMm,
  }
}

/** A ball that is seen over its pole and far down carries its radius without any flank. */
function wide({ shape, points, parts, weights }: Fitted): boolean {
  const c = centreOf(shape)
  const angles = points.flatMap((p, i) => (parts[i] === ARC && weights[i] > 0 ? [Math.atan2(p.z - c.z, p.x - c.x)] : []))
  return Math.max(...angles) > Math.PI / 2 + OVER_POLE && Math.min(...angles) < Math.PI / 2 - WIDE
}
const OVER_POLE = 0.05
const WIDE = 0.9

/** Neighbouring points share their blur and their light: a little more than the fit says; null where a short arc leaves it open. */
function sureRadius({ value, sigma }: Measured, pixel: number): Measured | null {
  const whole = RADIUS_FACTOR * Math.hypot(sigma, RADIUS_SIGMA_PX * pixel)
  return whole < Math.max(MOST_SIGMA_PX * pixel, MOST_RADIUS_SHARE * value) ? { value, sigma: whole } : null
}
const MOST_RADIUS_SHARE = 0.03

/** What of a corner's rounding nobody can tell, as a share of the blur. */
const UNSEEN_SHARE = 0.5
/** What is assumed of it, as a share of the blur: half of what may be there. */
const MIDDLE_SHARE = 0.6

/** A corner too small to see: where flank and face would cross; how much of it is rounded off nobody can tell. */
function sharpValues(
  measured: (value: (shape: Shape) => number) => Measured,
  upright: boolean,
  flank: readonly number[],
  blurMm: number,
): Values {
  const rounded = MIDDLE_SHARE * blurMm
  const tip = (s: Shape) => tipOf(s, s.face!)
  const x = measured((s) =>
    upright || s.flankAngle > 0
      ? lineX(s.flankAngle, s.flankOffset, upright ? median(flank) : Math.min(...flank))
      : tip(s).x - rounded * Math.abs(Math.sin(s.flankAngle)),
  )
  const slope = (s: Shape) => Math.abs(Math.cos(s.face!.angle))
  const z = measured((s) => tip(s).z - rounded * slope(s))
  const open = measured(slope).value * UNSEEN_SHARE * blurMm
  return { x, z: { value: z.value, sigma: Math.hypot(z.sigma, open) }, re: null, arcMm: 0 }
}

/** An end that rises this steeply towards the axis runs on to a tip that is out of sight, radians. */
export const STEEP_END = 0.17
const risesOut = ({ face }: Shape) => face !== null && face.angle < Math.PI / 2 - STEEP_END

/** Where a line with this normal angle and offset stands at another coordinate. */
export const lineX = (angle: number, offset: number, z: number) => (offset - Math.sin(angle) * z) / Math.cos(angle)
export const lineZ = (angle: number, offset: number, x: number) => (offset - Math.cos(angle) * x) / Math.sin(angle)

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

/** Whether something covers so much of the corner that its pole cannot be told. */
function arcHidden({ shape, points, out, weights }: Fitted, pixel: number, blurPx: number): boolean {
  const c = centreOf(shape)
  const small = shape.radius < smallPx(blurPx) * pixel
  const reach = shape.radius + ((small ? 2 * smallPx(blurPx) : 2 * blurPx) + 4) * pixel
  const f = direction(shape.flankAngle)
  let seen = 0
  let covered = 0
  for (let i = 0; i < points.length; i++) {
    const dx = points[i].x - c.x
    const dz = points[i].z - c.z
    if (!small && (f.x * dz - f.z * dx < -2 * pixel || dx < -2 * pixel)) continue
    if (dx * dx + dz * dz > (reach + Math.abs(out[i])) ** 2) continue
    if (weights[i] > 0) seen++
    else if (Math.abs(out[i]) > pixel) covered++
  }
  // of a small corner whose radius could not be read for something beside it nothing is left
  if (small && (covered > 0 || seen === 0)) return true
  return covered >= LEAST_ARC_POINTS && covered > HIDDEN_SHARE * (seen + covered)
}
/** Share of the outline at a corner that may be covered before its pole is refused. */
const HIDDEN_SHARE = 0.5

/** Whether something stands over the highest place of a corner, and so wide that the outline seen next lies lower. */
function poleCovered({ shape, points, parts, weights, out }: Fitted, pixel: number): boolean {
  if (!shape.face) return false
  const c = centreOf(shape)
  const fall = Math.abs(Math.tan(shape.face.angle - Math.PI / 2))
  let least = Infinity
  let covered = false
  for (let i = 0; i < points.length; i++) {
    if (parts[i] === FLANK) continue
    const from = Math.abs(points[i].x - c.x)
    if (weights[i] > 0) least = Math.min(least, parts[i] === FACE ? from * fall : (from * from) / (2 * shape.radius))
    else if (out[i] > COVER_HIGH_PX * pixel && from < COVER_PX * pixel) covered = true
  }
  return covered && least > MOST_FALL_PX * pixel
}
const COVER_PX = 2
const COVER_HIGH_PX = 3
const MOST_FALL_PX = 0.1

/** The arc's angle, radians. */
const opening = (shape: Shape) => (shape.face ? meetAngle(shape) : Math.PI / 2) - shape.flankAngle
/** An arc shorter than this hides where exactly the sides run into it. */
const NARROW = 0.35
const NARROW_SIGMA_PX = 0.1

/** Length of the arc that is seen, mm; 0 when it is too short, has too few points, or is only blur. */
function arcLength(fit: Fitted, points: number, pixel: number, blurPx: number): number {
  const length = fit.shape.radius * opening(fit.shape)
  const radiusPx = fit.shape.radius / pixel
  if (radiusPx < LEAST_ARC_PX - 0.5 || radiusPx < SMALL_BLURS * blurPx) return 0
  // about one point a row or column
  return points > LEAST_ARC_SHARE * (length / pixel) ? length : 0
}
