/** One picture measured: largest radius, greatest height, corner or ball radius, and what does not belong there. */
import type { Feature } from '../features'
import type { Point } from '../geometry'
import type { Frame, LightError } from '../imaging'
import { median } from '../numeric'
import { findBumps, readOutline, widensBelow, type Debris, type Traced, type View } from '../outline'
import { ok, type Result } from '../units'
import type { Measured, Values } from './measured'
import { recognise } from './recognise'
import type { Explanation } from './recogniser'
import { sideValues, type SideValues } from './side-values'
import { LEAST_BUMP_PX, LEAST_BUMP_SIGMAS } from './thresholds'

export type FrameWarning =
  | { readonly code: 'DEBRIS'; readonly high: number }
  | { readonly code: 'NOTCH'; readonly deep: number }
  | { readonly code: 'CUT_OFF_RIGHT' }
  | { readonly code: 'CUT_OFF_TOP' }
  | { readonly code: 'CUT_OFF_BOTTOM' }
  | { readonly code: 'NO_CORNER_ARC' }
  | { readonly code: 'NO_FLANK' }
  | { readonly code: 'NOSE_CUT_OFF' }
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
  const { points, blurPx, touches: cut, islands } = traced
  const { found } = recognise(traced)
  const values = seenOnly(found.values(), traced)
  const widens = !cut.right && widensBelow(points, view)
  const x = cut.right || widens ? null : shift(values.x, view.centreX)
  const z = cut.top ? null : shift(values.z, view.centreZ)
  const { debris, notches } = strayIn(traced, found)
  return {
    x,
    z,
    re: values.re,
    arcMm: values.arcMm,
    ...sideValues(traced, asked, { x: view.centreX, z: view.centreZ }),
    focus: focusOf(blurPx),
    blurPx,
    explained: found.whole,
    debris: [...debris, ...islands].map((d) => ({ ...d, x: d.x + view.centreX, z: d.z + view.centreZ })),
    warnings: [
      ...[...debris, ...islands].map(({ high }) => ({ code: 'DEBRIS', high }) as const),
      ...notches.map(({ high }) => ({ code: 'NOTCH', deep: high }) as const),
      ...missingSide(cut.right, widens, x),
      ...(cut.top ? [{ code: 'CUT_OFF_TOP' } as const] : z ? [] : [{ code: 'NO_END' } as const]),
      ...(asked.includes('RE') && !values.re ? [{ code: 'NO_CORNER_ARC' } as const] : []),
    ],
    outline: points.map((p) => ({ x: p.x + view.centreX, z: p.z + view.centreZ })),
  }
}

/**
 * A fitted shape may run on to where nothing is: a value farther out than anything seen is no value. A corner's blur takes
 * off about as much as it is wide.
 */
function seenOnly(values: Values, { points, pixel, blurPx }: Traced): Values {
  const beyond = (BEYOND_PX + BEYOND_BLURS * blurPx) * pixel
  const seen = (m: Measured | null, axis: 'x' | 'z') => (m && points.some((p) => p[axis] > m.value - beyond) ? m : null)
  return { ...values, x: seen(values.x, 'x'), z: seen(values.z, 'z') }
}
/** How far beyond the outermost place seen a value may stand: grain and blur, px and blurs of the picture. */
const BEYOND_PX = 1.5
const BEYOND_BLURS = 1.5

/** At this blur, px, a picture is as sharp as it gets; so much more of it takes the focus down to 1/e. */
const SHARP_PX = 0.7
const BLURRED_PX = 3

/** 1 where a picture is as sharp as it gets. */
export const focusOf = (blurPx: number): number =>
  Math.round(1000 * Math.exp(-((Math.max(0, blurPx - SHARP_PX) / BLURRED_PX) ** 2))) / 1000

function missingSide(cutRight: boolean, widens: boolean, x: Measured | null): FrameWarning[] {
  if (cutRight) return [{ code: 'CUT_OFF_RIGHT' }]
  if (widens) return [{ code: 'CUT_OFF_BOTTOM' }]
  return x ? [] : [{ code: 'NO_FLANK' }]
}

/** What stands out of the shape, and what is missing of it. */
function strayIn({ points, pixel }: Traced, found: Explanation) {
  const limit = Math.max(LEAST_BUMP_SIGMAS * median(points.map((p) => p.sigmaMm)), LEAST_BUMP_PX * pixel)
  const out = Array.from(found.out())
  const into = out.map((o) => -o)
  return {
    debris: findBumps(found.points, out, limit),
    notches: found.hollowMm === null ? [] : findBumps(found.points, into, limit + found.hollowMm),
  }
}

const shift = (m: Measured | null, by: number): Measured | null => m && { ...m, value: m.value + by }
