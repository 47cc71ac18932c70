/**
 * Drill points, lips, balls, chamfers, leaning edges, turning noses, chips and tools that the border cuts, drawn by
 * the separate renderer (test/support/render.ts). The bounds are those the project promises for pictures with a
 * contrast of at least 20 times the noise; the truths are those of plane geometry.
 */
import { describe, expect, it } from 'vitest'
import { measureFrame, type FrameMeasurement } from '@/core/shapes'
import type { Feature } from '@/core/features'
import { chance, render, type Scene } from '../../support/render'

type Chance = ReturnType<typeof chance>
type Scale = Scene['mmPerPixel']
interface Drawn {
  readonly inside: Scene['inside']
  /** Where a point of the tool stands in the picture, px. */
  readonly at: { readonly x: number; readonly z: number; readonly u: number; readonly v: number }
  readonly truth: Partial<Record<'x' | 'z' | 're' | 'sig' | 'kapr' | 'chw' | 'kch' | 'scx' | 'scz', number | null>>
}

const rad = Math.PI / 180
const CASES = 30

function pictures(seed: number, asked: readonly Feature[], draw: (c: Chance, m: Scale, px: number) => Drawn) {
  return Array.from({ length: CASES }, (_, i) => {
    const c = chance(seed + i)
    const contrast = c.between(60, 220)
    const noise = Math.min(c.between(0, 8), contrast / 20)
    const x = Math.exp(c.between(Math.log(0.002), Math.log(0.05)))
    const mmPerPixel = { x, z: c.uniform() < 0.5 ? x : x * c.between(0.7, 1.4) }
    const drawn = draw(c, mmPerPixel, Math.sqrt(mmPerPixel.x * mmPerPixel.z))
    const scene: Scene = {
      width: 640,
      height: 480,
      mmPerPixel,
      centreX: drawn.at.x - (drawn.at.u - 320) * mmPerPixel.x,
      centreZ: drawn.at.z - (240 - drawn.at.v) * mmPerPixel.z,
      inside: drawn.inside,
      blurPx: c.between(0.7, 3),
      noise,
      dark: 25,
      contrast,
      fallOff: c.between(0, 0.4),
      seed: seed + i,
    }
    const read = measureFrame({ width: 640, height: 480, data: render(scene) }, scene, asked)
    if (!read.ok) throw new Error(`case ${i}: ${read.error.code}`)
    return { found: read.value, truth: drawn.truth, mmPerPixel }
  })
}
type Case = ReturnType<typeof pictures>[number]

const UNIT: Record<keyof Drawn['truth'], (m: Scale) => number> = {
  x: (m) => m.x,
  scx: (m) => m.x,
  z: (m) => m.z,
  scz: (m) => m.z,
  chw: (m) => m.z,
  re: (m) => Math.sqrt(m.x * m.z),
  sig: () => 1,
  kapr: () => 1,
  kch: () => 1,
}

/** Errors in pixels (angles in degrees), and how many lie beyond three of their own standard deviations. */
function errorsOf(cases: readonly Case[], key: keyof Drawn['truth']) {
  const errors: number[] = []
  let beyond = 0
  for (const { found, truth, mmPerPixel } of cases) {
    const value = found[key]
    const wanted = truth[key]
    if (!value || wanted === undefined || wanted === null) continue
    errors.push((value.value - wanted) / UNIT[key](mmPerPixel))
    if (Math.abs(value.value - wanted) > 3 * value.sigma) beyond++
  }
  const rms = Math.sqrt(errors.reduce((s, e) => s + e * e, 0) / errors.length)
  return { n: errors.length, rms, worst: Math.max(...errors.map(Math.abs)), beyond }
}

function expectClose(cases: readonly Case[], key: keyof Drawn['truth'], rms: number, worst: number, least = CASES): void {
  const e = errorsOf(cases, key)
  expect(e.n, `${key}: values`).toBeGreaterThanOrEqual(least)
  expect(e.rms, `${key}: RMS`).toBeLessThan(rms)
  expect(e.worst, `${key}: worst`).toBeLessThan(worst)
  expect(e.beyond, `${key}: beyond 3 sigma`).toBeLessThanOrEqual(1)
}
const codes = (f: FrameMeasurement) => f.warnings.map((w) => w.code)
const debris = (cases: readonly Case[]) => cases.filter((c) => codes(c.found).some((w) => w === 'DEBRIS' || w === 'NOTCH')).length

