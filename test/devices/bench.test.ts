/** The bench's stand-in driven as the browser drives it: what is measured from its pictures against the truth it was drawn from. */
import { describe, expect, it } from 'vitest'
import { judgeTool, LEAST_CG, measureFrame, type1Study, USUAL_BENCH, type Feature, type Picture } from '@/core/measure'
import { simulatedBench } from '@/devices/bench/simulated'
import { makeTruth, toTicket, wiped, type Meant, type ToolTruth } from '@/devices/world/tool-truth'
import {
  emptyLight,
  evenBench,
  findCorner,
  findEdges,
  measureEdge,
  placesOf,
  resultOf,
  standStill,
  viewOf,
  type Hint,
} from '@/workers/bench-cycle'

const quiet = () => undefined
const INSERT: Meant = { LF: 152, DC: 20, RE: 1.5, edges: 5, form: 'insert' }
const clean = (seed: number, meant: Meant = INSERT) => wiped(makeTruth(seed, meant), null)
const rawBench = (truth: ToolTruth) => simulatedBench(toTicket(truth))
async function benchOf(truth: ToolTruth) {
  const raw = rawBench(truth)
  return evenBench(raw, await emptyLight(raw))
}
const rad = (deg: number) => (deg * Math.PI) / 180
/** Radius of an edge about the spindle's axis, and its height: a leaning axis lifts one side. */
const radiusOf = (truth: ToolTruth, i: number) =>
  truth.edges[i].radiusMm + truth.eccentricityMm * Math.cos(rad(truth.eccentricityDeg - truth.edges[i].angleDeg))
const heightOf = (truth: ToolTruth, i: number) =>
  truth.edges[i].lengthMm - truth.tiltRad * truth.edges[i].radiusMm * Math.cos(rad(truth.edges[i].angleDeg - truth.tiltDeg))

/** Where a turn of the spindle finds the edges, a little beside them: that it does is tested by itself below. */
const beside = (truth: ToolTruth) => truth.edges.map((e, i) => e.angleDeg + (i % 2 ? 0.3 : -0.3))

async function measured(truth: ToolTruth, hint: Hint | null, measure: readonly Feature[]) {
  const bench = await benchOf(truth)
  const corner = await findCorner(bench, hint, quiet)
  if (!corner.ok) throw new Error(corner.error.code)
  const angles = beside(truth)
  await bench.turnTo(angles[0])
  const places = await placesOf(bench, corner.value, measure, quiet)
  const pictures: Picture[] = []
  for (const [i, angleDeg] of angles.entries())
    pictures.push(...(await measureEdge(bench, { edge: i + 1, angleDeg, stage: 0 }, places.list, corner.value, quiet)))
  const result = resultOf(bench, pictures, measure)
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return { set: result.value, angles, pictures }
}
const hintOf = ({ LF, DC }: Meant) => ({ x: DC / 2, z: LF })
const REST: readonly Feature[] = ['LF', 'DC', 'RE']

