/**
 * Figures computed outside this project with α 11.7 / 5.4 / 11.2·10⁻⁶, ρ 7800, c 480 (from memory, editable data); the
 * cooling times against a radial finite-volume solution written here. Formulas: Rudnev et al., Handbook of Induction
 * Heating; Incropera & DeWitt, ch. 5.
 */
import { describe, expect, it } from 'vitest'
import {
  biot,
  coolingTauS,
  coolingTimeS,
  greatestWarmedShare,
  heatingTimeS,
  insertionRiseK,
  lumpedTauS,
  MATERIALS,
  neededTransfer,
  noseMassKg,
  removalRiseK,
  shrinkBackMm,
  shrinkSetup,
  skinDepthMm,
  USUAL_PRACTICE,
  wallTimeS,
  type Nose,
  type ShrinkJoint,
} from '@/core/clamp'

const steel = { ...MATERIALS['hot-work steel'], alpha: 11.7e-6, rho: 7.8e-6, c: 480, k: 25 }
const nose: Nose = { d: 10, D: 24, heatedMm: 45, sleeve: steel }

describe('temperature', () => {
  it.each([
    [3, 6, 6, 341.9],
    [6, 12, 8, 284.9],
    [10, 20, 10, 256.4],
    [12, 20, 10, 213.7],
    [20, 25, 15, 170.9],
    [32, 30, 20, 133.5],
  ])('to put in d %d: δ %d µm, clearance %d µm', (d, delta, clearance, rise) => {
    expect(insertionRiseK(delta / 1000, clearance / 1000, d, steel)).toBeCloseTo(rise, 1)
  })
  it.each([
    [0, 276.4, 276.4],
    [0.2, 302.5, 337.1],
    [0.4, 334.5, 435.5],
    [0.6, 374.6, 622.4],
    [0.8, 426.5, 1114.9],
    [1, 496.2, 6020],
  ])('to take out, shank warmed to %d', (f, carbide, hss) => {
    expect(20 + removalRiseK(0.02, 0.01, 10, steel, MATERIALS.carbide, f)).toBeCloseTo(carbide, 1)
    expect(Math.abs(20 + removalRiseK(0.02, 0.01, 10, steel, MATERIALS.HSS, f) - hss)).toBeLessThan(0.1)
  })
  it('locks a shank that grows as fast as the sleeve', () => {
    expect(removalRiseK(0.02, 0.01, 10, steel, { ...MATERIALS.HSS, alpha: 11.7e-6 }, 1)).toBe(Infinity)
    expect(greatestWarmedShare(0.02, 0.01, 10, steel, MATERIALS.carbide, 330)).toBeCloseTo(0.483, 3)
    expect(greatestWarmedShare(0.02, 0.01, 10, steel, MATERIALS.HSS, 330)).toBeCloseTo(0.233, 3)
  })
})

describe('heating', () => {
  it('mass, time and the time for the wall', () => {
    expect(noseMassKg(nose)).toBeCloseTo(0.1312, 4)
    expect(heatingTimeS(nose, 300, 10_000, 0.6)).toBeCloseTo(3.15, 2)
    expect(heatingTimeS({ ...nose, d: 20, D: 33, heatedMm: 52 }, 300, 10_000, 0.6)).toBeCloseTo(5.27, 2)
    expect(wallTimeS(nose)).toBeCloseTo(2.97, 2)
    expect(heatingTimeS(nose, 300, 5000, 0.6)).toBeCloseTo(6.3, 2)
    expect(heatingTimeS(nose, 300, 10_000, 0.8)).toBeCloseTo(2.36, 2)
  })
  it('skin depth at 10 kHz and 5·10⁻⁷ Ω·m', () => {
    expect(skinDepthMm(10_000, 5e-7, 1)).toBeCloseTo(3.559, 3)
    expect(skinDepthMm(10_000, 5e-7, 100)).toBeCloseTo(0.356, 3)
  })
})

/** Explicit radial finite volumes: insulated bore, convection outside; time until the bore is at `to`. */
function radialCooling(h: number, from: number, to: number, ambient: number): number {
  const n = 28
  const dr = 0.007 / n
  const k = 25
  const rc = 7800 * 480
  const T = new Array<number>(n).fill(from)
  const face = (i: number) => 0.005 + i * dr
  const dt = (0.2 * rc * dr * dr) / k
  let time = 0
  while (T[0] > to) {
    const flow = Array.from({ length: n + 1 }, (_, i) => {
      if (i === 0) return 0
      if (i < n) return (k * (T[i - 1] - T[i]) * face(i)) / dr
      const surface = (T[n - 1] - ambient) / (dr / 2 / k + 1 / h)
      return surface * face(n)
    })
    for (let i = 0; i < n; i++) T[i] -= (dt * (flow[i + 1] - flow[i])) / (rc * ((face(i + 1) ** 2 - face(i) ** 2) / 2))
    time += dt
  }
  return time
}

