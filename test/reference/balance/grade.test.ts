/** ISO 21940-11:2016 (formula sure, the standard's rotor from memory); the other figures are computed from its formula outside this project. */
import { describe, expect, it } from 'vitest'
import {
  forceN,
  gradeAt,
  moved,
  offsetUm,
  permittedGmm,
  repeatableGrade,
  repeatableSpeed,
  sharesOf,
  speedAt,
  vectorOf,
} from '@/core/balance'

describe('permissible unbalance', () => {
  it.each([
    [2.5, 1, 25000, 0.9549, 6.545],
    [2.5, 3, 12000, 5.9683, 9.425],
    [6.3, 3, 12000, 15.0401, 23.75],
    [2.5, 1.5, 20000, 1.7905, 7.854],
    [6.3, 5, 8000, 37.6004, 26.389],
  ])('G%d, %d kg, %d rev/min', (grade, massKg, rpm, gmm, newton) => {
    const permitted = permittedGmm(grade, massKg, rpm)
    expect(permitted).toBeCloseTo(gmm, 4)
    expect(forceN(permitted, rpm)).toBeCloseTo(newton, 2)
    expect(gradeAt(permitted, massKg, rpm)).toBeCloseTo(grade, 9)
    expect(speedAt(permitted, massKg, grade)).toBeCloseTo(rpm, 6)
  })
  it('the standard’s own rotor: 3600 kg, 3000 rev/min, G2.5, mass centre 1500 and 900 mm from its planes', () => {
    const permitted = permittedGmm(2.5, 3600, 3000)
    expect(permitted / 1000).toBeCloseTo(28.6, 1)
    const [a, b] = sharesOf([0, 2400], 1500).map((share) => share * permitted)
    expect(a / 1000).toBeCloseTo(10.7, 1)
    expect(b / 1000).toBeCloseTo(17.9, 1)
  })
  it('grows with the speed: G2.5 at 6,000 rev/min is G10 at 24,000, at 5,400 it is G11.57 at 25,000', () => {
    expect(gradeAt(permittedGmm(2.5, 1.7, 6000), 1.7, 24000)).toBeCloseTo(10, 9)
    expect(gradeAt(permittedGmm(2.5, 1.7, 5400), 1.7, 25000)).toBeCloseTo(11.5741, 4)
  })
  it('shares of two planes go by the levers, and are held to 0.3 … 0.7', () => {
    const permitted = permittedGmm(6.3, 2, 12000)
    const at = (cgZ: number | null) => sharesOf([25, 85], cgZ).map((share) => share * permitted)
    expect(at(55)[0]).toBeCloseTo(5.0134, 4)
    expect(at(40)[0]).toBeCloseTo(7.0187, 4)
    expect(at(40)[1]).toBeCloseTo(3.008, 4)
    expect(at(null)).toEqual([permitted / 2, permitted / 2])
  })
  it('3 µm of another seat are G7.85 at 25,000 rev/min, whatever the tool weighs (ISO 16084’s idea)', () => {
    expect(repeatableGrade(3, 25000)).toBeCloseTo(7.854, 3)
    expect(repeatableGrade(3, repeatableSpeed(3, 2.5))).toBeCloseTo(2.5, 9)
    expect(offsetUm(3, 1)).toBe(3)
  })
  it('the same unbalance in other planes has the same force and moment', () => {
    const at = [vectorOf({ gmm: 12, deg: 20 }), vectorOf({ gmm: 7, deg: 250 })]
    const to = moved({ zMm: [20, 90], at }, [-10, 60])
    for (const part of ['re', 'im'] as const) {
      expect(to[0][part] + to[1][part]).toBeCloseTo(at[0][part] + at[1][part], 9)
      expect(-10 * to[0][part] + 60 * to[1][part]).toBeCloseTo(20 * at[0][part] + 90 * at[1][part], 9)
    }
    expect(moved({ zMm: [20, 90], at }, [55])).toEqual([{ re: at[0].re + at[1].re, im: at[0].im + at[1].im }])
  })
})
