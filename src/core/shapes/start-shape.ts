/** Shapes to start a fit from, found so that a chip on the arc does not choose the radius. */
import { direction, fitCircle, fitCircleTaubin, type Circle, type Point } from '../geometry'
import { tangentShape, type Shape } from './shape'
import type { OutlinePoint, Side } from '../outline'

interface Straight {
  readonly angle: number
  readonly offset: number
}

/** Radii within this share of each other vote for the same circle. */
const VOTE_WIDTH = 0.08
/** A point must stand off the nearer line by this share of its distance to the farther one to say anything of the radius. */
const CLEAR_SHARE = 0.03

/** A corner between two sides with the radius that most points of the outline speak for; null when the sides hardly meet. */
export function cornerStart(points: readonly Point[], flank: Straight, face: Straight, near: number): Shape | null {
  const opening = face.angle - flank.angle
  if (opening < 0.15 || opening > 2.6) return null
  const f = direction(flank.angle)
  const e = direction(face.angle)
  const det = f.x * e.z - f.z * e.x
  const tip = { x: (flank.offset * e.z - face.offset * f.z) / det, z: (f.x * face.offset - e.x * flank.offset) / det }
  // the centre of a circle tangent to both lines lies at tip + radius·k
  const k = { x: (f.z - e.z) / det, z: (e.x - f.x) / det }
  const kk = k.x * k.x + k.z * k.z
  const votes: number[] = []
  for (const p of points) {
    const q = { x: p.x - tip.x, z: p.z - tip.z }
    const toFlank = -(f.x * q.x + f.z * q.z)
    const toFace = -(e.x * q.x + e.z * q.z)
    // noise beside a line would vote for a huge radius
    if (Math.min(toFlank, toFace) < Math.max(near, CLEAR_SHARE * Math.max(toFlank, toFace))) continue
    const kq = k.x * q.x + k.z * q.z
    const inner = kq * kq - (kk - 1) * (q.x * q.x + q.z * q.z)
    if (inner < 0 || kq <= 0) continue
    const radius = (kq + Math.sqrt(inner)) / (kk - 1)
    if (Math.max(toFlank, toFace) < radius + 4 * near) votes.push(radius)
  }
  const radius = mode(votes)
  return tangentShape([flank.angle, flank.offset, 0, radius, face.angle, face.offset])
}

/** Where most values lie close together; 0 without any. */
function mode(values: number[]): number {
  values.sort((a, b) => a - b)
  let best = 0
  let at = 0
  for (let i = 0, j = 0; i < values.length; i++) {
    while (values[i] > values[j] * (1 + VOTE_WIDTH) + 1e-9) j++
    if (i - j > best) {
      best = i - j
      at = values[(i + j) >> 1]
    }
  }
  return at
}

/** Parts that the points on a ball are cut into; circles through any two neighbours of them propose. */
const BALL_PARTS = 6

/** A ball through the points that look up and outwards; null when they are no arc. */
export function ballStart(points: readonly OutlinePoint[], pixel: number): Shape | null {
  const arc = points.filter(({ nx, nz }) => {
    const angle = Math.atan2(nz, nx)
    return angle > 0.15 && angle < 2.2
  })
  if (arc.length < 20) return null
  const size = Math.floor(arc.length / BALL_PARTS)
  const count = (c: Circle) =>
    arc.reduce((n, p) => (Math.abs(Math.hypot(p.x - c.centre.x, p.z - c.centre.z) - c.radius) < pixel ? n + 1 : n), 0)
  let best = fitCircle(arc) as Circle | null
  let most = best ? count(best) : 0
  for (let a = 0; a < BALL_PARTS; a++) {
    for (let b = a + 1; b < BALL_PARTS; b++) {
      const circle = fitCircleTaubin([...arc.slice(a * size, (a + 1) * size), ...arc.slice(b * size, (b + 1) * size)])
      const n = circle ? count(circle) : 0
      if (n > most) {
        most = n
        best = circle
      }
    }
  }
  return (
    best && { flankAngle: 0, flankOffset: best.centre.x + best.radius, along: best.centre.z, radius: best.radius, face: null }
  )
}

/** Fewer points than this beside a line make no arc. */
const LEAST_ARC = 12

/** The circle that the outline turns into beyond one end of a straight side, and that is tangent to it. */
function arcBeside(points: readonly OutlinePoint[], side: Side, beyond: 'from' | 'to', pixel: number): Circle | null {
  const along = (p: Point) => side.normal.z * p.x - side.normal.x * p.z
  const arc = points.filter((p) => (beyond === 'from' ? along(p) < side.from + pixel : along(p) > side.to - pixel))
  const circle = arc.length < LEAST_ARC ? null : fitCircleTaubin(arc)
  // without a turn of at least 10° the radius is anything
  const turn = circle && Math.abs(arc[0].nx * arc[arc.length - 1].nz - arc[0].nz * arc[arc.length - 1].nx)
  return turn && turn > 0.17 ? circle : null
}

/** An end face and as much of the corner's arc as the right border leaves: the flank is out of sight. */
export function faceArcStart(points: readonly OutlinePoint[], face: Side, pixel: number): Shape | null {
  const circle = arcBeside(points, face, 'to', pixel)
  if (!circle) return null
  const { centre, radius } = circle
  return {
    flankAngle: 0,
    flankOffset: centre.x + radius,
    along: centre.z,
    radius,
    face: { angle: face.angle, offset: face.offset },
  }
}

/** A flank and as much of the arc above it as the top border leaves. */
export function flankArcStart(points: readonly OutlinePoint[], flank: Side, pixel: number): Shape | null {
  const circle = arcBeside(points, flank, 'from', pixel)
  if (!circle) return null
  const { centre, radius } = circle
  const along = -flank.normal.z * centre.x + flank.normal.x * centre.z
  return { flankAngle: flank.angle, flankOffset: flank.offset, along, radius, face: null }
}
