import { describe, expect, it } from 'vitest'
import { formatDue, formatSeconds, span } from './due'

const now = new Date(2026, 10, 25, 10, 0)
const at = (...time: [number, number, number]) => new Date(2026, 10, ...time).toISOString()

describe('when a tool is due', () => {
  it.each([
    [at(25, 13, 20), '13:20', false],
    [at(25, 9, 20), 'late 40 min', true],
    [at(24, 10, 0), 'late 1 day', true],
    [at(26, 7, 5), 'tomorrow 07:05', false],
    [at(30, 7, 5), 'Mon 30 Nov', false],
    [null, 'no date', false],
  ])('%s', (due, text, late) => expect(formatDue(due, now)).toEqual({ text, late }))
})

describe('spans', () => {
  it.each([
    [5, '5 min'],
    [60, '1 h'],
    [158, '2 h 38'],
    [3000, '2 days'],
  ])('%d minutes', (minutes, text) => expect(span(minutes)).toBe(text))
  it.each([
    [0.2, '1 s'],
    [99, '99 s'],
    [125, '2 min 5 s'],
  ])('%d seconds', (seconds, text) => expect(formatSeconds(seconds)).toBe(text))
})
