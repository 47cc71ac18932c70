import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fixed, formatDeviation, formatLength, parseLength, roundTo } from './index'

describe('parseLength', () => {
  it.each([
    ['19.05', 'mm', 19.05],
    ['3/4 in', 'mm', 19.05],
    ['.75"', 'mm', 19.05],
    ['60 thou', 'mm', 1.524],
    ['0,5', 'mm', 0.5],
    ['0,500', 'mm', 0.5],
    ['1 1/2"', 'mm', 38.1],
    ['.75', 'inch', 19.05],
    ['12 mm', 'inch', 12],
    ['-3', 'mm', -3],
    ['12 µm', 'mm', 0.012],
  ] as const)('%s in %s', (text, unit, mm) => {
    const read = parseLength(text, unit)
    expect(read.ok && read.value).toBeCloseTo(mm, 9)
  })
  it('asks about three digits after a comma', () => {
    expect(parseLength('1,234', 'mm')).toEqual({
      ok: false,
      error: { code: 'COMMA_AMBIGUOUS', text: '1,234', asDecimal: '1.234', asThousands: '1234' },
    })
  })
  it.each(['', 'abc', '1/0', '1.2.3', '12 kg', '3//4'])('refuses %j', (text) => {
    expect(parseLength(text, 'mm').ok).toBe(false)
  })
  it('reads back what it prints', () => {
    fc.assert(
      fc.property(fc.integer({ min: -999_999, max: 999_999 }), (micrometres) => {
        const read = parseLength(formatLength(micrometres / 1000, 'mm'), 'mm')
        expect(read.ok && Math.abs(read.value - micrometres / 1000)).toBeLessThan(1e-9)
      }),
    )
  })
})

describe('rounding', () => {
  it('rounds the decimal text half away from zero', () => {
    expect(roundTo(1.0005, 3)).toBe(1.001)
    expect(roundTo(-1.0005, 3)).toBe(-1.001)
    expect(fixed(-0.0001, 3)).toBe('0.000')
    expect(fixed(5.006, 3)).toBe('5.006')
    expect(roundTo(1e-9, 4)).toBe(0)
  })
  it('says deviations in what a bench calls them', () => {
    expect(formatDeviation(0.012, 'mm')).toBe('+12 µm')
    expect(formatDeviation(-0.0254, 'inch')).toBe('−1.00 thou')
    expect(formatDeviation(0.0001, 'mm')).toBe('0 µm')
  })
})
