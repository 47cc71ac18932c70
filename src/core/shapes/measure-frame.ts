/** One picture measured: largest radius, greatest height, corner or ball radius, and what does not belong there. */
import type { Point } from '../geometry'
import type { Frame, LightError } from '../imaging'
import { median } from '../numeric'
import { ok, type Result } from '../units'
import { cornerValues, type Fitted } from './corner-values'
import { widensBelow } from '../outline'
import { findBumps, type Debris } from '../outline'
import { extremes } from './extremes'
import { fitShape } from './fit-shape'
import { facetValues, findFacets, outOf } from './facets'
import type { Feature } from '../features'
import type { Measured, Values } from './measured'
import { centreOf, parametersOf, type Shape } from './shape'
import { fitSmallCorner } from './small-corner'
import { sideValues, type SideValues } from './side-values'
import { longestSide, nearLine } from '../outline'
import { findPoint, pointValues } from './point'
import { ballStart, cornerStart, faceArcStart, flankArcStart } from './start-shape'
import { readOutline, type Traced } from '../outline'
import type { OutlinePoint, View } from '../outline'

export type FrameWarning =
  | { readonly code: 'DEBRIS'; readonly high: number }
  | { readonly code: 'NOTCH'; readonly deep: number }
  | { readonly code: 'CUT_OFF_RIGHT' }
  | { readonly code: 'CUT_OFF_TOP' }
  | { readonly code: 'CUT_OFF_BOTTOM' }
  | { readonly code: 'NO_CORNER_ARC' }
  | { readonly code: 'NO_FLANK' }
  | { readonly code: 'NO_POINT' }
  | { readonly code: 'NO_SIDE'; readonly feature: Feature }
  | { readonly code: 'NO_END' }
  | { readonly code: 'NOT_SHARP' }

export interface FrameMeasurement extends Values, SideValues {
  /** Sharpness, 0…1: 1 at a blur of 0.7 px and less, falling as the edge widens. */
  readonly focus: number
  readonly blurPx: number
  /** Whether one corner, ball or chamfer explains the whole outline. */
  readonly explained: boolean
  readonly debris: readonly Debris[]
  readonly warnings: readonly FrameWarning[]
  /** The found outline, mm, in order. */
  readonly outline: readonly Point[]
}

/** Least height of a bump or depth of a notch that is told, px. */
const LEAST_BUMP_PX = 0.45
/** A misfit below this leaves nothing over but chips. */
const WELL_FITTED = 0.05
/** One above this explains too little of an outline; with a part of it out of sight it must explain more. */
const MOST_MISFIT = 0.5
const MOST_CUT_MISFIT = 0.2

/**
 * @param frame the picture, at least 16×16
 * @param view where it was taken
 * @param asked what is looked for beyond length and radius; what is missing of it is warned of
 * @errors NO_EDGE, TOO_DARK, BURNT_OUT when nothing can be measured in this picture
 */
export function measureFrame(frame: Frame, view: View, asked: readonly Feature[]): Result<FrameMeasurement, LightError> {
  const traced = readOutline(frame, view)
  return traced.ok ? ok(measureOutline(traced.value, view, asked)) : traced
}

