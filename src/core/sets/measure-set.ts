/** A set of pictures measured edge by edge: the answer of the frame-set format, and of every measurement on the bench. */
import type { Frame, LightError } from '../imaging'
import { fitParabola } from '../numeric'
import { fail, ok, type Result } from '../units'
import { type Debris, envelope, readOutline, type Traced, type View } from '../outline'
import { FEATURES, keyOf, rowOf, type Feature, type ValueKey } from '../features'
import {
  findNose,
  type Nose,
  type FrameMeasurement,
  type FrameWarning,
  focusOf,
  type Measured,
  measureOutline,
  type SideValues,
} from '../shapes'

export interface Picture {
  readonly name: string
  readonly frame: Frame
  readonly edge: number
  /** Which step of a measuring program it belongs to; 0, as without any, is the tool itself. */
  readonly stage?: number
  /** Turn of the spindle when it was taken, degrees. */
  readonly spindleDeg: number
  readonly centreX: number
  readonly centreZ: number
}

/** Values of an edge: mm, angles in degrees; null where they cannot be had or were not asked for. */
export interface EdgeMeasurement extends Readonly<Record<ValueKey, Measured | null>> {
  readonly edge: number
  readonly spindleDeg: number
  readonly focus: number
  readonly debris: readonly Debris[]
  /** Of a turning tool: where its tip points, and its nose's centre, mm. */
  readonly nose?: Pick<Nose, 'q' | 'cx' | 'cz'>
}

export interface SetMeasurement {
  readonly measure: readonly Feature[]
  readonly edges: readonly EdgeMeasurement[]
  readonly summary: Summary
  readonly warnings: readonly { readonly edge: number; readonly warning: FrameWarning }[]
}

/** Largest of lengths and diameters, mean of the rest; mm, angles in degrees; null where it is not known. */
export interface Summary extends Readonly<Record<Feature, number | null>> {
  readonly radialRunout: number | null
  readonly axialRunout: number | null
}

export type SetError =
  | { readonly code: 'PICTURE'; readonly file: string; readonly problem: LightError['code'] }
  | { readonly code: 'NOTHING_MEASURED'; readonly file: string }

/**
 * @param pictures at least one, all of one size
 * @param mmPerPixel scale, both above 0
 * @param measure what is asked for
 * @param turning whether they show a turning tool, whose body may leave the picture anywhere
 */
export function measureSet(
  pictures: readonly Picture[],
  mmPerPixel: View['mmPerPixel'],
  measure: readonly Feature[],
  turning = false,
): Result<SetMeasurement, SetError> {
  const numbers = [...new Set(pictures.map((p) => p.edge))]
  const read = numbers.map((edge) =>
    measureEdge(
      pictures.filter((p) => p.edge === edge),
      mmPerPixel,
      measure,
      turning,
    ),
  )
  return joinEdges(
    read,
    pictures.map((p) => p.name),
    measure,
  )
}

/** One edge by itself: what its pictures show, and what is to be said of it. */
export interface EdgeRead {
  readonly edge: EdgeMeasurement
  readonly warnings: readonly FrameWarning[]
}

/** What a corner is read from: one picture of the edge, or the outermost outline over its turns; left out: whichever explains itself. */
export type CornerFrom = 'single' | 'turn'

/** @param pictures of one edge, at least one */
export function measureEdge(
  pictures: readonly Picture[],
  mmPerPixel: View['mmPerPixel'],
  measure: readonly Feature[],
  turning = false,
  corner?: CornerFrom,
): Result<EdgeRead, SetError> {
  if (turning) return measureNose(pictures, mmPerPixel, measure)
  const views: Seen[] = []
  for (const picture of pictures) {
    const { width, height } = picture.frame
    const view = { width, height, mmPerPixel, centreX: picture.centreX, centreZ: picture.centreZ }
    const traced = readOutline(picture.frame, view)
    if (!traced.ok) return fail({ code: 'PICTURE', file: picture.name, problem: traced.error.code })
    views.push({ picture, view, traced: traced.value, found: measureOutline(traced.value, view, measure) })
  }
  const seen = overTurns(views, measure, corner)
  const edge = edgeOf(pictures[0].edge, seen, measure)
  return ok({ edge, warnings: warningsOf(seen, edge, measure) })
}

