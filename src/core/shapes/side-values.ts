/** What the straight sides of an outline say: angles, a chamfer, the corner that would be there without its rounding. */
import { intersect, type Point } from '../geometry'
import { radToDeg } from '../units'
import type { Feature } from '../features'
import { MODEL_SIGMA_PX, type Measured } from './measured'
import { findFacets } from './facets'
import { longestSide, type OutlinePoint, type Side, sideOffsetSigma, type Traced } from '../outline'

export type SideValues = Readonly<Record<'sig' | 'kapr' | 'chw' | 'kch' | 'scx' | 'scz', Measured | null>>

const NO_SIDES: SideValues = { sig: null, kapr: null, chw: null, kch: null, scx: null, scz: null }

/** Least length of a side that carries an angle, px. */
const LEAST_SIDE_PX = 40
/** A side leans when it is farther than this from upright and from level, radians. */
const LEAN = 0.05
const UP = Math.PI / 2

/** @param origin of the points in machine coordinates, mm */
export function sideValues({ points, pixel, blurPx }: Traced, asked: readonly Feature[], origin: Point): SideValues {
  const any = (...of: Feature[]) => of.some((f) => asked.includes(f))
  if (!any('SIG', 'KAPR', 'CHW', 'KCH', 'SCX', 'SCZ')) return NO_SIDES
  const long = (side: Side | null) => (side && side.to - side.from >= LEAST_SIDE_PX * pixel ? side : null)
  const leaning = long(longestSide(points, LEAN, UP - LEAN, pixel))
  const under = any('KAPR') ? long(longestSide(points, LEAN - UP, -LEAN, pixel)) : null
  const flank = any('KAPR') ? long(longestSide(points, -LEAN, LEAN, pixel)) : null
  const main = leaning && under && under.count > leaning.count ? under : (leaning ?? under ?? flank)
  const chamfer = any('CHW', 'KCH') ? chamferOf(points, pixel, blurPx) : null
  const sharp = any('SCX', 'SCZ') ? sharpOf(points, pixel) : null
  return {
    sig: any('SIG') && leaning ? angleOf(leaning, 2, pixel) : null,
    kapr: main && angleOf(main, 1, pixel),
    kch: chamfer && chamfer.angle,
    chw: chamfer && chamfer.width,
    scx: sharp && { ...sharp.x, value: sharp.x.value + origin.x },
    scz: sharp && { ...sharp.z, value: sharp.z.value + origin.z },
  }
}

/** Neighbouring points share pixels, and the light is never quite even: a little more than the scatter says. */
function angleOf(side: Side, times: number, pixel: number): Measured {
  const sigma = Math.hypot(1.5 * side.sigmaAngle, (2 * MODEL_SIGMA_PX * pixel) / Math.max(pixel, side.to - side.from))
  return { value: radToDeg(times * Math.abs(side.angle)), sigma: radToDeg(times * sigma) }
}

/** A leaning side between flank and end: its height along the axis, and its angle to it. */
function chamferOf(points: readonly OutlinePoint[], pixel: number, blurPx: number) {
  const found = findFacets(points, pixel, blurPx * pixel)
  if (!found) return null
  const { chamfer: side, low, high } = found
  const sigma = Math.hypot(
    sideOffsetSigma(side, low) / Math.abs(side.normal.z),
    sideOffsetSigma(side, high) / Math.abs(side.normal.x),
    MODEL_SIGMA_PX * pixel,
  )
  return { width: { value: high.z - low.z, sigma }, angle: angleOf(side, 1, pixel) }
}

/** Where flank and end would cross. */
function sharpOf(points: readonly OutlinePoint[], pixel: number): { x: Measured; z: Measured } | null {
  const flank = longestSide(points, -0.2, 0.2, pixel) ?? longestSide(points, -0.8, 0.8, pixel)
  const face = longestSide(points, UP - 0.2, UP + 0.35, pixel) ?? longestSide(points, UP - 0.8, UP + 0.8, pixel)
  const at = flank && face && intersect(flank, face)
  if (!at || !flank || !face) return null
  const sine = Math.abs(Math.sin(face.angle - flank.angle))
  const sigma = Math.hypot(sideOffsetSigma(flank, at) / sine, sideOffsetSigma(face, at) / sine, MODEL_SIGMA_PX * pixel)
  return { x: { value: at.x, sigma }, z: { value: at.z, sigma } }
}