/** Measures an outline, of one picture or of several at once. */
export function measureOutline(traced: Traced, view: View, asked: readonly Feature[]): FrameMeasurement {
  const { points, pixel, blurPx, touches: cut, islands } = traced
  const point = findPoint(points, pixel)
  const found = point ? null : bestFit(traced)
  // three straight sides are no arc: asked where the corner's fit leaves something over
  const facets = point || (found && found.misfit < WELL_FITTED) ? null : findFacets(points, pixel, blurPx * pixel, found?.misfit)
  const fit = facets ? null : found
  const values = point
    ? pointValues(points, point, pixel)
    : facets
      ? facetValues(points, facets, pixel)
      : fit
        ? cornerValues(fit, pixel, blurPx, cut.right || cut.top)
        : extremes(points, pixel, cut)
  const widens = !cut.right && widensBelow(points, view)
  const x = cut.right || widens ? null : shift(values.x, view.centreX)
  const z = cut.top ? null : shift(values.z, view.centreZ)
  const limit = Math.max(6 * median(points.map((p) => p.sigmaMm)), LEAST_BUMP_PX * pixel)
  const stray = point ? point.out : facets ? outOf(points, facets) : fit ? unexplained(fit, blurPx * pixel) : []
  const judged = fit?.points ?? points
  const debris = [...findBumps(judged, stray, limit), ...islands]
  // where facets meet they are never quite sharp: as deep as that is no notch
  const notches = point
    ? [] // the lips of a point are hollow where its flutes begin
    : findBumps(
        judged,
        stray.map((e) => -e),
        facets ? limit + blurPx * pixel : limit,
      )
  return {
    x,
    z,
    re: values.re,
    arcMm: values.arcMm,
    ...sideValues(traced, asked, { x: view.centreX, z: view.centreZ }),
    focus: Math.round(1000 * Math.exp(-((Math.max(0, blurPx - 0.7) / 3) ** 2))) / 1000,
    blurPx,
    explained: facets !== null || (fit !== null && fit.misfit < WELL_FITTED),
    debris: debris.map((d) => ({ ...d, x: d.x + view.centreX, z: d.z + view.centreZ })),
    warnings: [
      ...debris.map(({ high }) => ({ code: 'DEBRIS', high }) as const),
      ...notches.map(({ high }) => ({ code: 'NOTCH', deep: high }) as const),
      ...(cut.right
        ? [{ code: 'CUT_OFF_RIGHT' } as const]
        : widens
          ? [{ code: 'CUT_OFF_BOTTOM' } as const]
          : x
            ? []
            : [{ code: 'NO_FLANK' } as const]),
      ...(cut.top ? [{ code: 'CUT_OFF_TOP' } as const] : z ? [] : [{ code: 'NO_END' } as const]),
      ...(asked.includes('RE') && !values.re ? [{ code: 'NO_CORNER_ARC' } as const] : []),
    ],
    outline: points.map((p) => ({ x: p.x + view.centreX, z: p.z + view.centreZ })),
  }
}

const shift = (m: Measured | null, by: number): Measured | null => m && { ...m, value: m.value + by }

/** Only what lies in front of the shape's own parts can be debris: not the far side of a ball. */
function inReach(p: Point, shape: Shape): boolean {
  if (shape.face) return true
  const centre = centreOf(shape)
  return p.z < centre.z ? p.x > centre.x : Math.atan2(p.z - centre.z, p.x - centre.x) < 2.3
}

/** The blur rounds a corner smaller than itself in a way that the arc does not follow: what that explains is taken off. */
function unexplained({ shape, out, points }: Fitted, blurMm: number): Float64Array {
  if (shape.radius > 4 * blurMm) return out
  const centre = centreOf(shape)
  const reach = shape.radius + 4 * blurMm
  return out.map((o, i) => {
    const near = Math.hypot(points[i].x - centre.x, points[i].z - centre.z) < reach
    return near ? Math.sign(o) * Math.max(0, Math.abs(o) - 0.6 * blurMm) : o
  })
}

/** The corner, ball, sharp or half-seen corner that explains the outline; null where none does. */
function bestFit(traced: Traced): Fitted | null {
  const { points, pixel, touches } = traced
  const blurMm = traced.blurPx * pixel
  const near = nearLine(points, pixel)
  const flank = longestSide(points, -0.45, 0.45, pixel, near) ?? longestSide(points, -1.3, 1.3, pixel, near)
  const face = longestSide(points, Math.max(0.6, (flank?.angle ?? 0) + 0.3), 2.2, pixel, near)
  const whole = !touches.right && !touches.top
  const corner = flank && face && cornerStart(points, flank, face, near)
  const small = corner && whole && fitSmallCorner(traced, flank, face, corner, near)
  if (small && plausible(small.shape) && small.misfit < MOST_MISFIT) return small
  const starts: (() => Shape | null)[] = [
    () => corner,
    () => (whole ? ballStart(points, pixel) : null),
    () => (touches.right && face ? faceArcStart(points, face, pixel) : null),
    () => (touches.top && flank ? flankArcStart(points, flank, pixel) : null),
  ]
  let best: Fitted | null = null
  for (const startOf of starts) {
    const start: Shape | null = best && best.misfit < WELL_FITTED ? null : startOf()
    if (!start) continue
    const used: OutlinePoint[] = points.filter((p) => inReach(p, start))
    const fit = fitShape(used, start, pixel, blurMm)
    if (fit && plausible(fit.shape) && (!best || fit.misfit < 0.8 * best.misfit)) best = { ...fit, points: used }
  }
  return best && best.misfit < (whole ? MOST_MISFIT : MOST_CUT_MISFIT) ? best : null
}

function plausible(shape: Shape): boolean {
  if (!parametersOf(shape).every(Number.isFinite) || Math.abs(shape.flankAngle) > 1.35) return false
  const opening = shape.face ? shape.face.angle - shape.flankAngle : Math.PI / 2
  return opening > 0.1 && opening < 2.8
}
