import { describe, expect, it } from 'vitest'
import { decodeLineFigures, encodeLineFigure } from './line-figures'

describe('figures on a serial line', () => {
  it('are read with their unit; what is not asked for is left out', () => {
    // sum of "LF +118.0203 MM" by hand: 76+70+32+43+49+49+56+46+48+50+48+51+32+77+77 = 804; 804 − 768 = 36 = 24 hex
    expect(decodeLineFigures(['LF +118.0203 MM 24'])).toEqual({ ok: true, value: { LF: 118.0203, DC: null, RE: null } })
    const lines = [encodeLineFigure('LF', 4.5, 'IN'), encodeLineFigure('DC', 10.001, 'MM'), encodeLineFigure('CH', -0.2, 'MM')]
    expect(decodeLineFigures(lines)).toEqual({ ok: true, value: { LF: 114.3, DC: 10.001, RE: null } })
  })
  it('every single character that is changed is noticed, or leaves the figure as it was', () => {
    const line = encodeLineFigure('LF', 118.0203, 'MM')
    for (let i = 0; i < line.length; i++)
      for (let c = 32; c < 127; c++) {
        const changed = line.slice(0, i) + String.fromCharCode(c) + line.slice(i + 1)
        const read = decodeLineFigures([changed])
        if (read.ok) expect(read.value.LF).toBe(118.0203)
      }
  })
  it.each(['', 'LF', 'LF 118.0203 MM 24', 'LF +118.0203 MM', 'LF +118.0203 MM 25', 'LF +1e5 MM 24', 'END'])(
    'refuses %j',
    (line) => {
      expect(decodeLineFigures([line])).toEqual({ ok: false, error: { code: 'GARBLED', line } })
    },
  )
})