/**
 * Edges that were measured by themselves, as one set.
 * @param names of all pictures in their order: of several that cannot be read the first is told
 */
export function joinEdges(
  read: readonly Result<EdgeRead, SetError>[],
  names: readonly string[],
  measure: readonly Feature[],
): Result<SetMeasurement, SetError> {
  const wrong = read.flatMap((r) => (r.ok ? [] : [r.error])).sort((a, b) => names.indexOf(a.file) - names.indexOf(b.file))
  if (wrong.length) return fail(wrong[0])
  const all = read.flatMap((r) => (r.ok ? [r.value] : [])).sort((a, b) => a.edge.edge - b.edge.edge)
  const edges = all.map((r) => r.edge)
  if (!edges.some((e) => measure.some((f) => e[keyOf(f)]))) return fail({ code: 'NOTHING_MEASURED', file: names[0] ?? '' })
  return ok({
    measure,
    edges,
    summary: summarise(edges, measure),
    warnings: all.flatMap(({ edge: { edge }, warnings }) => warnings.map((warning) => ({ edge, warning }))),
  })
}

/** A turning tool by the picture that shows most of its nose: its rake face is in the light's plane at one turn only. */
function measureNose(
  pictures: readonly Picture[],
  mmPerPixel: View['mmPerPixel'],
  measure: readonly Feature[],
): Result<EdgeRead, SetError> {
  const reads: NoseRead[] = []
  for (const picture of pictures) {
    const { width, height } = picture.frame
    const { centreX, centreZ } = picture
    const traced = readOutline(picture.frame, { width, height, mmPerPixel, centreX, centreZ }, true)
    if (!traced.ok) return fail({ code: 'PICTURE', file: picture.name, problem: traced.error.code })
    const found = findNose(traced.value, { widthMm: width * mmPerPixel.x, heightMm: height * mmPerPixel.z })
    const focus = focusOf(traced.value.blurPx)
    reads.push({ picture, found: focus < LEAST_FOCUS ? { ok: false, why: 'NO_ARC' } : found, focus })
  }
  const arc = ({ found }: NoseRead) => (found.ok ? found.nose.arcMm : -1)
  const best = reads.reduce((a, b) => (arc(b) > arc(a) ? b : a))
  return ok(noseRead(best, measure))
}

interface NoseRead {
  readonly picture: Picture
  readonly found: ReturnType<typeof findNose>
  readonly focus: number
}

function noseRead({ picture, found, focus }: NoseRead, measure: readonly Feature[]): EdgeRead {
  const at = (m: Measured, by: number): Measured => ({ ...m, value: m.value + by })
  const none = Object.fromEntries(FEATURES.map((f) => [keyOf(f), null])) as Record<ValueKey, null>
  const edge = { ...none, edge: picture.edge, spindleDeg: picture.spindleDeg, focus, debris: [] }
  if (!found.ok) {
    const code = found.why === 'CUT_OFF' ? 'NOSE_CUT_OFF' : 'NO_CORNER_ARC'
    return { edge, warnings: [{ code: focus < LEAST_FOCUS ? 'NOT_SHARP' : code }] }
  }
  const { q, x, z, re, cx, cz, debris } = found.nose
  const { centreX, centreZ } = picture
  const asked = (feature: Feature, value: Measured) => (measure.includes(feature) ? value : null)
  return {
    edge: {
      ...edge,
      x: asked('DC', at(x, centreX)),
      z: asked('LF', at(z, centreZ)),
      re: asked('RE', re),
      nose: { q, cx: at(cx, centreX), cz: at(cz, centreZ) },
      debris: debris.map((d) => ({ ...d, x: d.x + centreX, z: d.z + centreZ })),
    },
    warnings: debris.map(({ high }) => ({ code: 'DEBRIS', high })),
  }
}

interface Seen {
  readonly picture: Picture
  readonly view: View
  readonly traced: Traced
  readonly found: FrameMeasurement
}

