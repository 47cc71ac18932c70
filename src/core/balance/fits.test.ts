import { describe, expect, it } from 'vitest'
import { absOf, polar } from '../numeric'
import type { PartOf } from '../tool'
import { degToRad } from '../units'
import { kindsOf, planesOf, proposeFits, type FitsTask } from './fits'
import { moved, vectorOf } from './plane'
import { provisionOf } from './provision'
import { isGood, standingIn, standingOf, toGoDeg } from './state'

const holder: PartOf<'collet-holder'> = {
  kind: 'collet-holder',
  id: 'H1',
  name: 'collet holder',
  CCMS: 'HSK-A63',
  colletSystem: 'ISO 15488',
  colletSize: 25,
  LPR: 100,
  BD: 42,
  LSCX: 60,
  RPMX: 18000,
  WT: 1.3,
}
const screws = {
  balanceThread: 'M6',
  backAngles: '0 45 90 135 180 225 270 315',
  backRadiusMm: 25,
  backHeightMm: 18,
  frontAngles: '0 60 120 180 240 300',
  frontRadiusMm: 20,
  frontHeightMm: 60,
}
const rings = { backRingGmm: 24, backRingHeightMm: 22, frontRingGmm: 18, frontRingHeightMm: 62 }
const drill = { drillRadiusMm: 26, drillDepthMm: 9, drillBackMm: 16, drillNever: '80-100 260-280' }

describe('where a holder can be balanced', () => {
  it('is what its description says, back before front', () => {
    const all = provisionOf({ ...holder, ...screws, ...rings, ...drill })
    expect(kindsOf(all)).toEqual(['screws', 'rings', 'drill'])
    expect(all.screws.map(({ name, zMm, holes }) => [name, zMm, holes.length])).toEqual([
      ['back', 18, 8],
      ['front', 60, 6],
    ])
    expect(all.never).toEqual([
      { from: 80, to: 100 },
      { from: 260, to: 280 },
    ])
  })
  it.each([
    ['nothing is described', {}, []],
    ['a row has no height', { ...screws, backHeightMm: undefined, frontAngles: undefined }, []],
    ['rings have no unbalance', { backRingHeightMm: 22 }, []],
    ['a depth has no radius', { drillDepthMm: 9, drillBackMm: 16 }, []],
  ])('is nowhere where %s', (_, has, kinds) => expect(kindsOf(provisionOf({ ...holder, ...has }))).toEqual(kinds))
  it('is one plane where two are at one height: they could not be told apart', () =>
    expect(provisionOf({ ...holder, ...screws, frontHeightMm: 20 }).screws.map(({ name }) => name)).toEqual(['back']))
  it('is judged as a whole, at its mass centre, where nothing can be corrected', () =>
    expect([planesOf(provisionOf(holder), null, 47), planesOf(provisionOf(holder), null, null)]).toEqual([[47], [0]]))
})

const need = { zMm: [25, 95], at: [vectorOf({ gmm: 22, deg: 40 }), vectorOf({ gmm: 9, deg: 210 })] }
const task = (has: object, change: Partial<FitsTask> = {}): FitsTask => ({
  spread: need,
  sigmaGmm: 0.05,
  tool: { massKg: 1.6, cgZMm: 42 },
  wanted: { grade: 2.5, rpm: 10_000 },
  provision: provisionOf({ ...holder, ...has }),
  has: { screws: [], rings: [], holes: [], added: [] },
  drawer: [0.2, 0.3, 0.5, 0.8, 1.2, 2].map((massG) => ({ part: `BS-${massG}`, massG, stock: 4 })),
  bit: { diameterMm: 6, pointDeg: 118 },
  ...change,
})

