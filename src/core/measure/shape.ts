/**
 * The shape an outline is fitted with: a flank on the side away from the axis, an arc that runs into it as a tangent,
 * and, but for a ball, an end face that meets the arc on the other side. The face need not be tangent to the arc:
 * ground ends often start with a kink as large as the dish, and tying them would move the height by r·(1 − cos dish).
 * Angles are those of outward normals, from +X towards +Z.
 */
import { direction, type Point } from '../geometry'

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
 * Measures points against the shape.
 * @param blurMm blur of the picture, see `inset`
 * @param stride every so many points only
 * @param out filled with the signed distance of each point outside of the shape, mm
 * @param part filled with FLANK, ARC or FACE
 */
export function gauge(
  shape: Shape,
  xs: Float64Array,
  zs: Float64Array,
  blurMm: number,
  out: Float64Array,
  part: Uint8Array,
  stride: number,
): void {
  const c = centreOf(shape)
  const f = direction(shape.flankAngle)
  const m = direction(meetAngle(shape))
  const e = shape.face ? direction(shape.face.angle) : m
  const seen = shape.radius - inset(shape.radius, blurMm)
  for (let i = 0; i < xs.length; i += stride) {
    const x = xs[i]
    const z = zs[i]
    const dx = x - c.x
    const dz = z - c.z
    const aboveFlank = f.x * dz - f.z * dx > 0
    const pastArc = m.x * dz - m.z * dx > 0
    if (shape.face && pastArc && (aboveFlank || e.x * dx + e.z * dz > f.x * dx + f.z * dz)) {
      part[i] = FACE
      out[i] = e.x * x + e.z * z - shape.face.offset
    } else if (!aboveFlank) {
      part[i] = FLANK
      out[i] = f.x * x + f.z * z - shape.flankOffset
    } else {
      part[i] = ARC
      out[i] = Math.sqrt(dx * dx + dz * dz) - seen
    }
  }
}

/**
 * Derivatives of a point's distance after the parameters of its part, written into `row`: 0–1 of a flank, 0–3 of an arc,
 * 4–5 of a face.
 * @param insetSlope derivative of `inset` after the radius
 */
export function slopesOf(shape: Shape, insetSlope: number): (x: number, z: number, part: number, row: Float64Array) => void {
  const f = direction(shape.flankAngle)
  const e = shape.face ? direction(shape.face.angle) : f
  const c = centreOf(shape)
  const reach = shape.flankOffset - shape.radius
  const turnX = -f.z * reach - f.x * shape.along
  const turnZ = f.x * reach - f.z * shape.along
  return (x, z, part, row) => {
    if (part === FLANK) {
      row[0] = -f.z * x + f.x * z
      row[1] = -1
    } else if (part === FACE) {
      row[4] = -e.z * x + e.x * z
      row[5] = -1
    } else {
      const dx = x - c.x
      const dz = z - c.z
      const d = Math.sqrt(dx * dx + dz * dz) || 1
      const ux = dx / d
      const uz = dz / d
      row[0] = -(ux * turnX + uz * turnZ)
      row[1] = -(ux * f.x + uz * f.z)
      row[2] = -(-ux * f.z + uz * f.x)
      row[3] = ux * f.x + uz * f.z - 1 + insetSlope
    }
  }
}