describe('a drill', () => {
  const tips = pictures(3000, ['LF', 'SIG'], (c) => {
    const sig = c.between(60, 150)
    const Z = c.between(60, 200)
    const slope = 1 / Math.tan((sig / 2) * rad)
    return {
      inside: (x, z) => z < Z - Math.abs(x) * slope,
      at: { x: 0, z: Z, u: c.between(210, 430), v: c.between(40, 120) },
      truth: { z: Z, sig },
    }
  })
  it('shows its point angle within 0.05° RMS', () => expectClose(tips, 'sig', 0.05, 0.15))
  it('shows its tip where the lips cross', () => expectClose(tips, 'z', 0.06, 0.25))

  const lips = pictures(3100, ['DC', 'SIG'], (c) => {
    const sig = c.between(60, 150)
    const Z = c.between(60, 200)
    const slope = 1 / Math.tan((sig / 2) * rad)
    return {
      inside: (x, z) => x < 6 && z < Z + (6 - x) * slope,
      at: { x: 6, z: Z, u: c.between(300, 560), v: c.between(200, 300) },
      truth: { x: 6, sig, z: null },
    }
  })
  it('shows angle and radius by one lip and its margin, and no length without its tip', () => {
    expectClose(lips, 'sig', 0.05, 0.15)
    expectClose(lips, 'x', 0.05, 0.2)
    for (const { found } of lips) expect(found.z).toBeNull()
  })

  const partly = pictures(3150, ['LF', 'DC', 'SIG'], (c) => {
    const sig = c.between(60, 150)
    const slope = 1 / Math.tan((sig / 2) * rad)
    return {
      inside: (x, z) => z < 100 - Math.abs(x) * slope,
      at: { x: 0, z: 100, u: c.between(60, 120), v: c.between(90, 200) },
      truth: { z: 100, x: null },
    }
  })
  it('whose lip leaves the picture at the bottom has no diameter, and the reason is told', () => {
    // where a blunt point runs out at the right as well, that is what is told
    for (const { found } of partly) {
      expect(found.x).toBeNull()
      expect(codes(found).filter((code) => code === 'CUT_OFF_BOTTOM' || code === 'CUT_OFF_RIGHT')).toHaveLength(1)
    }
    expect(partly.filter(({ found }) => codes(found).includes('CUT_OFF_BOTTOM')).length).toBeGreaterThan(10)
  })
  it('of 90° and Ø10, 6.4 × 4.8 mm of it seen from 0.9 mm over its tip down: no diameter', () => {
    const view = { width: 640, height: 480, mmPerPixel: { x: 0.01, z: 0.01 }, centreX: 2, centreZ: 98.5 }
    const scene = { ...view, inside: (x: number, z: number) => Math.abs(x) < 5 && z < 100 - Math.abs(x) }
    const drawn = render({ ...scene, blurPx: 1.2, noise: 2, dark: 25, contrast: 200, fallOff: 0.1, seed: 5 })
    const read = measureFrame({ width: 640, height: 480, data: drawn }, view, ['LF', 'DC', 'SIG'])
    expect(read.ok && [read.value.x, codes(read.value)]).toEqual([null, ['CUT_OFF_BOTTOM']])
    expect(read.ok && read.value.z!.value).toBeCloseTo(100, 2)
  })

  const chipped = pictures(3200, ['LF', 'DC', 'SIG'], (c, _, px) => {
    const sig = c.between(90, 140)
    const X = c.between(120, 200) * px
    const Z = 100
    const slope = 1 / Math.tan((sig / 2) * rad)
    const high = c.between(5, 40) * px
    const r = high * c.between(0.6, 1.5)
    // on the lip, its tip included, or on the margin below it
    const along = c.between(-0.6, 1)
    const n = along < 0 ? { x: 1, z: 0 } : { x: Math.cos((sig / 2) * rad), z: Math.sin((sig / 2) * rad) }
    const at = along < 0 ? { x: X, z: Z - X * slope + along * X } : { x: (1 - along) * X, z: Z - (1 - along) * X * slope }
    const middle = { x: at.x + (high - r) * n.x, z: at.z + (high - r) * n.z }
    return {
      inside: (x, z) => (Math.abs(x) < X && z < Z - Math.abs(x) * slope) || (x - middle.x) ** 2 + (z - middle.z) ** 2 < r * r,
      at: { x: 0, z: Z, u: c.between(230, 380), v: c.between(70, 130) },
      truth: { x: X, z: Z, sig },
    }
  })
  it('with a chip on lip, tip or margin tells of it, and its figures are right or refused', () => {
    for (const { found, truth, mmPerPixel } of chipped) {
      expect(codes(found)).toContain('DEBRIS')
      for (const key of ['x', 'z'] as const)
        if (found[key]) expect(Math.abs(found[key].value - truth[key]!) / mmPerPixel[key]).toBeLessThan(0.2)
      if (found.sig) expect(Math.abs(found.sig.value - truth.sig!)).toBeLessThan(0.5)
    }
    expect(chipped.filter((c) => c.found.x && c.found.z).length).toBeGreaterThan(CASES / 3)
  })
})

