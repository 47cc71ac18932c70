import { expect, it } from 'vitest'
import { costAYear, hoursAvoided, payBackYears } from './index'

it.each([
  [1, 2, 10, 50, 260, 260_000],
  [0.5, 3, 6, 80, 250, 180_000],
  [0.25, 2, 10, 50, 260, 65_000],
])(
  '%f h × %i shifts × %i machines × %i/h × %i days (common practice, arithmetic)',
  (hoursAShift, shifts, machines, ratePerHour, daysAYear, cost) =>
    expect(costAYear({ hoursAShift, shifts, machines, ratePerHour, daysAYear })).toBe(cost),
)
it('hours avoided and pay-back', () => {
  expect(hoursAvoided(120, 12, 2)).toBe(20)
  expect(hoursAvoided(120, 2, 12)).toBe(0)
  expect(payBackYears(60_000, 20_000)).toBe(3)
  expect(payBackYears(60_000, 0)).toBeNull()
})