describe('the simulated bench', () => {
  it('shows the same tool tomorrow, and another tool for another seed', async () => {
    expect(makeTruth(7, INSERT)).toEqual(makeTruth(7, INSERT))
    expect(makeTruth(8, INSERT)).not.toEqual(makeTruth(7, INSERT))
    const grab = async (seed: number) => {
      const bench = rawBench(makeTruth(seed, INSERT))
      await bench.moveTo(9, 151)
      return (await bench.grab()).frame.data
    }
    expect(await grab(7)).toEqual(await grab(7))
    expect(await grab(8)).not.toEqual(await grab(7))
  })
  it('repeats itself: fifty measurements of one edge are fit for a tolerance of 0.02 mm', async () => {
    const truth = clean(12)
    const bench = await benchOf(truth)
    const corner = await findCorner(bench, hintOf(INSERT), quiet)
    const at = corner.ok ? corner.value : hintOf(INSERT)
    const places = await placesOf(bench, at, REST, quiet)
    const lengths: number[] = []
    for (let i = 0; i < 50; i++) {
      const result = resultOf(bench, await measureEdge(bench, { edge: 1, angleDeg: 0, stage: 0 }, places.list, at, quiet), REST)
      if (!result.ok) throw new Error(result.error.code)
      lengths.push(result.value.summary.LF!)
    }
    const study = type1Study(lengths, heightOf(truth, 0), 0.02)!
    expect(study.Cg).toBeGreaterThan(LEAST_CG)
    expect(study.Cgk).toBeGreaterThan(LEAST_CG)
  })
  it('is out of focus away from the light’s plane', async () => {
    const bench = await benchOf(clean(2))
    await bench.moveTo(9, 151)
    const focus = async (deg: number) => {
      await bench.turnTo(deg)
      const p = await bench.grab()
      const read = measureFrame(p.frame, viewOf(bench, p), [])
      return read.ok ? read.value.focus : 0
    }
    expect(await focus(0)).toBeGreaterThan((await focus(12)) + 0.1)
  })
  it('has dust on its glass, which the even light takes away', async () => {
    const truth = clean(2)
    expect(truth.specks.length).toBeGreaterThan(3)
    const islands = async (bench: ReturnType<typeof rawBench>) => {
      await bench.moveTo(-19, 152)
      await bench.moveTo(11, 150.5)
      const p = await bench.grab()
      const read = measureFrame(p.frame, viewOf(bench, p), [])
      return read.ok ? read.value.debris.length : -1
    }
    const dark = { ...truth, specks: truth.specks.map((s) => ({ ...s, share: 0.72, radiusPx: 5 })) }
    expect(await islands(rawBench(dark))).toBeGreaterThan(0)
    expect(await islands(await benchOf(dark))).toBe(0)
  })
  it('swings after a move, and stands still when it is waited for', async () => {
    const truth = clean(2)
    const place = async (wait: boolean) => {
      const bench = await benchOf({ ...truth, swingMm: 0.05 })
      await bench.moveTo(9, 140)
      await bench.moveTo(9, 151)
      const p = wait ? await standStill(bench) : await bench.grab()
      const read = measureFrame(p.frame, viewOf(bench, p), [])
      return read.ok ? read.value.z!.value : NaN
    }
    expect(Math.abs((await place(false)) - heightOf(truth, 0))).toBeGreaterThan(0.005)
    expect(Math.abs((await place(true)) - heightOf(truth, 0))).toBeLessThan(0.0015)
  })
})

