import { describe, expect, it } from 'vitest'
import { agreeFigures, FIGURE_SIGMA_MM, figureSet } from './figures'
import { judgeTool, USUAL_BENCH } from '../judge'

const GIVEN = { LF: 118, DC: 10, RE: null }

describe('figures typed twice', () => {
  it('count when both agree to half a tenth of a micrometre', () => {
    expect(agreeFigures(GIVEN, { ...GIVEN, LF: 118.00004 }, ['LF', 'DC'])).toEqual({ ok: true, value: GIVEN })
  })
  it.each([
    [{ ...GIVEN, LF: 118.001 }, 'TYPED_DIFFERENT', 'LF'],
    [{ ...GIVEN, DC: null }, 'TYPED_DIFFERENT', 'DC'],
    [{ ...GIVEN, RE: 1 }, 'TYPED_DIFFERENT', 'RE'],
  ])('%o does not', (second, code, key) => {
    expect(agreeFigures(GIVEN, second, ['LF'])).toEqual({ ok: false, error: { code, key } })
  })
  it('what the tool is judged by must be there, and above zero', () => {
    const none = { LF: null, DC: 10, RE: null }
    expect(agreeFigures(none, none, ['LF'])).toMatchObject({ error: { code: 'MISSING', key: 'LF' } })
    const below = { ...GIVEN, LF: -3 }
    expect(agreeFigures(below, below, ['LF'])).toMatchObject({ error: { code: 'NOT_POSITIVE', key: 'LF' } })
  })
  it('carry the larger uncertainty into the judging: what pictures would prove stays unsure', () => {
    const limits = { LF: { min: 117.99, max: 118.01 } }
    const result = judgeTool(figureSet(GIVEN), limits, USUAL_BENCH)
    expect(result.features[0].sigma).toBeGreaterThanOrEqual(FIGURE_SIGMA_MM)
    expect(result.features[0].verdict).toBe('unsure')
    expect(judgeTool(figureSet(GIVEN), { LF: { min: 117.9, max: 118.1 } }, USUAL_BENCH).verdict).toBe('holds')
  })
  it('know nothing of runout: where it is judged it is missing', () => {
    expect(judgeTool(figureSet(GIVEN), { radialRunout: { min: null, max: 0.01 } }, USUAL_BENCH).missing).toEqual([
      { key: 'radialRunout', step: null },
    ])
  })
})