describe('a ball', () => {
  const ball = (chip: boolean) => (c: Chance, m: Scale, px: number) => {
    const R = c.between(60, 260) * px
    const Z = 100
    const high = c.between(5, 40) * px
    const half = (c.between(5, 30) * px) / 2
    const at = c.between(0.1, 1.45)
    const inside = (x: number, z: number) => x < R && (z < Z - R ? x > -R : x * x + (z - Z + R) ** 2 < R * R)
    const chipped = (x: number, z: number) => {
      const dx = x - R * Math.cos(at)
      const dz = z - (Z - R) - R * Math.sin(at)
      const out = dx * Math.cos(at) + dz * Math.sin(at)
      return out > -3 * px && out < high * (1 - Math.abs(-dx * Math.sin(at) + dz * Math.cos(at)) / half)
    }
    return {
      inside: (x: number, z: number) => inside(x, z) || (chip && chipped(x, z)),
      at: { x: R, z: Z, u: c.between(Math.min(560, R / m.x + 60), 580), v: c.between(50, Math.max(51, 440 - R / m.z)) },
      truth: { x: R, z: Z, re: R },
    }
  }
  it('shows pole, radius and side, and no debris where none is', () => {
    const cases = pictures(3200, ['LF', 'DC', 'RE'], ball(false))
    for (const key of ['x', 'z', 're'] as const) expectClose(cases, key, 0.05, 0.2)
    expect(debris(cases)).toBe(0)
  })
  it('keeps them under a chip, and tells of it', () => {
    const cases = pictures(3300, ['LF', 'DC', 'RE'], ball(true))
    for (const key of ['x', 'z', 're'] as const) expectClose(cases, key, 0.06, 0.2, CASES - 3)
    expect(debris(cases)).toBe(CASES)
  })
})

