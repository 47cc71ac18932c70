/** An edge measured on the bench: at its highest point, or over a turn where a helix takes most of it out of the light's plane. */
import type { Bench, BenchPicture } from '@/devices/bench/port'
import { measureFrame } from '@/core/shapes'
import { measureSet, type Picture, type SetMeasurement } from '@/core/sets'
import { readOutline } from '@/core/outline'
import type { Feature } from '@/core/features'
import { degToRad, fail, ok, radToDeg, type Result } from '@/core/units'
import { viewOf, type CycleError, type Hint, type Position, type Show } from './find-tool'
import { standStill } from './steady-bench'

export {
  findCorner,
  positionsOf,
  viewOf,
  type CycleError,
  type Hint,
  type Position,
  type Positions,
  type Show,
} from './find-tool'
export { findEdges } from './find-edges'
export { emptyLight, evenBench, standStill, type Gain } from './steady-bench'

/** Pictures on each side of an edge's own angle, for its highest point. */
const TURN_STEP_DEG = 1
/** So far below its top an edge runs straight when its turn takes it back by less than this, mm. */
const STRAIGHT_DOWN_MM = 3
const STRAIGHT_MM = 0.0005
/** From one picture of a turn to the next an edge falls back by so much at most, mm. */
const FALL_MM = 0.02
const MOST_TURNS = 16

export interface EdgeAt {
  readonly edge: number
  readonly angleDeg: number
  /** Which step of the measuring program; 0 is the tool itself. */
  readonly stage: number
}

/**
 * Pictures of one edge from each of its places, a little before, at and after its angle; and, where these show a helix,
 * at as many turns more as bring what is in view into the plane of the light.
 */
export async function measureEdge(
  bench: Bench,
  { edge, angleDeg, stage }: EdgeAt,
  places: readonly Position[],
  corner: Hint,
  show: Show,
): Promise<Picture[]> {
  const pictures: Picture[] = []
  const take = async (turn: number, place: number) => {
    await bench.turnTo(angleDeg + turn)
    const p = await bench.grab()
    pictures.push(named(p, { edge, angleDeg: angleDeg + turn, stage }, place, pictures.length))
    return p
  }
  for (const [k, place] of places.entries()) {
    await bench.moveTo(place.x, place.z)
    await standStill(bench)
    const before = await take(-TURN_STEP_DEG, k)
    const after = await take(TURN_STEP_DEG, k)
    const at = await take(0, k)
    const read = measureFrame(at.frame, viewOf(bench, at), ['RE'])
    show(at, read.ok ? read.value : null, edge)
    for (const turn of turnsFor(bench, before, after, corner)) show(await take(turn, k), null, edge)
  }
  return pictures
}

const named = (p: BenchPicture, { edge, angleDeg, stage }: EdgeAt, place: number, n: number): Picture => ({
  name: `${stage ? `step-${stage + 1}-` : ''}edge-${edge}-${place ? `place-${place + 1}-` : ''}${n + 1}.png`,
  frame: p.frame,
  edge,
  stage,
  spindleDeg: Math.round(angleDeg * 1000) / 1000,
  centreX: p.centreX,
  centreZ: p.centreZ,
})

/** Points that look outwards like this say how far an edge is turned, and rows that belong together, px. */
const OUTWARDS = 0.6
const ROWS_PX = 10
const LEAST_BINS = 6

/**
 * Further turns that bring an edge into the light's plane all the way down, from two pictures on either side of it: a
 * place that is turned by δ out of the plane moves by 2·r·sin δ·sin(step) between them.
 */
function turnsFor(bench: Bench, before: BenchPicture, after: BenchPicture, corner: Hint): number[] {
  const twist = twistOf(bench, before, after)
  if (!twist || (corner.x * (twist.radPerMm * STRAIGHT_DOWN_MM) ** 2) / 2 < STRAIGHT_MM) return []
  const step = radToDeg(Math.sqrt((2 * FALL_MM) / Math.max(0.5, corner.x)))
  // as far down as carries a corner and some flank; a larger tool needs more of it
  const down = Math.min(twist.top - twist.bottom, 0.35 * corner.x + 1)
  const first = radToDeg(twist.atTop)
  const last = first + radToDeg(twist.radPerMm * down)
  const from = Math.min(first, last, 0) - step
  const to = Math.max(first, last, 0) + step
  const count = Math.min(MOST_TURNS, Math.ceil((to - from) / step) + 1)
  return Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1))
}

interface Twist {
  /** How far the highest place that looks outwards is turned out of the plane, radians, and how that grows downwards. */
  readonly atTop: number
  readonly radPerMm: number
  readonly top: number
  readonly bottom: number
}

function twistOf(bench: Bench, before: BenchPicture, after: BenchPicture): Twist | null {
  const a = rowsOf(bench, before)
  const b = rowsOf(bench, after)
  const both = [...a.keys()].filter((z) => b.has(z)).sort((x, y) => y - x)
  if (both.length < LEAST_BINS) return null
  const scale = ROWS_PX * bench.facts.mmPerPixel.z
  const top = both[0] * scale
  let [s, sd, sdd, sy, sdy] = [0, 0, 0, 0, 0]
  for (const row of both) {
    const x0 = a.get(row)!
    const x1 = b.get(row)!
    const sine = (x1 - x0) / ((x0 + x1) * Math.sin(degToRad(TURN_STEP_DEG)))
    const y = Math.asin(Math.max(-1, Math.min(1, sine)))
    const d = top - row * scale
    s++
    sd += d
    sdd += d * d
    sy += y
    sdy += d * y
  }
  const slope = (s * sdy - sd * sy) / (s * sdd - sd * sd)
  return { radPerMm: slope, atTop: (sy - slope * sd) / s, top, bottom: both[both.length - 1] * scale }
}

/** Mean place of what looks outwards in each group of rows, mm. */
function rowsOf(bench: Bench, picture: BenchPicture): Map<number, number> {
  const traced = readOutline(picture.frame, viewOf(bench, picture))
  const sums = new Map<number, { x: number; n: number }>()
  const scale = ROWS_PX * bench.facts.mmPerPixel.z
  for (const p of traced.ok ? traced.value.points : []) {
    if (p.nx < OUTWARDS) continue
    const row = Math.floor((p.z + picture.centreZ) / scale)
    const sum = sums.get(row) ?? { x: 0, n: 0 }
    sum.x += p.x + picture.centreX
    sum.n++
    sums.set(row, sum)
  }
  return new Map([...sums].filter(([, { n }]) => n >= ROWS_PX / 2).map(([row, { x, n }]) => [row, x / n]))
}

/** All pictures taken so far as one result. */
export function resultOf(
  bench: Bench,
  pictures: readonly Picture[],
  measure: readonly Feature[],
  turning = false,
): Result<SetMeasurement, CycleError> {
  const read = measureSet(pictures, bench.facts.mmPerPixel, measure, turning)
  return read.ok ? ok(read.value) : fail({ code: 'NOT_MEASURED', detail: read.error.code })
}
