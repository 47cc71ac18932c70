/** Without a whole corner in view: what line or arc lies around the farthest places of the outline. */
import { fitCircle } from '../geometry'
import { median } from '../numeric'
import { lineX, lineZ, MOST_SIGMA_PX, STEEP_END } from './corner-values'
import { MODEL_SIGMA_PX, type Measured, type Values } from './measured'
import { longestSide, type OutlinePoint, type Side } from '../outline'

/** @param cut whether the tool touches the right and the top border: what lies there is no end of it */
export function extremes(
  points: readonly OutlinePoint[],
  pixel: number,
  cut: { readonly right: boolean; readonly top: boolean },
): Values {
  return {
    x: cut.right ? null : extreme(points, 'x', pixel, cut),
    z: cut.top ? null : extreme(points, 'z', pixel, cut),
    re: null,
    arcMm: 0,
  }
}

/** Outline points around the farthest place that are looked at, px. */
const AROUND_PX = 60
/** A side beside a cut is long, so that the beginning of an arc does not turn it, outline points. */
const LEAST_BESIDE_CUT = 40

/** The farthest place of a line or arc fitted around the farthest points; null where it may lie beyond a border that cuts the tool. */
function extreme(
  points: readonly OutlinePoint[],
  axis: 'x' | 'z',
  pixel: number,
  cut: { readonly right: boolean; readonly top: boolean },
): Measured | null {
  const facing = points.filter((p) => (axis === 'x' ? p.nx : p.nz) > 0.9)
  if (facing.length < 12) return null
  const model = MODEL_SIGMA_PX * pixel
  if (axis === 'x' ? cut.top : cut.right) {
    const side = longestSide(facing, -Math.PI, Math.PI, pixel)
    // with a border in the way, what bends or rises towards it may be anything
    return side && side.count >= LEAST_BESIDE_CUT && leanOf(side, axis) * (axis === 'x' ? 1 : -1) > -evenLimit(side)
      ? endOf(side, facing, axis, pixel)
      : null
  }
  const top = facing.reduce((a, b) => (b[axis] > a[axis] ? b : a))
  let near = facing.filter((p) => Math.hypot(p.x - top.x, p.z - top.z) < AROUND_PX * pixel)
  const side = longestSide(near, -Math.PI, Math.PI, pixel)
  if (side && side.count > 0.8 * near.length) return endOf(side, near, axis, pixel)
  const circle = fitCircle(near)
  if (!circle) return null
  near = near.filter((p) => Math.abs(Math.hypot(p.x - circle.centre.x, p.z - circle.centre.z) - circle.radius) < pixel)
  const again = fitCircle(near) ?? circle
  const c = again.covariance
  const k = axis === 'x' ? 0 : 1
  const variance = c[k][k] + c[2][2] + 2 * c[k][2]
  const sigma = Math.hypot(1.5 * Math.sqrt(Math.max(0, variance)), model)
  return sigma < MOST_SIGMA_PX * pixel ? { value: again.centre[axis] + again.radius, sigma } : null
}

/** How far a side turns from upright (x) or level (z): above 0 it falls away upwards, or rises to the right. */
const leanOf = (side: Side, axis: 'x' | 'z') => (axis === 'x' ? side.angle : side.angle - Math.PI / 2)
const evenLimit = (side: Side) => Math.max(3 * side.sigmaAngle, 2e-4)

/** The farthest place of a side that is seen. */
export function endOf(side: Side, points: readonly OutlinePoint[], axis: 'x' | 'z', pixel: number): Measured | null {
  const other = axis === 'x' ? 'z' : 'x'
  const lean = leanOf(side, axis)
  if (axis === 'z' && lean < -STEEP_END) return null
  const used = points
    .filter((p) => Math.abs(side.normal.x * p.x + side.normal.z * p.z - side.offset) < pixel)
    .map((p) => p[other])
  const rising = axis === 'x' ? lean < 0 : lean > 0
  const even = Math.abs(lean) < evenLimit(side) || used.length < 8
  const level = even ? median(used) : rising ? Math.max(...used) : Math.min(...used)
  const value = axis === 'x' ? lineX(side.angle, side.offset, level) : lineZ(side.angle, side.offset, level)
  const middle = used.reduce((s, p) => s + p, 0) / used.length
  const spread = Math.abs(level - middle) * side.sigmaAngle
  return { value, sigma: Math.hypot(1.5 * side.sigmaOffset, spread, MODEL_SIGMA_PX * pixel) }
}
