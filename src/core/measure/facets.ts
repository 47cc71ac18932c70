/** A chamfered corner: flank, chamfer and end, three straight sides one after the other. */
import { intersect, type Point } from '../geometry'
import { endOf } from './extremes'
import type { Values } from './measured'
import { longestSide, type Side } from './sides'
import type { OutlinePoint } from './view'

export interface Facets {
  readonly flank: Side
  readonly chamfer: Side
  readonly face: Side
  /** Where the chamfer meets flank and end. */
  readonly low: Point
  readonly high: Point
}

const UP = Math.PI / 2
/** A chamfer shorter than this is not told from a rounding, outline points. */
const LEAST_COUNT = 12
/** Share of its whole length that must be seen of a chamfer. */
const LEAST_SEEN = 0.6

/**
 * @param misfit what an arc leaves unexplained of the same outline: facets must leave far less
 * @returns null when the corner is none of three sides
 */
export function findFacets(points: readonly OutlinePoint[], pixel: number, misfit = 1): Facets | null {
  const flank = longestSide(points, -0.25, 0.25, pixel)
  const face = flank && longestSide(points, UP - 0.2, UP + 0.3, pixel)
  const chamfer = face && longestSide(points, 0.25, UP - 0.25, pixel)
  if (!flank || !face || !chamfer || chamfer.count < LEAST_COUNT) return null
  const low = intersect(flank, chamfer)
  const high = intersect(chamfer, face)
  if (!low || !high || high.z - low.z < 3 * pixel || low.x - high.x < 3 * pixel) return null
  if (chamfer.to - chamfer.from < LEAST_SEEN * Math.hypot(high.z - low.z, low.x - high.x)) return null
  const facets = { flank, chamfer, face, low, high }
  const left = outOf(points, facets).reduce((sum, o) => sum + Math.min(1, (o / (0.5 * pixel)) ** 2), 0) / points.length
  return left < 0.5 * misfit ? facets : null
}

/** Signed distance of each point outside of the corner that the three sides enclose, mm. */
export function outOf(points: readonly OutlinePoint[], { flank, chamfer, face }: Facets): Float64Array {
  const out = new Float64Array(points.length).fill(-Infinity)
  for (const { normal, offset } of [flank, chamfer, face])
    for (let i = 0; i < points.length; i++) out[i] = Math.max(out[i], normal.x * points[i].x + normal.z * points[i].z - offset)
  return out
}

export function facetValues(points: readonly OutlinePoint[], { flank, face }: Facets, pixel: number): Values {
  return { x: endOf(flank, points, 'x', pixel), z: endOf(face, points, 'z', pixel), re: null, arcMm: 0 }
}