/** So many turns from one carriage place make an outline over a turn. */
const LEAST_TURNS = 5

/**
 * The outermost outline over the turns of an edge stands in for its single pictures where the turns stand close, or where
 * the pictures do not explain themselves: a helix turns most of an edge out of the light's plane, and a slight one hides
 * in the fit of a single picture.
 */
function overTurns(seen: readonly Seen[], measure: readonly Feature[], corner?: CornerFrom): readonly Seen[] {
  if (corner === 'single') return seen
  const places = [...new Set(seen.map(({ picture: p }) => `${p.centreX}/${p.centreZ}`))]
  return places.flatMap((place) => {
    const here = seen.filter(({ picture: p }) => `${p.centreX}/${p.centreZ}` === place)
    if (new Set(here.map((s) => s.picture.spindleDeg)).size < LEAST_TURNS) return here
    const { view } = here[0]
    const over = envelope(
      here.map((s) => ({ spindleDeg: s.picture.spindleDeg, traced: s.traced })),
      view,
    )
    const plain = here.filter((s) => s.found.explained).length > here.length / 2
    if (!over || (plain && !over.close && corner !== 'turn')) return here
    const whole = over.traced
    const found = withoutNextEdge(measureOutline(whole, view, measure))
    const sharpest = here.reduce((a, b) => (b.found.focus > a.found.focus ? b : a))
    return [{ ...sharpest, traced: whole, found: { ...found, focus: sharpest.found.focus } }]
  })
}

/** So far above its own edge the tip of the next one may reach, mm: the axial runout of a tool that is still used. */
const NEXT_EDGE_MM = 0.02

/**
 * Over a turn the tip of the next edge comes into the light as well: inwards of the corner, on the end face that falls
 * away there, and hardly higher than this edge. It changes no value, and is nothing that could be wiped off.
 */
function withoutNextEdge(found: FrameMeasurement): FrameMeasurement {
  const { x, z, re } = found
  if (!x || !z) return found
  const isNext = (d: Debris) => d.x < x.value - (re?.value ?? 0) && d.z + d.high / 2 < z.value + NEXT_EDGE_MM
  const debris = found.debris.filter((d) => !isNext(d))
  const kept = (w: FrameWarning) => w.code !== 'DEBRIS' || debris.some((d) => d.high === w.high)
  return { ...found, debris, warnings: found.warnings.filter(kept) }
}

/** Below this sharpness (an edge blurred over more than about 4 px) nothing counts. */
const LEAST_FOCUS = 0.25

function edgeOf(edge: number, seen: readonly Seen[], measure: readonly Feature[]): EdgeMeasurement {
  const spindles = [...new Set(seen.map((s) => s.picture.spindleDeg))]
  const turned = spindles.map((spindleDeg) => {
    const at = seen.filter((s) => s.picture.spindleDeg === spindleDeg)
    const most = at.reduce((a, b) => (b.found.arcMm > a.found.arcMm ? b : a))
    return {
      spindleDeg,
      x: largest(at.map((s) => s.found.x)),
      z: largest(at.map((s) => s.found.z)),
      re: most.found.re,
      ...surest(at),
    }
  })
  const best = turned.reduce((a, b) => ((b.x?.value ?? -Infinity) > (a.x?.value ?? -Infinity) ? b : a))
  const focus = Math.max(...seen.map((s) => s.found.focus))
  const wanted = (feature: Feature, value: Measured | null) => (measure.includes(feature) && focus >= LEAST_FOCUS ? value : null)
  const valueOf = (feature: Feature): Measured | null => {
    const { key, ofTurns } = rowOf(feature)
    if (ofTurns === 'top') return peak(turned.map((t) => [t.spindleDeg, t[key]]))
    return best[key] ?? turned.find((t) => t[key])?.[key] ?? null
  }
  const values = Object.fromEntries(FEATURES.map((f) => [keyOf(f), wanted(f, valueOf(f))]))
  return {
    ...(values as Record<ValueKey, Measured | null>),
    edge,
    spindleDeg: best.spindleDeg,
    focus,
    debris: apart(seen.flatMap((s) => s.found.debris)),
  }
}

