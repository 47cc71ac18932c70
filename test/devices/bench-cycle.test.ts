/** The bench's stand-in driven as the browser drives it: what is measured from its pictures against the truth it was drawn from. */
import { describe, expect, it } from 'vitest'
import { judgeTool, USUAL_BENCH } from '@/core/judge'
import { makeTruth, wiped, type NominalTool } from '@/devices/world/tool-truth'
import { clean, heightOf, hintOf, INSERT, measured, rad, radiusOf, REST } from '../support/bench-truth'

describe('what the cycle measures of it', () => {
  it.each([
    ['an insert cutter', INSERT, 3],
    ['an end mill with a helix', { LF: 150, DC: 20, RE: 1.5, edges: 4, form: 'corner' }, 4],
    ['six edges with a helix, close beside each other', { LF: 152, DC: 18, RE: 1.2, edges: 6, form: 'corner' }, 10],
    ['a small one', { LF: 105, DC: 6, RE: 0.5, edges: 4, form: 'corner' }, 2],
    ['a large radius', { LF: 130, DC: 25, RE: 3, edges: 3, form: 'corner' }, 1],
    ['a square one', { LF: 120, DC: 12, RE: 0, edges: 3, form: 'square' }, 3],
    ['a ball, larger than the picture', { LF: 265, DC: 10, RE: 5, edges: 2, form: 'ball' }, 1],
    ['a small ball', { LF: 150, DC: 6, RE: 3, edges: 2, form: 'ball' }, 2],
    ['a shell mill', { LF: 96, DC: 63, RE: 0.8, edges: 6, form: 'insert' }, 5],
    ['a chamfer mill', { LF: 140, DC: 12, RE: 0, edges: 4, form: 'chamfer', pointDeg: 90 }, 6],
    ['a reamer', { LF: 205, DC: 12, RE: 0, edges: 4, form: 'reamer' }, 7],
    ['a turning tool', { LF: 54, DC: 64, RE: 0.8, edges: 1, form: 'turning', edgeDeg: 95 }, 8],
  ] satisfies [string, NominalTool, number][])('%s: length and radius to a micrometre of its truth', async (_, nominal, seed) => {
    const truth = clean(seed, nominal)
    const { set } = await measured(truth, hintOf(nominal), nominal.RE > 0 ? REST : ['LF', 'DC'])
    expect(set.edges).toHaveLength(nominal.edges)
    set.edges.forEach((e, i) => {
      expect(Math.abs(e.x!.value - radiusOf(truth, i)), `radius of edge ${i + 1}`).toBeLessThan(0.0015)
      expect(Math.abs(e.z!.value - heightOf(truth, i)), `length of edge ${i + 1}`).toBeLessThan(0.0015)
      if (nominal.RE > 0) {
        const re = truth.profile.type === 'corner' ? truth.profile.radiusMm : truth.edges[i].radiusMm
        expect(Math.abs(e.re!.value - re), `corner of edge ${i + 1}`).toBeLessThan(0.004)
      }
    })
    expect(set.warnings).toEqual([])
  })
  it.each([118, 140])('a drill of %d°: tip, largest radius and point angle', async (pointDeg) => {
    const nominal: NominalTool = { LF: 178, DC: 10.2, RE: 0, edges: 2, form: 'drill', pointDeg }
    const truth = clean(4, nominal)
    const { set } = await measured(truth, hintOf(nominal), ['LF', 'DC', 'SIG'])
    const real = truth.profile.type === 'point' ? truth.profile.pointDeg : NaN
    expect(Math.abs(set.summary.LF! - Math.max(heightOf(truth, 0), heightOf(truth, 1)))).toBeLessThan(0.004)
    expect(Math.abs(set.summary.DC! / 2 - Math.max(radiusOf(truth, 0), radiusOf(truth, 1)))).toBeLessThan(0.0015)
    expect(Math.abs(set.summary.SIG! - real)).toBeLessThan(0.05)
  })
  it.each([3, 8])('a slight helix of %d° is no straight edge: its corner is right too', async (helixDeg) => {
    const nominal: NominalTool = { LF: 150, DC: 20, RE: 1.5, edges: 3, form: 'corner' }
    const truth = { ...clean(3, nominal), twistRadPerMm: Math.tan(rad(helixDeg)) / 10 }
    const { set } = await measured(truth, hintOf(nominal), REST)
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
  it('a cloth goes over the edge that is in the light, also where its turn is just below a whole one', () => {
    const truth = makeTruth(1, INSERT)
    const [first, ...rest] = truth.edges
    const dirty = {
      ...truth,
      edges: [{ ...first, angleDeg: 359.9 }, ...rest],
      dirt: [{ type: 'oil', edge: 1, downMm: 1, longMm: 1, highMm: 0.1 } as const],
    }
    expect(wiped(dirty, 0.05).dirt).toEqual([])
    expect(wiped(dirty, rest[0].angleDeg).dirt).toHaveLength(1)
    expect(wiped(dirty, null).dirt).toEqual([])
  })
  it('finds a chip or a drop of oil on its edge, which is gone after a wipe', async () => {
    const seeds = Array.from({ length: 40 }, (_, i) => i + 1).filter((seed) => makeTruth(seed, INSERT).dirt.length > 0)
    expect(seeds.length).toBeGreaterThan(8)
    expect(seeds.length).toBeLessThan(30)
    for (const type of ['chip', 'oil'] as const) {
      const truth = seeds.map((seed) => makeTruth(seed, INSERT)).find((t) => t.dirt[0].type === type)!
      const dirty = await measured(truth, hintOf(INSERT), REST)
      expect(dirty.set.warnings.map((w) => [w.edge, w.warning.code])).toEqual([[truth.dirt[0].edge, 'DEBRIS']])
      const wipe = await measured(wiped(truth, truth.edges[truth.dirt[0].edge - 1].angleDeg), hintOf(INSERT), REST)
      expect(wipe.set.warnings).toEqual([])
    }
  }, 60_000)
})
