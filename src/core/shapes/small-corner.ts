/**
 * A corner smaller than the blur of its picture lets no arc be fitted: its outline is mostly blur. Its sides are drawn
 * from what lies clear of it, and its radius is read from the light that its rounding lets past.
 */
import { direction, fitLine, intersect, type Point } from '../geometry'
import { readRounding, type Corner, type CornerSide, type Rounding } from '../imaging'
import { robustSigma, tukeyWeight } from '../numeric'
import { smallPx, type Fitted } from './corner-values'
import { type Grey, mmToPixel, type OutlinePoint, type Side, type Traced, type View } from '../outline'
import { ARC, gaugeOf, measureAgainst, parametersOf, tangentShape, type Shape } from './shape'

/** A small corner looks larger in a blurred outline, by up to this: such a look lets a small one be tried. */
const LOOKS_LARGER = 1.5
/** Beyond the rounding's ends, a side of a blurred corner is straight from here on, in blurs. */
const CLEAR_BLURS = 2.7
/** Outline points that a side needs clear of the corner. */
const LEAST_CLEAR = 24
/** Points this far from a side's line, in its scatter, are looked at when it is drawn again. */
const BAND = 3
const TURNS = 4
/** A line is not surer than this where it reaches the tip, px. */
const LEAST_SIDE_SIGMA_PX = 0.01

/**
 * @param traced an outline whose picture is at hand
 * @param start a corner between the same sides, its radius as the outline looks
 * @returns null where the corner is not small, too near a border, or not alone: a chip on it, sides too short
 */
export function fitSmallCorner(
  { points, pixel, blurPx, grey }: Traced,
  flank: Side,
  face: Side,
  start: Shape,
  near: number,
): Fitted | null {
  const most = smallPx(blurPx) * pixel
  if (start.radius > LOOKS_LARGER * most) return null
  const crossing = intersect(flank, face)
  if (!crossing) return null
  const spread = (Math.PI - face.angle + flank.angle) / 2
  const clear = CLEAR_BLURS * blurPx * pixel + Math.max(start.radius, most) / Math.tan(spread)
  const sides = [flank, face].map((side) => clearSide(points, side, crossing, clear, near))
  const [along, across] = sides
  const tip = along && across && intersect(along, across)
  if (!along || !across || !tip) return null
  const radius = radiusOf(grey, cornerAt(grey.view, tip, [along, across], pixel), most / pixel)
  if (!radius || radius.value * pixel > most) return null
  const shape = tangentShape([along.angle, along.offset, 0, radius.value * pixel, across.angle, across.offset])
  const covariance = parametersOf(shape).map(() => [0, 0, 0, 0, 0, 0])
  place(covariance, 0, along)
  place(covariance, 4, across)
  covariance[3][3] = (radius.sigma * pixel) ** 2
  return { ...against(points, shape, tip, clear, { blurMm: blurPx * pixel, pixel }), shape, covariance, points, small: true }
}

interface Straight extends Pick<Side, 'normal' | 'angle' | 'offset'> {
  /** Standard deviation of the place at the tip, mm, of the angle, and what they share. */
  readonly sigmaTip: number
  readonly sigmaAngle: number
  readonly sigmaOffset: number
  readonly shared: number
}

/** A side drawn again through the points clear of the corner, chips left out; null where too few are. */
function clearSide(points: readonly OutlinePoint[], side: Side, tip: Point, clear: number, near: number): Straight | null {
  const { normal, offset } = side
  const on = points.filter(
    (p) =>
      Math.abs(normal.x * p.x + normal.z * p.z - offset) < BAND * near &&
      normal.x * p.nx + normal.z * p.nz > 0.8 &&
      Math.hypot(p.x - tip.x, p.z - tip.z) > clear,
  )
  if (on.length < LEAST_CLEAR) return null
  let line: { readonly normal: Point; readonly offset: number } = side
  let fit: ReturnType<typeof fitLine> = null
  for (let turn = 0; turn < TURNS; turn++) {
    const out = on.map((p) => line.normal.x * p.x + line.normal.z * p.z - line.offset)
    const scale = Math.max(1e-9, robustSigma(out))
    fit = fitLine(
      on,
      out.map((o) => tukeyWeight(o, scale)),
    )
    if (!fit) return null
    line = fit.line
  }
  if (!fit) return null
  const outward = line.normal.x * normal.x + line.normal.z * normal.z > 0 ? 1 : -1
  const n = { x: outward * line.normal.x, z: outward * line.normal.z }
  const middle = n.z * fit.centroid.x - n.x * fit.centroid.z
  const reach = n.z * tip.x - n.x * tip.z - middle
  return {
    normal: n,
    angle: Math.atan2(n.z, n.x),
    offset: outward * line.offset,
    sigmaAngle: fit.sigmaAngle,
    // turning the line about its middle moves its offset from the origin as well
    sigmaOffset: Math.hypot(fit.sigmaOffset, middle * fit.sigmaAngle),
    shared: -middle * fit.sigmaAngle ** 2,
    sigmaTip: Math.hypot(fit.sigmaOffset, reach * fit.sigmaAngle),
  }
}

