/** What sticks out of the profile: a chip, a fibre, a drop. */
import type { Point } from '../geometry'
import type { OutlinePoint } from './view'

export interface Debris {
  /** Centre of its area, mm. */
  readonly x: number
  readonly z: number
  /** mm² */
  readonly area: number
  /** How far it stands out of the profile, mm. */
  readonly high: number
}

/** Shortest run of points, and how many may be missing inside one. */
const LEAST_RUN = 5
const GAP = 3

/**
 * Bumps: runs of neighbouring points farther outside of the fitted shape than noise explains.
 * @param out signed distance of each point outside of the shape, mm
 * @param limit least height that counts, mm
 */
export function findBumps(points: readonly OutlinePoint[], out: ArrayLike<number>, limit: number): Debris[] {
  const found: Debris[] = []
  let run: number[] = []
  const close = () => {
    const height = Math.max(...run.map((i) => out[i]))
    if (run.length >= LEAST_RUN && height > 1.5 * limit)
      found.push(
        bump(
          run.map((i) => points[i]),
          run.map((i) => out[i]),
        ),
      )
    run = []
  }
  points.forEach((p, i) => {
    if (run.length && (points[run[run.length - 1]].piece !== p.piece || i - run[run.length - 1] > GAP)) close()
    if (out[i] > limit) run.push(i)
  })
  if (run.length) close()
  return found
}

/** Area and centre of the polygon between a run and its foot points on the shape. */
function bump(run: readonly OutlinePoint[], out: readonly number[]): Debris {
  const first = foot(run[0], out[0])
  const last = foot(run[run.length - 1], out[out.length - 1])
  const polygon: Point[] = [first, ...run, last]
  let area = 0
  let x = 0
  let z = 0
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length]
    const cross = a.x * b.z - b.x * a.z
    area += cross / 2
    x += ((a.x + b.x) * cross) / 6
    z += ((a.z + b.z) * cross) / 6
  })
  const high = Math.max(...out)
  if (Math.abs(area) < 1e-12) return { x: run[0].x, z: run[0].z, area: 0, high }
  return { x: x / area, z: z / area, area: Math.abs(area), high }
}

const foot = (p: OutlinePoint, out: number): Point => ({ x: p.x - out * p.nx, z: p.z - out * p.nz })
