/**
 * The shape an outline is fitted with: a flank on the side away from the axis, an arc that runs into it as a tangent,
 * and, but for a ball, an end face that meets the arc on the other side. The face need not be tangent to the arc:
 * ground ends often start with a kink as large as the dish, and tying them would move the height by r·(1 − cos dish).
 * Angles are those of outward normals, from +X towards +Z.
 */
import { direction, intersect, type Point } from '../geometry'

export interface Shape {
  readonly flankAngle: number
  /** Distance of the flank's line from the origin along its normal, mm. */
  readonly flankOffset: number
  /** Where along the flank's line the arc's centre stands, mm. */
  readonly along: number
  readonly radius: number
  readonly face: { readonly angle: number; readonly offset: number } | null
}

/** Parameters in the order flank angle, flank offset, along, radius, then face angle and face offset. */
export const parametersOf = (s: Shape): number[] => [
  s.flankAngle,
  s.flankOffset,
  s.along,
  s.radius,
  ...(s.face ? [s.face.angle, s.face.offset] : []),
]

export const shapeOf = (p: readonly number[]): Shape => ({
  flankAngle: p[0],
  flankOffset: p[1],
  along: p[2],
  radius: p[3],
  face: p.length > 4 ? { angle: p[4], offset: p[5] } : null,
})

/** The corner whose arc runs into both sides as a tangent; what `p` says of where its centre stands is not looked at. */
export function tangentShape(p: readonly number[]): Shape {
  const shape = shapeOf(p)
  const f = direction(shape.flankAngle)
  const tip = tipOf(shape, shape.face!)
  const along = -f.z * tip.x + f.x * tip.z - shape.radius * Math.tan((p[4] - p[0]) / 2)
  return { ...shape, along }
}

/** Where flank and end face would cross without the arc; NaN where they are parallel. */
export function tipOf(
  { flankAngle, flankOffset }: Pick<Shape, 'flankAngle' | 'flankOffset'>,
  face: NonNullable<Shape['face']>,
): Point {
  const flank = { normal: direction(flankAngle), offset: flankOffset }
  return intersect(flank, { normal: direction(face.angle), offset: face.offset }) ?? { x: NaN, z: NaN }
}

export function centreOf({ flankAngle, flankOffset, along, radius }: Shape): Point {
  const n = direction(flankAngle)
  return { x: n.x * (flankOffset - radius) - n.z * along, z: n.z * (flankOffset - radius) + n.x * along }
}

/** The direction from the centre in which arc and face meet (π for a ball): the face's normal where it is tangent. */
export function meetAngle(shape: Shape): number {
  if (!shape.face) return Math.PI
  const c = centreOf(shape)
  const n = direction(shape.face.angle)
  const depth = (shape.face.offset - n.x * c.x - n.z * c.z) / Math.max(1e-12, shape.radius)
  return depth >= 1 ? shape.face.angle : shape.face.angle - Math.acos(Math.max(depth, 0.9))
}

export const FLANK = 0
export const ARC = 1
export const FACE = 2

/**
 * How far inside a blurred arc's true outline its 50 % contour lies, mm: blur²/(2·radius), and 0.77·blur at a square
 * sharp corner, where the level of two crossed steps is half when each is at √½.
 */
export function inset(radiusMm: number, blurMm: number): number {
  if (blurMm <= 0) return 0
  const sharp = (SHARP_SHARE * blurMm) / (1 + (radiusMm / (2 * blurMm)) ** 2)
  return (blurMm * blurMm) / (2 * radiusMm + sharp)
}
const SHARP_SHARE = 1.3

/**
 * Everything about a shape that its points are measured with, as plain numbers: loops over points then see nothing but
 * typed arrays, which is what keeps them fast.
 */
export interface Gauge {
  /** Normals of flank and face, direction in which arc and face meet, centre. */
  readonly fx: number
  readonly fz: number
  readonly ex: number
  readonly ez: number
  readonly mx: number
  readonly mz: number
  readonly cx: number
  readonly cz: number
  readonly flankOffset: number
  readonly faceOffset: number
  readonly faced: boolean
  /** Radius of the arc as its blurred outline shows it, mm, and how that changes with the radius. */
  readonly seen: number
  readonly seenSlope: number
  /** How the centre moves when the flank turns, mm/rad. */
  readonly turnX: number
  readonly turnZ: number
}

/** @param blurMm blur of the picture, see `inset` */
export function gaugeOf(shape: Shape, blurMm: number): Gauge {
  const f = direction(shape.flankAngle)
  const m = direction(meetAngle(shape))
  const e = shape.face ? direction(shape.face.angle) : m
  const c = centreOf(shape)
  const reach = shape.flankOffset - shape.radius
  const step = 0.01 * blurMm
  const insetSlope = step > 0 ? (inset(shape.radius + step, blurMm) - inset(shape.radius, blurMm)) / step : 0
  return {
    fx: f.x,
    fz: f.z,
    ex: e.x,
    ez: e.z,
    mx: m.x,
    mz: m.z,
    cx: c.x,
    cz: c.z,
    flankOffset: shape.flankOffset,
    faceOffset: shape.face?.offset ?? 0,
    faced: shape.face !== null,
    seen: shape.radius - inset(shape.radius, blurMm),
    seenSlope: 1 - insetSlope,
    turnX: -f.z * reach - f.x * shape.along,
    turnZ: f.x * reach - f.z * shape.along,
  }
}

/**
 * Measures points against the shape.
 * @param out filled with the signed distance of each point outside of the shape, mm
 * @param part filled with FLANK, ARC or FACE
 * @param stride every so many points only
 */
export function measureAgainst(
  gauge: Gauge,
  xs: Float64Array,
  zs: Float64Array,
  out: Float64Array,
  part: Uint8Array,
  stride: number,
): void {
  const { fx, fz, ex, ez, mx, mz, cx, cz, flankOffset, faceOffset, faced, seen } = gauge
  for (let i = 0; i < xs.length; i += stride) {
    const x = xs[i]
    const z = zs[i]
    const dx = x - cx
    const dz = z - cz
    const aboveFlank = fx * dz - fz * dx > 0
    const pastArc = mx * dz - mz * dx > 0
    if (faced && pastArc && (aboveFlank || ex * dx + ez * dz > fx * dx + fz * dz)) {
      part[i] = FACE
      out[i] = ex * x + ez * z - faceOffset
    } else if (!aboveFlank) {
      part[i] = FLANK
      out[i] = fx * x + fz * z - flankOffset
    } else {
      part[i] = ARC
      out[i] = Math.sqrt(dx * dx + dz * dz) - seen
    }
  }
}
