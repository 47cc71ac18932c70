/** What an operator does at the bench, as cycles over its port: find the corner, find the edges, measure each of them. */
import type { Bench, BenchPicture } from '@/devices/bench/port'
import { findOutline, readLight } from '@/core/imaging'
import {
  measureFrame,
  measureSet,
  type Feature,
  type FrameMeasurement,
  type Picture,
  type SetMeasurement,
  type View,
} from '@/core/measure'
import { fail, normDeg, ok, type Result } from '@/core/units'

export interface Hint {
  /** About where the corner is, mm. */
  readonly x: number
  readonly z: number
}

export type CycleError =
  { readonly code: 'NOTHING_FOUND' } | { readonly code: 'NOT_MEASURED'; readonly detail: string } | { readonly code: 'STOPPED' }

/** Called with each picture that is worth showing. */
export type Show = (picture: BenchPicture, found: FrameMeasurement | null, edge: number | null) => void

/** The corner stands at these shares of the picture, from the left and from the top: most of flank and end in view. */
const CORNER_U = 0.66
const CORNER_V = 0.2
/** A carriage step of a search, as a share of the picture. */
const SEARCH_STEP = 0.7
const MOST_SEARCH = 160
/** Pictures on each side of an edge's own angle, for its highest point. */
const TURN_STEP_DEG = 1

export const viewOf = (bench: Bench, p: BenchPicture): View => ({
  width: p.frame.width,
  height: p.frame.height,
  mmPerPixel: bench.facts.mmPerPixel,
  centreX: p.centreX,
  centreZ: p.centreZ,
})

const sizeMm = ({ facts }: Bench) => ({ x: facts.widthPx * facts.mmPerPixel.x, z: facts.heightPx * facts.mmPerPixel.z })

/** Moves so that a corner at x, z stands where the picture wants it. */
async function frameCorner(bench: Bench, x: number, z: number): Promise<void> {
  const size = sizeMm(bench)
  await bench.moveTo(x + (0.5 - CORNER_U) * size.x, z - (0.5 - CORNER_V) * size.z)
}

/**
 * Brings the corner of the tool into the picture: from a hint, or by coming down over the axis until something is seen.
 * @returns where the corner is, about
 */
export async function findCorner(bench: Bench, hint: Hint | null, show: Show): Promise<Result<Hint, CycleError>> {
  const size = sizeMm(bench)
  if (hint) await frameCorner(bench, hint.x, hint.z)
  else await bench.moveTo(size.x * 0.2, bench.facts.reach.z)
  let seen = false
  for (let step = 0; step < MOST_SEARCH; step++) {
    const picture = await bench.grab()
    const read = measureFrame(picture.frame, viewOf(bench, picture), [])
    if (step % 4 === 0 || read.ok) show(picture, read.ok ? read.value : null, null)
    const { centreX: x, centreZ: z } = picture
    if (!read.ok) {
      const dark = read.error.code === 'TOO_DARK'
      if (dark) await bench.moveTo(x, z + size.z * SEARCH_STEP)
      else if (!seen && z > size.z / 2)
        await bench.moveTo(hint && step === 0 ? x : Math.min(x, size.x * 0.2), z - size.z * SEARCH_STEP)
      else return fail({ code: 'NOTHING_FOUND' })
      continue
    }
    seen = true
    const cut = read.value.warnings.map((w) => w.code)
    if (cut.includes('CUT_OFF_TOP')) await bench.moveTo(x, z + size.z * 0.6)
    else if (cut.includes('CUT_OFF_RIGHT')) await bench.moveTo(x + size.x * 0.45, z)
    else if (read.value.x && read.value.z) {
      await frameCorner(bench, read.value.x.value, read.value.z.value)
      return ok({ x: read.value.x.value, z: read.value.z.value })
    } else if (read.value.z) await bench.moveTo(x, z - size.z * 0.3)
    else return fail({ code: 'NOTHING_FOUND' })
  }
  return fail({ code: 'NOTHING_FOUND' })
}

/**
 * Finds the edges by a whole turn: angles at which the shadow reaches farthest out, first roughly from the outline to
 * the pixel, then from the vertex of three measured pictures.
 * @returns angles in degrees, ascending
 */
export async function findEdges(bench: Bench, show: Show): Promise<number[]> {
  const STEP = 4
  /** An edge counts as seen while its shadow is within this of the farthest, px. */
  const NEAR_PX = 15
  const reach: number[] = []
  for (let deg = 0; deg < 360; deg += STEP) {
    await bench.turnTo(deg)
    const picture = await bench.grab()
    if (deg % 16 === 0) show(picture, null, null)
    reach.push(farthest(picture))
  }
  const most = Math.max(...reach)
  const n = reach.length
  const near = reach.map((r) => r > most - NEAR_PX)
  const start = near.indexOf(false)
  if (start < 0) return [0] // round: no edge stands out
  const angles: number[] = []
  for (let k = 0; k < n; k++) {
    let length = 0
    while (near[(start + k + length) % n] && length < n) length++
    if (length > 0) angles.push(await refine(bench, (start + k + (length - 1) / 2) * STEP))
    k += length
  }
  // an edge just short of a whole turn is the first one
  return angles.map((deg) => (normDeg(deg) > 352 ? normDeg(deg) - 360 : normDeg(deg))).sort((a, b) => a - b)
}

/** Column of the outermost pixel of the tool. */
function farthest({ frame }: BenchPicture): number {
  const light = readLight(frame)
  const outline = light.ok ? findOutline(frame, light.value) : null
  let most = -Infinity
  for (const piece of outline?.pieces ?? []) for (const { u } of piece) if (u > most) most = u
  return most
}

async function refine(bench: Bench, deg: number): Promise<number> {
  const SIDE = 3
  const x: number[] = []
  for (const turn of [-SIDE, 0, SIDE]) {
    await bench.turnTo(deg + turn)
    const picture = await bench.grab()
    const read = measureFrame(picture.frame, viewOf(bench, picture), [])
    x.push(read.ok && read.value.x ? read.value.x.value : NaN)
  }
  const bend = x[0] - 2 * x[1] + x[2]
  const shift = (0.5 * (x[0] - x[2])) / bend
  return bend < 0 && Math.abs(shift) < 2 ? deg + shift * SIDE : deg
}

/** Three pictures of one edge, a little before, at and after its angle. */
export async function measureEdge(bench: Bench, edge: number, angleDeg: number, show: Show): Promise<Picture[]> {
  const pictures: Picture[] = []
  for (const turn of [-TURN_STEP_DEG, TURN_STEP_DEG, 0]) {
    await bench.turnTo(angleDeg + turn)
    const p = await bench.grab()
    if (turn === 0) {
      const read = measureFrame(p.frame, viewOf(bench, p), ['RE'])
      show(p, read.ok ? read.value : null, edge)
    }
    pictures.push({
      name: `edge-${edge}${turn < 0 ? '-before' : turn > 0 ? '-after' : ''}.png`,
      frame: p.frame,
      edge,
      spindleDeg: Math.round((angleDeg + turn) * 1000) / 1000,
      centreX: p.centreX,
      centreZ: p.centreZ,
    })
  }
  return pictures
}

/** All pictures taken so far as one result. */
export function resultOf(
  bench: Bench,
  pictures: readonly Picture[],
  measure: readonly Feature[],
): Result<SetMeasurement, CycleError> {
  const read = measureSet(pictures, bench.facts.mmPerPixel, measure)
  return read.ok ? read : fail({ code: 'NOT_MEASURED', detail: read.error.code })
}
