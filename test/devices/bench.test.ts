/** The bench's stand-in driven as the browser drives it: what is measured from its pictures against the truth it was drawn from. */
import { describe, expect, it } from 'vitest'
import { judgeTool, LEAST_CG, measureFrame, type1Study, USUAL_BENCH, type Picture } from '@/core/measure'
import { simulatedBench } from '@/devices/bench/simulated'
import { makeTruth, toTicket, wiped, type ToolTruth } from '@/devices/world/tool-truth'
import { findCorner, findEdges, measureEdge, resultOf, viewOf } from '@/workers/bench-cycle'

const MEANT = { LF: 152, DC: 20, RE: 1.5, edges: 5 }
const quiet = () => undefined
const clean = (seed: number) => wiped(makeTruth(seed, MEANT), null)
const benchOf = (truth: ToolTruth) => simulatedBench(toTicket(truth))
/** Radius of an edge about the spindle's axis. */
const seen = (truth: ToolTruth, i: number) =>
  truth.edges[i].radiusMm + truth.eccentricityMm * Math.cos(((truth.eccentricityDeg - truth.edges[i].angleDeg) * Math.PI) / 180)

async function all(truth: ToolTruth, count: number) {
  const bench = benchOf(truth)
  await findCorner(bench, { x: MEANT.DC / 2, z: MEANT.LF }, quiet)
  const pictures: Picture[] = []
  for (let i = 0; i < count; i++) pictures.push(...(await measureEdge(bench, i + 1, (360 * i) / count, quiet)))
  const result = resultOf(bench, pictures, ['LF', 'DC', 'RE'])
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}

describe('the simulated bench', () => {
  it('shows the same tool tomorrow, and another tool for another seed', async () => {
    expect(makeTruth(7, MEANT)).toEqual(makeTruth(7, MEANT))
    expect(makeTruth(8, MEANT)).not.toEqual(makeTruth(7, MEANT))
    const grab = async (seed: number) => {
      const bench = benchOf(makeTruth(seed, MEANT))
      await bench.moveTo(9, 151)
      return (await bench.grab()).frame.data
    }
    expect(await grab(7)).toEqual(await grab(7))
    expect(await grab(8)).not.toEqual(await grab(7))
  })
  it.each([1, 3, 5])('is measured to a micrometre of its truth, seed %d', async (seed) => {
    const truth = clean(seed)
    const set = await all(truth, 5)
    set.edges.forEach((e, i) => {
      expect(Math.abs(e.x!.value - seen(truth, i))).toBeLessThan(0.001)
      expect(Math.abs(e.z!.value - truth.edges[i].lengthMm)).toBeLessThan(0.001)
      expect(Math.abs(e.re!.value - truth.cornerRadiusMm)).toBeLessThan(0.003)
    })
    expect(set.warnings).toEqual([])
    const { runout } = judgeTool(set, {}, USUAL_BENCH)
    expect(runout!.spreadMm).toBeCloseTo(
      Math.max(...set.edges.map((_, i) => seen(truth, i))) - Math.min(...set.edges.map((_, i) => seen(truth, i))),
      3,
    )
  })
  it('repeats itself: fifty measurements of one edge are fit for a tolerance of 0.02 mm', async () => {
    const truth = clean(12)
    const bench = benchOf(truth)
    await findCorner(bench, { x: MEANT.DC / 2, z: MEANT.LF }, quiet)
    const lengths: number[] = []
    for (let i = 0; i < 50; i++) {
      const result = resultOf(bench, await measureEdge(bench, 1, 0, quiet), ['LF', 'DC', 'RE'])
      if (!result.ok) throw new Error(result.error.code)
      lengths.push(result.value.summary.LF!)
    }
    const study = type1Study(lengths, truth.edges[0].lengthMm, 0.02)!
    expect(study.Cg).toBeGreaterThan(LEAST_CG)
    expect(study.Cgk).toBeGreaterThan(LEAST_CG)
  })
  it('has a chip now and then, which is found on its edge, and gone after a wipe', async () => {
    const seeds = Array.from({ length: 40 }, (_, i) => i + 1).filter((seed) => makeTruth(seed, MEANT).chips.length > 0)
    expect(seeds.length).toBeGreaterThan(8)
    expect(seeds.length).toBeLessThan(30)
    const truth = makeTruth(seeds[0], MEANT)
    const dirty = await all(truth, 5)
    expect(dirty.warnings.map((w) => [w.edge, w.warning.code])).toEqual([[truth.chips[0].edge, 'DEBRIS']])
    expect(dirty.edges[truth.chips[0].edge - 1].debris).toHaveLength(1)
    expect((await all(wiped(truth, truth.chips[0].edge), 5)).warnings).toEqual([])
  })
  it('is out of focus away from the light’s plane', async () => {
    const bench = benchOf(clean(2))
    await bench.moveTo(9, 151)
    const focus = async (deg: number) => {
      await bench.turnTo(deg)
      const p = await bench.grab()
      const read = measureFrame(p.frame, viewOf(bench, p), [])
      return read.ok ? read.value.focus : 0
    }
    expect(await focus(0)).toBeGreaterThan((await focus(12)) + 0.1)
  })
})

describe('finding a tool of which nothing is known', () => {
  it('comes down over the axis, finds the corner and every edge', async () => {
    const truth = clean(4)
    const bench = benchOf(truth)
    const corner = await findCorner(bench, null, quiet)
    expect(corner.ok && Math.abs(corner.value.z - 152)).toBeLessThan(0.1)
    expect(corner.ok && Math.abs(corner.value.x - 10)).toBeLessThan(0.5)
    const edges = await findEdges(bench, quiet)
    expect(edges).toHaveLength(5)
    edges.forEach((deg, i) => expect(Math.abs(deg - truth.edges[i].angleDeg)).toBeLessThan(0.3))
  })
  it('finds its way from a hint that is wrong', async () => {
    const corner = await findCorner(benchOf(clean(3)), { x: 7, z: 149 }, quiet)
    expect(corner.ok && Math.abs(corner.value.z - 152)).toBeLessThan(0.1)
  })
})
