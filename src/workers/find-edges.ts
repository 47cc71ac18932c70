/** Finds the edges of a tool by a turn of the spindle: how many there are, and at which angles. */
import type { Bench, BenchPicture } from '@/devices/bench/port'
import { findOutline, readLight } from '@/core/imaging'
import { measureFrame } from '@/core/shapes'
import { fitParabola } from '@/core/numeric'
import { normDeg } from '@/core/units'
import { viewOf, type Hint, type Show } from './find-tool'

const STEP_DEG = 6
/** An edge counts as seen while its shadow is within this of the farthest, px. */
const NEAR_PX = 15
/** Only so much below the corner is looked at: farther down a helix has turned the edge away, mm. */
const BAND_MM = 0.5
/** Turns around a roughly found edge, degrees. */
const REFINE_DEG = [-6, -3, 0, 3, 6]

/**
 * @param corner where the corner is, as the picture shows it
 * @returns angles in degrees, ascending; one angle where nothing stands out
 */
export async function findEdges(bench: Bench, corner: Hint, show: Show): Promise<number[]> {
  const reach: number[] = []
  for (let deg = 0; deg < 360; deg += STEP_DEG) {
    await bench.turnTo(deg)
    const picture = await bench.grab()
    if (deg % 18 === 0) show(picture, null, null)
    reach.push(farthest(bench, picture, corner))
  }
  const most = Math.max(...reach)
  if (most === -Infinity) return [0] // nothing in sight there
  const n = reach.length
  const near = reach.map((r) => r > most - NEAR_PX)
  const start = near.indexOf(false)
  if (start < 0) return [0] // round: no edge stands out
  const angles: number[] = []
  for (let k = 0; k < n; k++) {
    let length = 0
    while (near[(start + k + length) % n] && length < n) length++
    if (length > 0) angles.push(await refine(bench, corner, (start + k + (length - 1) / 2) * STEP_DEG))
    k += length
  }
  // an edge just short of a whole turn is the first one
  return angles.map((deg) => (normDeg(deg) > 352 ? normDeg(deg) - 360 : normDeg(deg))).sort((a, b) => a - b)
}

/** Column of the outermost pixel of the tool in the rows just below its corner. */
function farthest(bench: Bench, { frame, centreZ }: BenchPicture, corner: Hint): number {
  const light = readLight(frame)
  const outline = light.ok ? findOutline(frame, light.value) : null
  const { z: scale } = bench.facts.mmPerPixel
  const top = frame.height / 2 - (corner.z - centreZ) / scale
  let most = -Infinity
  for (const piece of outline?.pieces ?? []) for (const { u, v } of piece) if (v < top + BAND_MM / scale && u > most) most = u
  return most
}

/** The top of a parabola through how far the edge reaches at turns around its angle. */
async function refine(bench: Bench, corner: Hint, deg: number): Promise<number> {
  const turns: number[] = []
  const far: number[] = []
  for (const turn of REFINE_DEG) {
    await bench.turnTo(deg + turn)
    const picture = await bench.grab()
    const read = measureFrame(picture.frame, viewOf(bench, picture), [])
    const band = read.ok ? read.value.outline.filter((p) => p.z > corner.z - BAND_MM).map((p) => p.x) : []
    if (!band.length) continue
    turns.push(turn)
    far.push(Math.max(...band))
  }
  const top = turns.length < 4 ? null : fitParabola(turns, far)?.top
  return top && Math.abs(top.t) < STEP_DEG + 2 ? deg + top.t : deg
}