/** Of the views from several carriage places, what the one says that is surest of it. */
function surest(views: readonly Seen[]): SideValues {
  const of = (key: keyof SideValues) =>
    views.map((v) => v.found[key]).reduce((a, b) => (a && (!b || a.sigma <= b.sigma) ? a : b), null)
  return { sig: of('sig'), kapr: of('kapr'), chw: of('chw'), kch: of('kch'), scx: of('scx'), scz: of('scz') }
}

/** The same speck seen in several pictures counts once, at its largest. */
function apart(debris: readonly Debris[]): Debris[] {
  const kept: Debris[] = []
  for (const d of [...debris].sort((a, b) => b.area - a.area))
    if (!kept.some((k) => Math.hypot(k.x - d.x, k.z - d.z) < Math.max(k.high, Math.sqrt(k.area)))) kept.push(d)
  return kept
}

const largest = (values: readonly (Measured | null)[]): Measured | null =>
  values.reduce((a, b) => (a && (!b || a.value >= b.value) ? a : b), null)

/** With three or more turns of the spindle: the vertex of the parabola through the highest three. */
function peak(turned: readonly (readonly [number, Measured | null])[]): Measured | null {
  const known = turned.filter((t): t is readonly [number, Measured] => t[1] !== null).sort((a, b) => b[1].value - a[1].value)
  if (known.length < 3) return known[0]?.[1] ?? null
  const top = known.slice(0, 3)
  const turns = top.map(([deg]) => deg)
  const vertex = fitParabola(
    turns,
    top.map(([, m]) => m.value),
  )?.top
  const sigma = Math.max(...top.map(([, m]) => m.sigma))
  // beyond the turns that were taken nothing is known
  return vertex && vertex.t >= Math.min(...turns) && vertex.t <= Math.max(...turns) ? { value: vertex.value, sigma } : top[0][1]
}

export function summarise(edges: readonly EdgeMeasurement[], measure: readonly Feature[]): Summary {
  const of = (key: ValueKey) => edges.map((e) => e[key]?.value).filter((v) => v !== undefined)
  const joined = (feature: Feature): number | null => {
    const { key, ofEdges } = rowOf(feature)
    const values = of(key)
    if (values.length === 0) return null
    if (ofEdges === 'mean') return values.reduce((a, b) => a + b, 0) / values.length
    return measure.includes(feature) ? Math.max(...values) * (ofEdges === 'twice largest' ? 2 : 1) : null
  }
  const spread = (v: readonly number[]) => (v.length > 1 ? Math.max(...v) - Math.min(...v) : null)
  const values = Object.fromEntries(FEATURES.map((f) => [f, joined(f)])) as Record<Feature, number | null>
  return { ...values, radialRunout: spread(of('x')), axialRunout: spread(of('z')) }
}

/** One warning of a kind an edge, the worst; a value that another view gave needs no warning. */
function warningsOf(seen: readonly Seen[], got: EdgeMeasurement, measure: readonly Feature[]): FrameWarning[] {
  const all = seen.flatMap((s) => s.found.warnings)
  const size = (w: FrameWarning) => ('high' in w ? w.high : 'deep' in w ? w.deep : 0)
  const lacks = (feature: Feature) => measure.includes(feature) && !got[keyOf(feature)]
  const needed = (w: FrameWarning) => {
    const about = FEATURES.filter((f) => (rowOf(f).warned as readonly string[]).includes(w.code))
    return about.length === 0 || about.some(lacks)
  }
  const kinds = [...new Set(all.map((w) => w.code))]
  const missing: FrameWarning[] = kinds
    .map((code) => all.filter((w) => w.code === code).reduce((a, b) => (size(b) > size(a) ? b : a)))
    .filter(needed)
  if (got.focus < LEAST_FOCUS) return [{ code: 'NOT_SHARP' }]
  for (const feature of FEATURES.filter(lacks)) {
    const { lacking } = rowOf(feature)
    if (lacking === 'NO_POINT') missing.push({ code: lacking })
    else if (lacking) missing.push({ code: lacking, feature })
  }
  return missing
}