describe('what the cycle measures of it', () => {
  it.each([
    ['an insert cutter', INSERT, 3],
    ['an end mill with a helix', { LF: 150, DC: 20, RE: 1.5, edges: 4, form: 'corner' }, 4],
    ['a small one', { LF: 105, DC: 6, RE: 0.5, edges: 4, form: 'corner' }, 2],
    ['a large radius', { LF: 130, DC: 25, RE: 3, edges: 3, form: 'corner' }, 1],
    ['a square one', { LF: 120, DC: 12, RE: 0, edges: 3, form: 'square' }, 3],
    ['a ball, larger than the picture', { LF: 265, DC: 10, RE: 5, edges: 2, form: 'ball' }, 1],
    ['a small ball', { LF: 150, DC: 6, RE: 3, edges: 2, form: 'ball' }, 2],
    ['a shell mill', { LF: 96, DC: 63, RE: 0.8, edges: 6, form: 'insert' }, 5],
    ['a chamfer mill', { LF: 140, DC: 12, RE: 0, edges: 4, form: 'chamfer', pointDeg: 90 }, 6],
    ['a reamer', { LF: 205, DC: 12, RE: 0, edges: 4, form: 'reamer' }, 7],
    ['a turning tool', { LF: 54, DC: 64, RE: 0.8, edges: 1, form: 'turning', edgeDeg: 95 }, 8],
  ] satisfies [string, Meant, number][])('%s: length and radius to a micrometre of its truth', async (_, meant, seed) => {
    const truth = clean(seed, meant)
    const { set } = await measured(truth, hintOf(meant), meant.RE > 0 ? REST : ['LF', 'DC'])
    expect(set.edges).toHaveLength(meant.edges)
    set.edges.forEach((e, i) => {
      expect(Math.abs(e.x!.value - radiusOf(truth, i)), `radius of edge ${i + 1}`).toBeLessThan(0.0015)
      expect(Math.abs(e.z!.value - heightOf(truth, i)), `length of edge ${i + 1}`).toBeLessThan(0.0015)
      if (meant.RE > 0) {
        const re = truth.profile.type === 'corner' ? truth.profile.radiusMm : truth.edges[i].radiusMm
        expect(Math.abs(e.re!.value - re), `corner of edge ${i + 1}`).toBeLessThan(0.004)
      }
    })
    expect(set.warnings).toEqual([])
  })
  it.each([118, 140])('a drill of %d°: tip, largest radius and point angle', async (pointDeg) => {
    const meant: Meant = { LF: 178, DC: 10.2, RE: 0, edges: 2, form: 'drill', pointDeg }
    const truth = clean(4, meant)
    const { set } = await measured(truth, hintOf(meant), ['LF', 'DC', 'SIG'])
    const real = truth.profile.type === 'point' ? truth.profile.pointDeg : NaN
    expect(Math.abs(set.summary.LF! - Math.max(heightOf(truth, 0), heightOf(truth, 1)))).toBeLessThan(0.004)
    expect(Math.abs(set.summary.DC! / 2 - Math.max(radiusOf(truth, 0), radiusOf(truth, 1)))).toBeLessThan(0.0015)
    expect(Math.abs(set.summary.SIG! - real)).toBeLessThan(0.05)
  })
  it.each([3, 8])('a slight helix of %d° is no straight edge: its corner is right too', async (helixDeg) => {
    const meant: Meant = { LF: 150, DC: 20, RE: 1.5, edges: 3, form: 'corner' }
    const truth = { ...clean(3, meant), twistRadPerMm: Math.tan(rad(helixDeg)) / 10 }
    const { set } = await measured(truth, hintOf(meant), REST)
    const re = truth.profile.type === 'corner' ? truth.profile.radiusMm : NaN
    set.edges.forEach((e, i) => {
      expect(Math.abs(e.x!.value - radiusOf(truth, i))).toBeLessThan(0.0006)
      expect(Math.abs(e.re!.value - re)).toBeLessThan(0.002)
    })
  })
  it('tells runout as it is', async () => {
    const truth = clean(3)
    const { set } = await measured(truth, hintOf(INSERT), REST)
    const { runout } = judgeTool(set, {}, USUAL_BENCH)
    const real = truth.edges.map((_, i) => radiusOf(truth, i))
    expect(runout!.spreadMm).toBeCloseTo(Math.max(...real) - Math.min(...real), 3)
  })
  it('finds a chip or a drop of oil on its edge, which is gone after a wipe', async () => {
    const seeds = Array.from({ length: 40 }, (_, i) => i + 1).filter((seed) => makeTruth(seed, INSERT).dirt.length > 0)
    expect(seeds.length).toBeGreaterThan(8)
    expect(seeds.length).toBeLessThan(30)
    for (const type of ['chip', 'oil'] as const) {
      const truth = seeds.map((seed) => makeTruth(seed, INSERT)).find((t) => t.dirt[0].type === type)!
      const dirty = await measured(truth, hintOf(INSERT), REST)
      expect(dirty.set.warnings.map((w) => [w.edge, w.warning.code])).toEqual([[truth.dirt[0].edge, 'DEBRIS']])
      const wipe = await measured(wiped(truth, truth.dirt[0].edge), hintOf(INSERT), REST)
      expect(wipe.set.warnings).toEqual([])
    }
  }, 60_000)
})

describe('finding a tool of which nothing is known', () => {
  it('comes down over the axis, finds the corner and every edge, unequal as they stand', async () => {
    const truth = clean(4, { LF: 152, DC: 16, RE: 1, edges: 5, form: 'corner' })
    const bench = await benchOf(truth)
    const corner = await findCorner(bench, null, quiet)
    expect(corner.ok && Math.abs(corner.value.z - truth.edges[0].lengthMm)).toBeLessThan(0.1)
    expect(corner.ok && Math.abs(corner.value.x - 8)).toBeLessThan(0.5)
    const edges = corner.ok ? await findEdges(bench, corner.value, quiet) : []
    expect(edges).toHaveLength(5)
    // in the band below the corner that is looked at a helix of 30° has turned a Ø16 edge by up to 2.2°
    edges.forEach((deg, i) => expect(Math.abs(deg - truth.edges[i].angleDeg)).toBeLessThan(3))
  })
  it('finds straight edges to a third of a degree', async () => {
    const truth = clean(4)
    const bench = await benchOf(truth)
    const corner = await findCorner(bench, hintOf(INSERT), quiet)
    const edges = corner.ok ? await findEdges(bench, corner.value, quiet) : []
    expect(edges).toHaveLength(5)
    edges.forEach((deg, i) => expect(Math.abs(deg - truth.edges[i].angleDeg)).toBeLessThan(0.3))
  })
  it('finds its way from a hint that is wrong', async () => {
    const corner = await findCorner(await benchOf(clean(3)), { x: 7, z: 149 }, quiet)
    expect(corner.ok && Math.abs(corner.value.z - 152)).toBeLessThan(0.1)
  })
})
