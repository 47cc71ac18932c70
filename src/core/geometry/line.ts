import type { Point } from './point'

/** All points with normal · p = offset; the normal has length 1. */
export interface Line {
  readonly normal: Point
  readonly offset: number
}

export interface LineFit {
  readonly line: Line
  readonly centroid: Point
  /** Direction along the line, radians from +X. */
  readonly angleRad: number
  /** Standard deviation of the angle (rad) and of the offset at the centroid, from the scatter of the points. */
  readonly sigmaAngle: number
  readonly sigmaOffset: number
}

/**
 * Total least squares: the line with the least sum of squared distances.
 * Errors checked against sd(angle) = s·√(12/(N(N²−1))) for equal steps, sd(offset) = s/√N.
 * @param weights relative weight of each point, all 1 when left out; points of weight 0 do not count
 * @returns null with fewer than two points that differ
 */
export function fitLine(points: readonly Point[], weights?: readonly number[]): LineFit | null {
  let sum = 0
  let x = 0
  let z = 0
  points.forEach((p, i) => {
    const w = weights?.[i] ?? 1
    sum += w
    x += w * p.x
    z += w * p.z
  })
  if (!(sum > 0)) return null
  const centroid = { x: x / sum, z: z / sum }
  let xx = 0
  let xz = 0
  let zz = 0
  points.forEach((p, i) => {
    const w = weights?.[i] ?? 1
    const dx = p.x - centroid.x
    const dz = p.z - centroid.z
    xx += w * dx * dx
    xz += w * dx * dz
    zz += w * dz * dz
  })
  if (!(xx + zz > 0)) return null
  const angleRad = 0.5 * Math.atan2(2 * xz, xx - zz)
  const normal = { x: -Math.sin(angleRad), z: Math.cos(angleRad) }
  const spread = (xx + zz) / 2 + Math.hypot((xx - zz) / 2, xz)
  let squares = 0
  points.forEach((p, i) => {
    squares += (weights?.[i] ?? 1) * (normal.x * (p.x - centroid.x) + normal.z * (p.z - centroid.z)) ** 2
  })
  const variance = squares / Math.max(1e-9, sum - 2)
  return {
    line: { normal, offset: normal.x * centroid.x + normal.z * centroid.z },
    centroid,
    angleRad,
    sigmaAngle: Math.sqrt(variance / spread),
    sigmaOffset: Math.sqrt(variance / sum),
  }
}

/** Where two lines cross, or null when they are parallel to within about 1e-12 rad. */
export function intersect(a: Line, b: Line): Point | null {
  const det = a.normal.x * b.normal.z - a.normal.z * b.normal.x
  if (Math.abs(det) < 1e-12) return null
  return {
    x: (a.offset * b.normal.z - b.offset * a.normal.z) / det,
    z: (a.normal.x * b.offset - b.normal.x * a.offset) / det,
  }
}