describe('cooling', () => {
  it.each([
    [12, 1547.0, 4189.4],
    [60, 309.4, 837.9],
    [500, 37.13, 100.5],
    [1000, 18.56, 50.3],
    [1500, 12.38, 33.5],
    [2500, 7.43, 20.1],
  ])('as one lump, h %d', (h, tau, time) => {
    const cooling = { h, ambientC: 20 }
    expect(lumpedTauS(nose, cooling)).toBeCloseTo(tau, 1)
    expect(Math.abs(coolingTimeS(lumpedTauS(nose, cooling), 320, 40, 20) - time)).toBeLessThan(0.06)
  })
  it.each([
    [30, 1676],
    [60, 838],
    [100, 503],
  ])('from 320 to 40 °C in %d s needs h %d', (seconds, h) => expect(neededTransfer(nose, 320, 40, 20, seconds)).toBeCloseTo(h, 0))
  it.each([
    [500, 106.2],
    [1500, 39.24],
    [2500, 25.89],
  ])('finite volumes say %d: %d s', (h, seconds) =>
    expect(Math.abs(radialCooling(h, 320, 40, 20) / seconds - 1)).toBeLessThan(0.01),
  )
  it('times to temperatures that burn: contact and still air', () => {
    const at = (tau: number) => [48, 43, 40].map((to) => coolingTimeS(tau, 320, to, 20))
    expect(at(12.37).map((s) => s.toFixed(1))).toEqual(['29.3', '31.8', '33.5'])
    expect(
      at(1547)
        .slice(0, 2)
        .map((s) => s.toFixed(0)),
    ).toEqual(['3669', '3973'])
  })
  it('knows its Biot number', () => expect(biot(nose, { h: 500, ambientC: 20 })).toBeCloseTo(0.14, 3))
  it.each([500, 1000, 1500, 2500])('comes within a thirtieth of finite volumes, never before them (h %d)', (h) => {
    const reference = radialCooling(h, 320, 40, 20)
    const ours = coolingTimeS(coolingTauS(nose, { h, ambientC: 20 }), 320, 40, 20)
    expect(ours / reference).toBeGreaterThan(0.995)
    expect(ours / reference).toBeLessThan(1.03)
  })
  it('never reaches the room’s own temperature', () => expect(coolingTimeS(10, 300, 20, 20)).toBe(Infinity))
})

describe('shrink-back', () => {
  it.each([
    [45, 300, 0.15795],
    [36, 300, 0.12636],
    [52, 280, 0.17035],
    [45, 200, 0.1053],
    [120, 20, 0.02808],
  ])('L %d mm, %d K', (L, rise, mm) => expect(shrinkBackMm(L, rise, steel)).toBeCloseTo(mm, 5))
})

describe('the whole set-up', () => {
  const joint: ShrinkJoint = {
    bore: { min: 9.981, max: 9.985 },
    noseMm: 24,
    noseHalfAngleRad: 0,
    heatedMm: 45,
    holderMaterial: 'hot-work steel',
    greatestC: 370,
    yieldMPa: 1100,
    shankMm: 10,
    shankClass: 'h6',
    shankMaterial: 'carbide',
    coolantBoreMm: 0,
    gripMm: 40,
  }
  const setup = (change: Partial<ShrinkJoint> = {}, torque: number | null = null) =>
    shrinkSetup({ ...joint, ...change }, USUAL_PRACTICE, torque)
  it('takes bore 9.981…9.985 and 10 h6 as 6…19 µm and 47…150 N·m', () => {
    const read = setup()
    if (!read.ok) throw new Error(read.error.code)
    expect(read.value.interferenceMm.min * 1000).toBeCloseTo(6, 6)
    expect(read.value.interferenceMm.max * 1000).toBeCloseTo(19, 6)
    expect(read.value.gripTorqueNm.min).toBeCloseTo(47.44, 1)
    expect(read.value.gripTorqueNm.max).toBeCloseTo(150.23, 1)
    expect(read.value.temperatureC).toBeCloseTo(20 + 29e-3 / (11.7e-6 * 10), 6)
    expect(read.value.touchS).toBeLessThan(read.value.measureS)
    expect(read.value.stopHighMm).toBeLessThan(read.value.shrinkBackBoundMm)
  })
  it.each([
    ['a coarse shank', { shankClass: 'h7' as const }, 'SHANK_TOO_COARSE'],
    ['a bore as wide as the shank', { bore: { min: 9.99, max: 9.995 } }, 'NO_INTERFERENCE'],
    ['more heat than the holder may see', { greatestC: 250 }, 'TOO_HOT'],
    ['more stress than the nose bears', { yieldMPa: 300 }, 'OVERSTRESSED'],
    ['a shank beyond the table', { shankMm: 60 }, 'SIZE_NOT_IN_TABLE'],
  ])('refuses %s', (_, change, code) => {
    const read = setup(change)
    expect(read.ok ? 'ok' : read.error.code).toBe(code)
  })
  it('says what a steel shank and too little grip mean', () => {
    const read = setup({ shankMaterial: 'HSS' }, 100)
    expect(read.ok && read.value.notes.map((n) => n.code)).toEqual(['STEEL_SHANK', 'TORQUE_LOW'])
  })
})
