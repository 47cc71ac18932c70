/** An outline recognised: the recognisers in their order, each saying why it refused. */
import { longestSide, nearLine, type OutlinePoint, type Side, type Traced } from '../outline'
import { fail, ok, type Result } from '../units'
import { cornerValues, type Fitted } from './corner-values'
import { extremes } from './extremes'
import { facetValues, findFacets, outOf } from './facets'
import { fitShape } from './fit-shape'
import { findPoint, pointValues, type ToolPoint } from './point'
import type { Best, Explanation, Look, Recognised, Recogniser, ShapeName, Why } from './recogniser'
import { centreOf, parametersOf, type Shape } from './shape'
import { fitSmallCorner } from './small-corner'
import { ballStart, cornerStart, faceArcStart, flankArcStart } from './start-shape'
import { LEAST_GAIN, MOST_CUT_MISFIT, MOST_MISFIT, WELL_FITTED } from './thresholds'

const given = <T>(value: T | null, why: Why): Result<T, Why> => (value === null ? fail(why) : ok(value))
const always = () => null

/** Two lips that meet in a tip: known before anything else, an arc would follow their tip. */
const POINT: Recogniser<ToolPoint> = {
  name: 'point',
  start: ({ points, pixel }) => given(findPoint(points, pixel), 'NO_START'),
  fit: ({ points, pixel }, point) =>
    ok({
      misfit: 0,
      most: Infinity,
      values: () => pointValues(points, point, pixel),
      points,
      out: () => point.out,
      // the lips of a point are hollow where its flutes begin
      hollowMm: null,
      whole: false,
    }),
  accept: always,
}

/** A corner smaller than the blur of its picture: its radius is read from the light. */
const SMALL_CORNER: Recogniser<Shape> = {
  name: 'small-corner',
  start: (look) => cornerBetweenSides(look),
  fit(look, start) {
    const { flank, face, near, whole } = look
    if (!whole) return fail('OTHER_CUT')
    const fitted = flank && face && fitSmallCorner(look, flank, face, start, near)
    return fitted ? explanationBy(look, fitted) : fail('NO_FIT')
  },
  accept: ({ misfit, most }) => (misfit < most ? null : 'EXPLAINS_TOO_LITTLE'),
}

/** A corner, ball or half-seen corner: an arc with what lies beside it, fitted together. */
const arc = (name: ShapeName, startOf: (look: Look) => Result<Shape, Why>): Recogniser<Shape> => ({
  name,
  start: (look, best) => (best?.name === 'small-corner' ? fail('EXPLAINED_ALREADY') : startOf(look)),
  fit(look, start) {
    const points = look.points.filter((p) => inReach(p, start))
    const fitted = fitShape(points, start, look.pixel, look.blurMm)
    return fitted ? explanationBy(look, { ...fitted, points }) : fail('NO_FIT')
  },
  accept: ({ misfit }, best) => (!best || misfit < LEAST_GAIN * best.found.misfit ? null : 'NOT_BETTER'),
})

/** Three straight sides are no arc: asked where an arc leaves something over, of which they must leave clearly less. */
const FACETS: Recogniser<number | undefined> = {
  name: 'facets',
  start: (_, best) => ok(best && counts(best.found) ? best.found.misfit : undefined),
  fit({ points, pixel, blurMm }, rival) {
    const facets = findFacets(points, pixel, blurMm, rival)
    if (!facets) return fail(rival === undefined ? 'NO_SIDES' : 'NOT_BETTER')
    return ok({
      misfit: 0,
      most: Infinity,
      values: () => facetValues(points, facets, pixel),
      points,
      out: () => outOf(points, facets),
      // where facets meet they are never quite sharp: as deep as that is no notch
      hollowMm: blurMm,
      whole: true,
    })
  },
  accept: always,
}

/** What no shape explains is read at its outermost places. */
const EXTREMES: Recogniser<null> = {
  name: 'extremes',
  start: (_, best) => (best && counts(best.found) ? fail('EXPLAINED_ALREADY') : ok(null)),
  fit: ({ points, pixel, touches }) =>
    ok({
      misfit: 1,
      most: Infinity,
      values: () => extremes(points, pixel, touches),
      points,
      out: () => [],
      hollowMm: 0,
      whole: false,
    }),
  accept: always,
}

