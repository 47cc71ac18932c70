/** The bench's stand-in driven as the browser drives it, and the truth that its pictures were drawn from. */
import type { Feature } from '@/core/features'
import type { Picture } from '@/core/sets'
import { simulatedBench } from '@/devices/bench/simulated'
import { makeTruth, toTicket, wiped, type NominalTool, type ToolTruth } from '@/devices/world/tool-truth'
import { emptyLight, evenBench, findCorner, measureEdge, positionsOf, resultOf, type Hint } from '@/workers/bench-cycle'

export const quiet = () => undefined
export const INSERT: NominalTool = { LF: 152, DC: 22, RE: 1.2, edges: 6, form: 'insert' }
export const clean = (seed: number, nominal: NominalTool = INSERT) => wiped(makeTruth(seed, nominal), null)
export const rawBench = (truth: ToolTruth) => simulatedBench(toTicket(truth))
export async function benchOf(truth: ToolTruth) {
  const raw = rawBench(truth)
  return evenBench(raw, await emptyLight(raw))
}
export const rad = (deg: number) => (deg * Math.PI) / 180
/** Radius of an edge about the spindle's axis, and its height: a leaning axis lifts one side. */
export const radiusOf = (truth: ToolTruth, i: number) =>
  truth.edges[i].radiusMm + truth.eccentricityMm * Math.cos(rad(truth.eccentricityDeg - truth.edges[i].angleDeg))
export const heightOf = (truth: ToolTruth, i: number) =>
  truth.edges[i].lengthMm - truth.tiltRad * truth.edges[i].radiusMm * Math.cos(rad(truth.edges[i].angleDeg - truth.tiltDeg))

/** Where a turn of the spindle finds the edges, a little beside them: that it does is tested by itself below. */
const beside = (truth: ToolTruth) => truth.edges.map((e, i) => e.angleDeg + (i % 2 ? 0.3 : -0.3))

export async function measured(truth: ToolTruth, hint: Hint | null, measure: readonly Feature[]) {
  const bench = await benchOf(truth)
  const corner = await findCorner(bench, hint, quiet)
  if (!corner.ok) throw new Error(corner.error.code)
  const angles = beside(truth)
  await bench.turnTo(angles[0])
  const places = await positionsOf(bench, corner.value, measure, quiet)
  const pictures: Picture[] = []
  for (const [i, angleDeg] of angles.entries())
    pictures.push(...(await measureEdge(bench, { edge: i + 1, angleDeg, stage: 0 }, places.list, corner.value, quiet)))
  const result = resultOf(bench, pictures, measure)
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return { set: result.value, angles, pictures }
}
export const hintOf = ({ LF, DC }: NominalTool) => ({ x: DC / 2, z: LF })
export const REST: readonly Feature[] = ['LF', 'DC', 'RE']
