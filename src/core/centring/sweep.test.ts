import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CENTRED_MM, nextMove, readSweep, slideAt } from './index'

/** What an indicator that turns about the axis reads in a bore whose centre is off. */
const readings = (right: number, up: number, at = 0.5, radius = 12) => {
  const wall = (deg: number) => {
    const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
    // where the ray from the axis meets the circle about (right, up)
    const along = right * c + up * s
    return along + Math.sqrt(radius ** 2 - (right ** 2 + up ** 2 - along ** 2))
  }
  const read = (deg: number) => at - (wall(deg) - radius)
  return { top: read(90), right: read(0), bottom: read(270), left: read(180) }
}

describe('a bore that is swept', () => {
  it('is off by half of what opposite readings differ (geometry)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        (right, up) => {
          const sweep = readSweep(readings(right, up))
          expect(sweep.rightMm).toBeCloseTo(right, 9)
          expect(sweep.upMm).toBeCloseTo(up, 9)
          // a circle that is off its axis is a little of an ellipse: second order
          expect(sweep.contradictMm).toBeLessThan(0.02)
        },
      ),
    )
  })
  it('is moved across first, then in height, until it is inside (common practice, no source)', () => {
    let [right, up] = [0.12, -0.08]
    const moves: string[] = []
    for (let i = 0; i < 5; i++) {
      const move = nextMove(readSweep(readings(right, up)))
      if (!move) break
      moves.push(move.axis)
      if (move.axis === 'across') right += move.byMm
      else up += move.byMm
    }
    expect(moves).toEqual(['across', 'height'])
    expect(Math.hypot(right, up)).toBeLessThan(CENTRED_MM)
  })
  it('counts out an arm that hangs down by a stated amount, for any offset', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.2, max: 0.2, noNaN: true }),
        fc.double({ min: -0.2, max: 0.2, noNaN: true }),
        fc.double({ min: 0, max: 0.05, noNaN: true }),
        (right, up, sag) => {
          const { top, bottom, ...sides } = readings(right, up)
          const hangs = { ...sides, top: top - sag, bottom: bottom + sag }
          const sweep = readSweep(hangs, sag)
          expect(sweep.rightMm).toBeCloseTo(right, 9)
          expect(sweep.upMm).toBeCloseTo(up, 9)
          expect(readSweep(hangs).upMm).toBeCloseTo(up + sag, 9)
        },
      ),
    )
  })
  it('tells readings that contradict each other', () => {
    const { top, ...rest } = readings(0.05, 0.05)
    expect(readSweep({ ...rest, top: top + 0.1 }).contradictMm).toBeCloseTo(0.05, 3)
  })
  it('says where the slide is to stand, as a radius or a diameter', () => {
    const sweep = readSweep(readings(0.06, 0))
    expect(slideAt(100, sweep, { diameter: false, towards: 1 })).toBeCloseTo(99.94, 9)
    expect(slideAt(100, sweep, { diameter: true, towards: 1 })).toBeCloseTo(99.88, 9)
    expect(slideAt(100, sweep, { diameter: true, towards: -1 })).toBeCloseTo(100.12, 9)
  })
})
