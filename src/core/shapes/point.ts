/** The point of a drill or a countersink: two lips that meet in its tip, and the flank below. */
import { intersect, type Point } from '../geometry'
import { endOf } from './extremes'
import { MODEL_SIGMA_PX, type Values } from './measured'
import { longestSide, type OutlinePoint, type Side, sideOffsetSigma } from '../outline'

/** Lips shorter than this do not make a point, outline points. */
const LEAST_LIP = 30
/** How far the outline may stay below the place where its lips would cross (chisel edge, blur), as a share of a lip. */
const BLUNT = 0.15
const BLUNT_PX = 6
/** What stands this far over the tip, px, is a chip on it, or a pilot: the lips do not say how long the tool is. */
const OVER_PX = 3
/** A point's lips and flank are the outermost lines of the outline; this share of it may be chips. */
const OUTSIDE_SHARE = 0.3
const OUTSIDE_PX = 2
/** A flank shorter than this may be part of a chip, outline points. */
const LEAST_FLANK = 20

export interface ToolPoint {
  readonly right: Side
  readonly left: Side
  readonly tip: Point
  readonly flank: Side | null
  /** Signed distance of each point of the outline outside of lips and flank, mm. */
  readonly out: Float64Array
  /** Whether something stands over the tip. */
  readonly covered: boolean
}

/** @returns null where the outline is no point */
export function findPoint(points: readonly OutlinePoint[], pixel: number): ToolPoint | null {
  if (!fallsToAxis(points)) return null
  const right = longestSide(points, 0.2, Math.PI / 2 - 0.1, pixel)
  if (!right || right.count < LEAST_LIP) return null
  const left = longestSide(points, Math.PI / 2 + 0.1, Math.PI - 0.2, pixel)
  const tip = left && left.count >= LEAST_LIP ? intersect(right, left) : null
  if (!left || !tip) return null
  const side = longestSide(points, -0.2, 0.15, pixel)
  const flank = side && side.count >= LEAST_FLANK ? side : null
  const out = outside(points, flank ? [right, left, flank] : [right, left], pixel)
  if (out.filter((o) => o > OUTSIDE_PX * pixel).length > OUTSIDE_SHARE * points.length) return null
  const top = points.reduce((z, p) => Math.max(z, p.z), -Infinity)
  const short = tip.z - top
  if (short > Math.max(BLUNT_PX * pixel, BLUNT * Math.min(right.to - right.from, left.to - left.from))) return null
  return { right, left, tip, flank, out, covered: short < -OVER_PX * pixel }
}

/** A left lip falls away from the highest place towards the left end of the outline: seen at once, sides are not. */
function fallsToAxis(points: readonly OutlinePoint[]): boolean {
  const top = points.reduce((a, b) => (b.z > a.z ? b : a))
  const left = points.reduce((a, b) => (b.x < a.x ? b : a))
  return top.z - left.z > LEAST_LIP_SLOPE * (top.x - left.x)
}
const LEAST_LIP_SLOPE = 0.085

/** What runs out of the picture is a wider part of the tool and no bump: only what returns to the profile counts. */
function outside(points: readonly OutlinePoint[], sides: readonly Side[], pixel: number): Float64Array {
  const out = Float64Array.from(points, (p) => Math.max(...sides.map((s) => s.normal.x * p.x + s.normal.z * p.z - s.offset)))
  for (let i = 0; i < out.length && out[i] > pixel; i++) out[i] = 0
  for (let i = out.length - 1; i >= 0 && out[i] > pixel; i--) out[i] = 0
  return out
}

export function pointValues(
  points: readonly OutlinePoint[],
  { right, left, tip, flank, covered }: ToolPoint,
  pixel: number,
): Values {
  const at = (side: Side) => sideOffsetSigma(side, tip) / Math.max(0.1, Math.abs(side.normal.z))
  const sigma = Math.hypot(at(right), at(left), MODEL_SIGMA_PX * pixel)
  return { x: endOf(flank ?? right, points, 'x', pixel), z: covered ? null : { value: tip.z, sigma }, re: null, arcMm: 0 }
}
