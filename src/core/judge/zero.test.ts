import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addZero, checkDue, driftOf, judgeDrift, type Master, type ZeroCheck } from './zero'

const MASTER: Master = {
  id: 'M1',
  mark: 'MS-1',
  name: 'Master',
  coupling: 'HSK-A63',
  LFmm: 150.0021,
  DCmm: 40.0004,
  sigmaMm: 0.0005,
  calibratedUntil: '2027-05-31',
}
const at = (hours: number) => new Date(Date.UTC(2026, 10, 25, 6) + hours * 3_600_000).toISOString()
const check = (change: Partial<ZeroCheck> = {}): ZeroCheck => ({
  id: 1,
  at: at(0),
  who: 'Ines',
  masterId: 'M1',
  coupling: 'HSK-A63',
  adapter: 'AD-1',
  bench: 'camera',
  drift: { x: 0, z: 0 },
  zero: { x: 0, z: 0 },
  reason: null,
  calibration: null,
  ...change,
})
const adapter = (serial = 'AD-1', hours = -1) => ({ serial, name: 'adapter', coupling: 'HSK-A63' as const, since: at(hours) })

describe('the check with the master', () => {
  it('is due without one, after eight hours, and after a change of adapter', () => {
    expect(checkDue(null, adapter(), at(1))).toBe('never')
    expect(checkDue(check(), null, at(1))).toBe('never')
    expect(checkDue(check(), adapter(), at(8))).toBeNull()
    expect(checkDue(check(), adapter(), at(8.01))).toBe('shift')
    expect(checkDue(check(), adapter('AD-1', 2), at(3))).toBe('adapter')
    // another piece of the same taper has a zero of its own
    expect(checkDue(check(), adapter('AD-2', -1), at(3))).toBe('never')
  })
  it('finds the drift without the seat of the master: an offset cancels over half a turn', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.02, max: 0.02, noNaN: true }),
        fc.double({ min: -0.02, max: 0.02, noNaN: true }),
        fc.double({ min: 0, max: 0.01, noNaN: true }),
        (x, z, seat) => {
          const radius = MASTER.DCmm / 2 + x
          const drift = driftOf(MASTER, [radius + seat, radius - seat], MASTER.LFmm + z)
          expect(drift.x).toBeCloseTo(x, 9)
          expect(drift.z).toBeCloseTo(z, 9)
        },
      ),
    )
  })
  it('tells heat from dirt', () => {
    expect(judgeDrift({ x: 0.003, z: -0.001 })).toBe('still')
    expect(judgeDrift({ x: 0, z: -0.0031 })).toBe('drifted')
    expect(judgeDrift({ x: 0.021, z: 0 })).toBe('too far')
    // what a new adapter's zero is nobody could have known
    expect(judgeDrift({ x: 0.3, z: -0.2 }, true)).toBe('first')
  })
  it('adds up: the next zero is the old one and what was found with it', () => {
    expect(addZero({ x: 0.001, z: 0.002 }, { x: -0.003, z: 0.004 })).toEqual({ x: -0.002, z: 0.006 })
  })
})