function cornerBetweenSides({ points, flank, face, near }: Look): Result<Shape, Why> {
  return flank && face ? given(cornerStart(points, flank, face, near), 'NO_START') : fail('NO_SIDES')
}

/** In the order in which they are tried; whatever explains an outline well ends it. */
const RECOGNISERS = [
  kind(POINT),
  kind(SMALL_CORNER),
  kind(arc('corner', cornerBetweenSides)),
  kind(arc('ball', ({ whole, points, pixel }) => (whole ? given(ballStart(points, pixel), 'NO_START') : fail('OTHER_CUT')))),
  kind(
    arc('corner-cut-right', ({ touches, face, points, pixel }) =>
      cutStart(touches.right, face, (side) => faceArcStart(points, side, pixel)),
    ),
  ),
  kind(
    arc('corner-cut-top', ({ touches, flank, points, pixel }) =>
      cutStart(touches.top, flank, (side) => flankArcStart(points, side, pixel)),
    ),
  ),
  kind(FACETS),
  kind(EXTREMES),
]

const counts = ({ misfit, most }: Explanation) => misfit < most

/** A recogniser as the list has it: whatever it starts from is its own. */
function kind<S>(recogniser: Recogniser<S>) {
  return { name: recogniser.name, recognise: (look: Look, best: Best | null) => tried(recogniser, look, best) }
}

/** As much of an arc as a border leaves, beside the side that is seen. */
function cutStart(cut: boolean, side: Side | null, startOf: (side: Side) => Shape | null): Result<Shape, Why> {
  if (!cut) return fail('OTHER_CUT')
  return side ? given(startOf(side), 'NO_START') : fail('NO_SIDES')
}

function lookAt(traced: Traced): Look {
  const { points, pixel, touches } = traced
  const near = nearLine(points, pixel)
  const flank = longestSide(points, -0.45, 0.45, pixel, near) ?? longestSide(points, -1.3, 1.3, pixel, near)
  const face = longestSide(points, Math.max(0.6, (flank?.angle ?? 0) + 0.3), 2.2, pixel, near)
  return { ...traced, blurMm: traced.blurPx * pixel, near, flank, face, whole: !touches.right && !touches.top }
}

/** What an outline is, and why it is nothing else. */
export function recognise(traced: Traced): Recognised {
  const look = lookAt(traced)
  const not: { name: ShapeName; why: Why }[] = []
  let best: Best | null = null
  for (const { name, recognise: as } of RECOGNISERS) {
    const found: Result<Explanation, Why> = as(look, best)
    if (!found.ok) {
      not.push({ name, why: found.error })
      continue
    }
    if (best) not.push({ name: best.name, why: 'NOT_BETTER' })
    best = { name, found: found.value }
  }
  // the last one takes whatever is left
  return { ...best!, not }
}

function tried<S>(recogniser: Recogniser<S>, look: Look, best: Best | null): Result<Explanation, Why> {
  if (best && best.found.misfit < WELL_FITTED) return fail('EXPLAINED_ALREADY')
  const start = recogniser.start(look, best)
  if (!start.ok) return start
  const found = recogniser.fit(look, start.value, best)
  if (!found.ok) return found
  const why = recogniser.accept(found.value, best)
  return why === null ? found : fail(why)
}

/** A fitted arc with its sides as an explanation. */
function explanationBy({ pixel, blurPx, blurMm, touches, whole }: Look, fitted: Fitted): Result<Explanation, Why> {
  if (!plausible(fitted.shape)) return fail('NOT_PLAUSIBLE')
  return ok({
    misfit: fitted.misfit,
    most: whole ? MOST_MISFIT : MOST_CUT_MISFIT,
    values: () => cornerValues(fitted, pixel, blurPx, touches.right || touches.top),
    points: fitted.points,
    out: () => unexplained(fitted, blurMm),
    hollowMm: 0,
    whole: fitted.misfit < WELL_FITTED,
  })
}

/** Only what lies in front of the shape's own parts can be debris: not the far side of a ball. */
function inReach(p: OutlinePoint, shape: Shape): boolean {
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

function plausible(shape: Shape): boolean {
  if (!parametersOf(shape).every(Number.isFinite) || Math.abs(shape.flankAngle) > 1.35) return false
  const opening = shape.face ? shape.face.angle - shape.flankAngle : Math.PI / 2
  return opening > 0.1 && opening < 2.8
}