describe('a chamfered corner', () => {
  const cases = pictures(3400, ['LF', 'DC', 'CHW', 'KCH', 'SCX', 'SCZ'], (c, m) => {
    const [X, Z] = [10, 120]
    const k = c.between(30, 60)
    const w = c.between(60, 160) * m.z
    return {
      inside: (x, z) => x < X && z < Z && (z < Z - w || x < X - (z - Z + w) * Math.tan(k * rad)),
      at: { x: X, z: Z, u: c.between(420, 580), v: c.between(40, 150) },
      truth: { x: X, z: Z, chw: w, kch: k, scx: X, scz: Z },
    }
  })
  it.each([
    ['x', 0.05, 0.2],
    ['z', 0.05, 0.2],
    ['chw', 0.08, 0.3],
    ['kch', 0.05, 0.2],
    ['scx', 0.06, 0.25],
    ['scz', 0.06, 0.3],
  ] as const)('shows %s', (key, rms, worst) => expectClose(cases, key, rms, worst))
  it('is taken neither for a chip nor for a notch', () => expect(debris(cases)).toBe(0))

  const chipped = pictures(3450, ['LF', 'DC'], (c, m, px) => {
    const [X, Z] = [10, 120]
    const k = c.between(30, 60) * rad
    const w = c.between(40, 160) * m.z
    const dish = Math.tan(c.between(0, 2) * rad)
    const wide = w * Math.tan(k)
    const high = c.between(5, 40) * px
    const r = high * c.between(0.6, 1.5)
    const along = c.between(0, 80) * px
    // on the end, on the chamfer or on the flank
    const [at, n] =
      c.uniform() < 0.4
        ? [
            { x: X - wide - along, z: Z - along * dish },
            { x: 0, z: 1 },
          ]
        : c.uniform() < 0.5
          ? [
              { x: X - wide / 2, z: Z - w / 2 },
              { x: Math.cos(k), z: Math.sin(k) },
            ]
          : [
              { x: X, z: Z - w - along },
              { x: 1, z: 0 },
            ]
    const middle = { x: at.x + (high - r) * n.x, z: at.z + (high - r) * n.z }
    return {
      inside: (x, z) =>
        (x < X && z < Z - Math.max(0, X - wide - x) * dish && (z < Z - w || x < X - (z - Z + w) * Math.tan(k))) ||
        (x - middle.x) ** 2 + (z - middle.z) ** 2 < r * r,
      at: { x: X, z: Z, u: c.between(420, 540), v: c.between(60, 150) },
      truth: { x: X, z: Z },
    }
  })
  it('with a chip tells of it, and its figures are right or refused', () => {
    for (const { found, truth, mmPerPixel } of chipped) {
      // one that swallows the whole chamfer looks like an arc with a notch on either side
      expect(codes(found).some((w) => w === 'DEBRIS' || w === 'NOTCH')).toBe(true)
      for (const key of ['x', 'z'] as const)
        if (found[key]) expect(Math.abs(found[key].value - truth[key]!) / mmPerPixel[key]).toBeLessThan(0.2)
    }
    expect(chipped.filter((c) => c.found.x && c.found.z).length).toBeGreaterThan(CASES / 3)
  })
})

describe('a leaning main edge', () => {
  it('shows its angle to the feed direction, and the pole of its corner', () => {
    const cases = pictures(3500, ['LF', 'KAPR'], (c, _m, px) => {
      const kapr = c.between(20, 75)
      const R = c.between(20, 60) * px
      const [cx, cz] = [20 - R, 100 - R]
      const n = { x: Math.cos(kapr * rad), z: Math.sin(kapr * rad) }
      const inside = (x: number, z: number) => {
        const [dx, dz] = [x - cx, z - cz]
        if (z >= 100 - Math.max(0, -dx) * 0.03 || n.x * dx + n.z * dz >= R) return false
        return !(dx > 0 && n.x * dz - n.z * dx > 0) || dx * dx + dz * dz < R * R
      }
      return { inside, at: { x: 20, z: 100, u: c.between(300, 400), v: c.between(60, 120) }, truth: { z: 100, kapr } }
    })
    expectClose(cases, 'kapr', 0.03, 0.1)
    expectClose(cases, 'z', 0.06, 0.25, CASES - 5)
  })
})

describe('a turning nose', () => {
  it('shows the tangents of X and Z and its radius, between sides that both fall away', () => {
    const cases = pictures(3600, ['LF', 'DC', 'RE'], (c, _m, px) => {
      const R = c.between(20, 100) * px
      const [cx, cz] = [40 - R, 80 - R]
      const lead = c.between(2, 8) * rad
      const back = c.between(3, 30) * rad
      const inside = (x: number, z: number) => {
        const [dx, dz] = [x - cx, z - cz]
        if (Math.cos(lead) * dx - Math.sin(lead) * dz > R || -Math.sin(back) * dx + Math.cos(back) * dz > R) return false
        const angle = Math.atan2(dz, dx)
        return !(angle > -lead && angle < Math.PI / 2 + back) || dx * dx + dz * dz < R * R
      }
      return { inside, at: { x: 40, z: 80, u: c.between(420, 560), v: c.between(40, 150) }, truth: { x: 40, z: 80, re: R } }
    })
    expectClose(cases, 'x', 0.05, 0.2)
    expectClose(cases, 'z', 0.05, 0.2)
    expectClose(cases, 're', 0.2, 0.6)
  })
})