describe('corrections', () => {
  it('every kind first, then other screws; each says what it comes to', () => {
    const fits = proposeFits(task({ ...screws, ...rings }))
    expect(fits.slice(0, 2).map(({ kind }) => kind)).toEqual(['screws', 'rings'])
    expect(fits.filter(({ kind }) => kind === 'screws').length).toBeGreaterThan(1)
    for (const { after } of fits) expect(after.planes).toHaveLength(2)
    expect(fits[0].after.grade).toBeLessThan(2.5)
  })
  it('screws come to what their masses and places make, reckoned once more here', () => {
    const [{ steps, after }] = proposeFits(task(screws))
    const [back, front] = moved(need, [18, 60])
    const left = { back, front }
    for (const step of steps) {
      if (step.type !== 'screw in') throw new Error(step.type)
      const pull = polar(step.massG * (step.plane === 'back' ? 25 : 20), degToRad(step.deg))
      left[step.plane] = { re: left[step.plane].re + pull.re, im: left[step.plane].im + pull.im }
    }
    expect(after.planes.map((p) => p.unbalance.gmm)).toEqual([
      expect.closeTo(absOf(left.back), 9),
      expect.closeTo(absOf(left.front), 9),
    ])
  })
  it('both triangles of the rings leave the same, to a degree of the scale', () => {
    const fits = proposeFits(task(rings))
    expect(fits.map(({ kind }) => kind)).toEqual(['rings', 'rings'])
    expect(fits[0].steps).not.toEqual(fits[1].steps)
    // half a degree of two rings of 24 g·mm is 0.3 g·mm
    for (const { after } of fits) for (const { unbalance } of after.planes) expect(unbalance.gmm).toBeLessThan(0.42)
  })
  it('rings that are turned already are turned on from there', () => {
    const [first] = proposeFits(task(rings))
    const set = first.steps.flatMap((s) => (s.type === 'ring' ? [{ plane: s.plane, ring: s.ring, deg: s.deg }] : []))
    const spread = { zMm: first.after.planes.map((p) => p.zMm), at: first.after.planes.map((p) => vectorOf(p.unbalance)) }
    const again = proposeFits(task(rings, { spread, has: { screws: [], rings: set, holes: [], added: [] } }))
    const turned = again.map(({ steps }) => steps.map((s) => s.deg))
    expect(turned).toContainEqual(first.steps.map((s) => s.deg))
  })
  it('holes keep out of what is never drilled, and of holes that are there', () => {
    const holes = [{ plane: 'back' as const, deg: 40, depthMm: 6, removedG: 1 }]
    for (const has of [[], holes]) {
      const [fit] = proposeFits(task(drill, { has: { screws: [], rings: [], holes: has, added: [] } }))
      const half = (Math.asin(3 / 26) * 180) / Math.PI
      for (const { deg } of fit.steps) {
        for (const [from, to] of [
          [80, 100],
          [260, 280],
        ])
          expect(deg > from - half + 0.5 && deg < to + half - 0.5).toBe(false)
        for (const h of has) expect(Math.abs(toGoDeg(deg, h.deg))).toBeGreaterThan(2 * half)
      }
      expect(fit.after.grade).toBeLessThan(standingIn(moved(need, [16]), [16], task({}).tool, task({}).wanted).grade)
    }
  })
  it('mass is put on either side of the light place, never more than a place may carry', () => {
    const add = { addAngles: '45 135 225 315', addRadiusMm: 20, addMostG: 1, addBackMm: 20 }
    const [first] = proposeFits(task(add))
    expect(first.kind).toBe('add')
    for (const s of first.steps) {
      expect(s.type === 'add' && s.massG).toBeLessThanOrEqual(1)
      // the static need stands at 33°: never on its own side
      expect([135, 225, 315]).toContain(s.deg)
    }
    // a twentieth of a gram at 20 mm is 1 g·mm: half of it is left at each place at most
    expect(first.after.staticGmm.gmm).toBeLessThan(0.5 * Math.SQRT2)
    // three steps of a twentieth, and a bit that nobody can weigh
    for (const { type, ...step } of proposeFits(task({ ...add, addMostG: 0.18 }))[0].steps)
      expect(type === 'add' && 'massG' in step && step.massG).toBeCloseTo(0.15, 9)
    const full = [135, 225, 315].map((deg) => ({ plane: 'back' as const, deg, massG: 1 }))
    const none = proposeFits(task(add, { has: { screws: [], rings: [], holes: [], added: full } }))
    expect(none).toEqual([])
  })
  it('an empty drawer has none; screws that are in can still come out', () => {
    expect(proposeFits(task(screws, { drawer: [] }))).toEqual([])
    const heavy = { zMm: [18, 60], at: [vectorOf({ gmm: 30, deg: 90 }), { re: 0, im: 0 }] }
    const has = { screws: [{ plane: 'back' as const, hole: 2, part: 'OLD', massG: 1.2 }], rings: [], holes: [], added: [] }
    const [fit] = proposeFits(task(screws, { drawer: [], spread: heavy, has }))
    expect(fit.steps).toEqual([{ type: 'screw out', plane: 'back', hole: 2, deg: 90, part: 'OLD', massG: 1.2 }])
    expect(fit.after.grade).toBeLessThan(0.01)
  })
})

describe('a tool against what is wanted', () => {
  const tool = { massKg: 2, cgZMm: null }
  it('its couple part is the moment about the mass centre; a force there has none', () => {
    const couple = (gmm: number, cgZMm: number | null) =>
      standingOf(
        { zMm: [20, 80], at: [vectorOf({ gmm, deg: 0 }), vectorOf({ gmm: 5, deg: 180 })] },
        [20, 80],
        { massKg: 2, cgZMm },
        { grade: 2.5, rpm: 10_000 },
      )
    // 5 g·mm against 5 g·mm at 60 mm
    expect(couple(5, 50)).toMatchObject({ staticGmm: { gmm: expect.closeTo(0, 9) }, coupleGmm2: expect.closeTo(300, 9) })
    // 15 at 20 mm less 5 at 80 mm stand as 10 at −10 mm
    expect(couple(15, -10).coupleGmm2).toBeCloseTo(0, 9)
    expect(couple(5, null).coupleGmm2).toBeNull()
  })
  it('its worst plane counts, and the speed follows in proportion', () => {
    // 9549.3 · 2.5 · 2 / 10000 = 4.77 g·mm, half of it a plane
    const at = standingIn([vectorOf({ gmm: 4.77, deg: 0 }), vectorOf({ gmm: 1, deg: 180 })], [10, 60], tool, {
      grade: 2.5,
      rpm: 10_000,
    })
    expect(at.grade).toBeCloseTo(5, 1)
    expect(at.goodToRpm).toBeCloseTo(5000, -2)
    expect(at.staticGmm.gmm).toBeCloseTo(3.77, 9)
    expect(at.offsetUm).toBeCloseTo(3.77 / 2, 9)
    expect(isGood(at, { grade: 2.5, rpm: 10_000 })).toBe(false)
    expect(isGood(standingIn([{ re: 0, im: 0 }], [10], tool, { grade: 2.5, rpm: 10_000 }), { grade: 2.5, rpm: 10_000 })).toBe(
      true,
    )
  })
  it.each([
    [0, 90, 90],
    [350, 10, 20],
    [10, 350, -20],
    [0, 180, 180],
    [96, 96, 0],
  ])('from %d° to %d° are %d° to go', (from, to, go) => expect(toGoDeg(from, to)).toBe(go))
})