function place(covariance: number[][], at: number, { sigmaAngle, sigmaOffset, shared }: Straight): void {
  covariance[at][at] = sigmaAngle ** 2
  covariance[at + 1][at + 1] = sigmaOffset ** 2
  covariance[at][at + 1] = covariance[at + 1][at] = shared
}

/** Pieces that a rounding's area is cut into, each way along the arc from its middle, and outwards. */
const AROUND = 8
const OUTWARDS = 3

/** The corner as its picture shows it. */
function cornerAt(view: View, tip: Point, sides: readonly [Straight, Straight], pixel: number): Corner {
  const { mmPerPixel } = view
  const [{ normal: f }, { normal: e }] = sides
  const cosine = f.x * e.x + f.z * e.z
  const centre = { x: -(f.x + e.x) / (1 + cosine), z: -(f.z + e.z) / (1 + cosine) }
  const half = Math.acos(Math.max(-1, Math.min(1, cosine))) / 2
  const missing: { du: number; dv: number; area: number }[] = []
  for (const [{ angle }, turn] of [
    [sides[0], 1],
    [sides[1], -1],
  ] as const) {
    for (let a = 0; a < AROUND; a++) {
      const off = ((a + 0.5) / AROUND) * half
      const wide = (1 / Math.cos(off) - 1) / OUTWARDS
      const n = direction(angle + turn * off)
      for (let k = 0; k < OUTWARDS; k++) {
        const far = 1 + (k + 0.5) * wide
        missing.push({
          du: ((centre.x + far * n.x) * pixel) / mmPerPixel.x,
          dv: (-(centre.z + far * n.z) * pixel) / mmPerPixel.z,
          area: (far * wide * half) / AROUND,
        })
      }
    }
  }
  return {
    tip: mmToPixel(view, tip),
    sides: [pictureSide(sides[0], view, pixel), pictureSide(sides[1], view, pixel)],
    missing,
  }
}

function pictureSide({ normal, sigmaTip }: Straight, { mmPerPixel }: View, pixel: number): CornerSide {
  const gu = normal.x * mmPerPixel.x
  const gv = -normal.z * mmPerPixel.z
  const g = Math.hypot(gu, gv)
  return { nu: gu / g, nv: gv / g, sigmaPx: Math.max(LEAST_SIDE_SIGMA_PX, sigmaTip / pixel) }
}

/** The rounding's reach, as shares of what is looked for: a chip near by may lie outside of a smaller window. */
const REACHES = [1, 0.3]

/** Where an edge on a helix turns out of the light's plane its shadow falls back, which looks like a rounding, px. */
const TURNED_SIGMA_PX = 1

/** @returns the radius, px; null where something other than the corner is seen there */
function radiusOf(grey: Grey, corner: Corner, mostPx: number): ReturnType<typeof likely> | null {
  for (const share of REACHES) {
    const rounding = readRounding(grey.frame, corner, share * mostPx, grey)
    if (!rounding?.alone) continue
    const { value, sigma } = likely(rounding)
    return { value, sigma: grey.turned ? Math.hypot(sigma, TURNED_SIGMA_PX) : sigma }
  }
  return null
}

/** Half of what the radius may be lies this many standard deviations of its square to each side. */
const RANGE = 2

/** The middle of the radii that the square leaves open, px: half of what it may be off by is then the least. */
function likely({ square, sigma }: Rounding): { readonly value: number; readonly sigma: number } {
  const least = Math.sqrt(Math.max(0, square - RANGE * sigma))
  const most = Math.sqrt(Math.max(0, square + RANGE * sigma))
  return { value: (least + most) / 2, sigma: (most - least) / (2 * RANGE) }
}

/** Distances of the outline from the shape; beside the corner, where its picture has been gone through, only chips count. */
function against(
  points: readonly OutlinePoint[],
  shape: Shape,
  tip: Point,
  clear: number,
  { blurMm, pixel }: { readonly blurMm: number; readonly pixel: number },
): Pick<Fitted, 'out' | 'parts' | 'weights' | 'misfit'> {
  const n = points.length
  const out = new Float64Array(n)
  const parts = new Uint8Array(n)
  const xs = Float64Array.from(points, (p) => p.x)
  const zs = Float64Array.from(points, (p) => p.z)
  measureAgainst(gaugeOf(shape, blurMm), xs, zs, out, parts, 1)
  const beside = points.map((p) => Math.hypot(p.x - tip.x, p.z - tip.z) < clear)
  const scale = Math.max(0.04 * pixel, 1.2 * robustSigma(out.filter((_, i) => !beside[i])))
  const weights = out.map((o, i) => {
    const sigma = points[i].sigmaMm
    return (beside[i] ? 1 : tukeyWeight(o, Math.max(scale, sigma))) / (sigma * sigma)
  })
  const rest = out.reduce((sum, o, i) => (beside[i] || parts[i] === ARC ? sum : sum + Math.min(1, (o / (0.5 * pixel)) ** 2)), 0)
  return { out, parts, weights, misfit: rest / n }
}
