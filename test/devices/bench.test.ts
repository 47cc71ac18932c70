/** The bench's stand-in driven as the browser drives it. */
import { describe, expect, it } from 'vitest'
import { LEAST_CG, type1Study } from '@/core/judge'
import { measureFrame } from '@/core/shapes'
import { makeTruth } from '@/devices/world/tool-truth'
import { findCorner, findEdges, measureEdge, positionsOf, resultOf, standStill, viewOf } from '@/workers/bench-cycle'
import { benchOf, clean, heightOf, hintOf, INSERT, quiet, rawBench, REST } from '../support/bench-truth'

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
    const places = await positionsOf(bench, at, REST, quiet)
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
    expect(edges).toHaveLength(INSERT.edges)
    edges.forEach((deg, i) => expect(Math.abs(deg - truth.edges[i].angleDeg)).toBeLessThan(0.3))
  })
  it('finds its way from a hint that is wrong', async () => {
    const corner = await findCorner(await benchOf(clean(3)), { x: 7, z: 149 }, quiet)
    expect(corner.ok && Math.abs(corner.value.z - 152)).toBeLessThan(0.1)
  })
})
