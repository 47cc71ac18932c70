/** A chamfered corner: flank, chamfer and end, three straight sides one after the other. */
import { intersect, type Point } from '../geometry'
import { endOf } from './extremes'
import { MODEL_SIGMA_PX, type Measured, type Values } from './measured'
import { longestSide, type OutlinePoint, type Side, sideOffsetSigma } from '../outline'

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
/** How far from where two sides meet, and how deep, the blur rounds them off, in blurs: 0.35 where they turn by 45°. */
const ROUNDED_REACH = 3
const ROUNDED_DEEP = 0.4
/** What facets may leave, as a share of what an arc does. */
const CLEARLY_LESS = 0.75
/** Share of its whole length that must be seen of a chamfer. */
const LEAST_SEEN = 0.6

/**
 * @param blurMm blur of the picture, which rounds off where two sides meet
 * @param misfit what an arc leaves unexplained of the same outline: facets must leave clearly less
 * @returns null when the corner is none of three sides
 */
export function findFacets(points: readonly OutlinePoint[], pixel: number, blurMm: number, misfit = 1): Facets | null {
  const flank = longestSide(points, -0.25, 0.25, pixel)
  const face = flank && longestSide(points, UP - 0.2, UP + 0.3, pixel)
  const chamfer = face && longestSide(points, 0.25, UP - 0.25, pixel)
  if (!flank || !face || !chamfer || chamfer.count < LEAST_COUNT) return null
  const low = intersect(flank, chamfer)
  const high = intersect(chamfer, face)
  if (!low || !high || high.z - low.z < 3 * pixel || low.x - high.x < 3 * pixel) return null
  if (chamfer.to - chamfer.from < LEAST_SEEN * Math.hypot(high.z - low.z, low.x - high.x)) return null
  const facets = { flank, chamfer, face, low, high }
  const out = outOf(points, facets)
  let left = 0
  for (let i = 0; i < points.length; i++) {
    const rounded = [low, high].some((p) => Math.hypot(points[i].x - p.x, points[i].z - p.z) < ROUNDED_REACH * blurMm)
    const o = rounded && out[i] < 0 ? Math.min(0, out[i] + ROUNDED_DEEP * blurMm) : out[i]
    left += Math.min(1, (o / (0.5 * pixel)) ** 2) / points.length
  }
  return left < CLEARLY_LESS * misfit ? facets : null
}

/** Signed distance of each point outside of the corner that the three sides enclose, mm. */
export function outOf(points: readonly OutlinePoint[], { flank, chamfer, face }: Facets): Float64Array {
  const out = new Float64Array(points.length).fill(-Infinity)
  for (const { normal, offset } of [flank, chamfer, face])
    for (let i = 0; i < points.length; i++) out[i] = Math.max(out[i], normal.x * points[i].x + normal.z * points[i].z - offset)
  return out
}

/** What is highest and widest is where the chamfer begins, whether a chip covers that place or not. */
export function facetValues(points: readonly OutlinePoint[], { flank, face, low, high }: Facets, pixel: number): Values {
  const at = (side: Side, place: Point, value: number): Measured => ({
    value,
    sigma: Math.hypot(sideOffsetSigma(side, place), MODEL_SIGMA_PX * pixel),
  })
  return {
    x: flank.angle < 0 ? at(flank, low, low.x) : endOf(flank, points, 'x', pixel),
    z: face.angle > UP ? at(face, high, high.z) : endOf(face, points, 'z', pixel),
    re: null,
    arcMm: 0,
  }
}