describe('a corner that the border cuts', () => {
  const corner = (u: (c: Chance) => number, v: (c: Chance) => number) => (c: Chance, _m: Scale, px: number) => {
    const [X, Z] = [10, 100]
    const R = c.between(20, 100) * px
    const inside = (x: number, z: number) =>
      x < X && z < Z - Math.max(0, X - R - x) * 0.03 && !(x > X - R && z > Z - R && (x - X + R) ** 2 + (z - Z + R) ** 2 > R * R)
    return { inside, at: { x: X, z: Z, u: u(c), v: v(c) }, truth: { x: X, z: Z } }
  }
  it('at the right shows no radius, says why, and no length that is wrong', () => {
    const cases = pictures(
      3700,
      ['LF', 'DC', 'RE'],
      corner(
        (c) => c.between(645, 700),
        (c) => c.between(40, 200),
      ),
    )
    for (const { found } of cases) {
      expect(found.x).toBeNull()
      expect(found.re).toBeNull()
      expect(codes(found)).toEqual(expect.arrayContaining(['CUT_OFF_RIGHT', 'NO_CORNER_ARC']))
      if (!found.z) expect(codes(found)).toContain('NO_END')
    }
    expect(errorsOf(cases, 'z').worst).toBeLessThan(0.3)
    expect(errorsOf(cases, 'z').beyond).toBeLessThanOrEqual(1)
  })
  it('at the top shows no length, and still the radius', () => {
    const cases = pictures(
      3800,
      ['LF', 'DC'],
      corner(
        (c) => c.between(300, 600),
        (c) => c.between(-100, -5),
      ),
    )
    for (const { found } of cases) {
      expect(found.z).toBeNull()
      expect(codes(found)).toContain('CUT_OFF_TOP')
    }
    expectClose(cases, 'x', 0.05, 0.2, CASES - 2)
  })
})

describe('a chip 5–40 px high on flank, arc or end', () => {
  it('is found, and the value is right or refused', () => {
    const cases = pictures(3900, ['LF', 'DC', 'RE'], (c, m, px) => {
      const [X, Z] = [10, 100]
      const R = c.between(20, 150) * px
      const dish = Math.tan(c.between(1, 4) * rad)
      const high = c.between(5, 40) * px
      const half = (c.between(5, 30) * px) / 2
      const where = Math.floor(3 * c.uniform())
      const angle = where === 0 ? 0 : where === 1 ? c.between(0.2, 1.35) : Math.PI / 2
      const n = { x: Math.cos(angle), z: Math.sin(angle) }
      const foot = { x: X - R + R * n.x, z: Z - R + R * n.z }
      const [u, v] = [c.between(Math.max(260, R / m.x + 120), 560), c.between(60, Math.max(61, Math.min(250, 360 - R / m.z)))]
      if (where === 0) foot.z -= half + c.between(3, 60) * px
      if (where === 2) {
        foot.x -= half + c.between(3, 60) * px
        foot.z -= (X - R - foot.x) * dish
      }
      const kind = Math.floor(3 * c.uniform())
      const inside = (x: number, z: number) => {
        const clean =
          x < X &&
          z < Z - Math.max(0, X - R - x) * dish &&
          !(x > X - R && z > Z - R && (x - X + R) ** 2 + (z - Z + R) ** 2 > R * R)
        if (clean) return true
        const out = (x - foot.x) * n.x + (z - foot.z) * n.z
        const side = Math.abs((x - foot.x) * n.z - (z - foot.z) * n.x)
        if (out < -3 * px || side > half) return false
        return kind === 0
          ? (Math.max(0, out) / high) ** 2 + (side / half) ** 2 < 1
          : out < (kind === 1 ? high * (1 - side / half) : high)
      }
      return { inside, at: { x: X, z: Z, u, v }, truth: { x: X, z: Z } }
    })
    for (const { found } of cases) expect(codes(found)).toContain('DEBRIS')
    for (const key of ['x', 'z'] as const) {
      expect(errorsOf(cases, key).worst).toBeLessThan(0.2)
      expect(errorsOf(cases, key).n).toBeGreaterThan(0.8 * CASES)
    }
  })
})
