import { addDays, format } from 'date-fns'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayText } from '@/words/time'
import { readDay, readTime } from './day'

const today = new Date(2026, 10, 25)

describe('a day as people type it', () => {
  it.each([
    ['2026-12-01', '2026-12-01'],
    ['1 Dec 2026', '2026-12-01'],
    ['1 december 2027', '2027-12-01'],
    ['1.12.2026', '2026-12-01'],
    ['1.12.', '2026-12-01'],
    ['1 Dec', '2026-12-01'],
    ['Dec 1, 2026', '2026-12-01'],
    ['01/12/2026', null],
    ['31 Feb 2026', null],
    ['29 Feb 2028', '2028-02-29'],
    ['soon', null],
    ['', null],
  ])('%s', (text, day) => expect(readDay(text, today)).toBe(day))

  it('reads what is shown', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40_000 }), (n) => {
        const day = format(addDays(new Date(1990, 0, 1), n), 'yyyy-MM-dd')
        expect(readDay(dayText(day), today)).toBe(day)
      }),
    ))
})

describe('a time as people type it', () => {
  it.each([
    ['7', '07:00'],
    ['7.30', '07:30'],
    ['0730', '07:30'],
    ['19:05', '19:05'],
    ['24:00', null],
    ['7:60', null],
    ['noon', null],
  ])('%s', (text, time) => expect(readTime(text)).toBe(time))
})
