/** Collets of ISO 15488 with 8° cone: geometry derived outside this project, lengths from memory, two thirds common practice. */
import { describe, expect, it } from 'vitest'
import {
  axialTravelMm,
  closesByMm,
  COLLET_LENGTH_MM,
  forceAmplification,
  isSelfLocking,
  leastInsertionMm,
  stopSetting,
} from '@/core/clamp'

describe('an 8° cone', () => {
  it.each([
    [0.1, 0.3558],
    [0.5, 1.7788],
    [1, 3.5577],
    [2, 7.1154],
  ])('closing %d mm moves it %d mm along', (closing, travel) => expect(axialTravelMm(closing)).toBeCloseTo(travel, 4))
  it('multiplies the force by 7.1154 without friction, 3.3693 with µ 0.15, and holds itself', () => {
    expect(forceAmplification(0)).toBeCloseTo(7.1154, 4)
    expect(forceAmplification(0.15)).toBeCloseTo(3.3693, 4)
    expect([isSelfLocking(0.15), isSelfLocking(0.1)]).toEqual([true, false])
  })
  it.each([
    [8, 9.07],
    [11, 12],
    [16, 18.33],
    [20, 21],
    [25, 22.67],
    [32, 26.67],
    [40, 30.67],
    [50, 40],
  ])('size %d: least %d mm in', (size, least) => expect(leastInsertionMm(COLLET_LENGTH_MM[size])).toBeCloseTo(least, 2))
  it('closes by 1 mm, by 0.5 mm up to 3 mm (common practice, no source)', () =>
    expect([2.5, 3, 3.5, 16].map(closesByMm)).toEqual([0.5, 0.5, 1, 1]))
})

describe('the stop, learned', () => {
  const lesson = (high: number, shankMm = 20) => ({ shankMm, stopSetMm: 152 + high, measuredMm: 152 })
  it('is the computed one until three builds of that size are known', () => {
    expect(stopSetting(0.1, 20, [])).toEqual({ highMm: 0.1, builds: 0, spreadMm: null })
    expect(stopSetting(0.1, 20, [lesson(0.14), lesson(0.15), lesson(0.3, 10)]).builds).toBe(0)
  })
  it('is then what those builds did, and says how many and how far apart', () => {
    const learned = stopSetting(0.1, 20, [lesson(0.14), lesson(0.15), lesson(0.16)])
    expect(learned.builds).toBe(3)
    expect(learned.highMm).toBeCloseTo(0.15, 9)
    expect(learned.spreadMm).toBeCloseTo(0.02, 9)
  })
  it('forgets the oldest beyond ten', () =>
    expect(stopSetting(0.1, 20, [...Array.from({ length: 10 }, () => lesson(0.2)), lesson(9)]).highMm).toBeCloseTo(0.2, 9))
})
