import { describe, expect, it } from 'vitest'
import { isLead, isPin, isQuiet, isWeakPin, triesLeft, waitAfter } from './person'

it('a terminal is quiet once nothing was done there for longer than so many minutes, never for 0', () => {
  const at = (minutes: number) => new Date(60_000 * minutes).toISOString()
  expect([15, 15.01].map((now) => isQuiet(at(0), at(now), 15))).toEqual([false, true])
  expect([isQuiet(null, at(0), 15), isQuiet(null, at(0), 0), isQuiet(at(0), at(9999), 0)]).toEqual([true, false, false])
})

describe('wrong PINs', () => {
  it('five are free; then each costs twice as long, up to a quarter of an hour', () => {
    expect([0, 1, 4].map(waitAfter)).toEqual([0, 0, 0])
    expect([5, 6, 7, 8, 9, 10, 11, 500].map(waitAfter)).toEqual([30, 60, 120, 240, 480, 900, 900, 900])
    expect([0, 3, 5, 9].map(triesLeft)).toEqual([5, 2, 0, 0])
  })
  it('ten thousand PINs take a month of trying', () => {
    const seconds = Array.from({ length: 10_000 }, (_, i) => waitAfter(i)).reduce((a, b) => a + b, 0)
    expect(seconds / 86_400).toBeGreaterThan(100)
  })
})

describe('a PIN', () => {
  it.each([
    ['1234', true],
    ['123456789012', true],
    ['123', false],
    ['1234567890123', false],
    ['12a4', false],
    ['１２３４', false],
    ['', false],
  ])('%s: %s', (text, is) => expect(isPin(text)).toBe(is))
  it.each([
    ['1111', true],
    ['1234', true],
    ['9876', true],
    ['000000', true],
    ['1357', false],
    ['1112', false],
    ['7294', false],
  ])('%s is weak: %s', (pin, weak) => expect(isWeakPin(pin)).toBe(weak))
})

it('an administrator may what a lead may; an operator and nobody may not', () => {
  const may = (['operator', 'lead', 'administrator'] as const).map((role) => isLead({ role }))
  expect([...may, isLead(null)]).toEqual([false, true, true, false])
})
