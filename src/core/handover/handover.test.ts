import { describe, expect, it } from 'vitest'
import { HERON } from '../../../test/support/machines'
import type { Machine } from '../tool'
import {
  compareTable,
  handoverRefusalText,
  labelFields,
  leadMayOverrule,
  refuseHandover,
  registersOf,
  type HandoverCase,
  type HandoverValues,
} from './index'

const mill: Machine = { ...HERON, lengthMm: { min: 60, max: 300 }, radiusMm: { min: 0.5, max: 60 } }
const inch: Machine = { ...mill, key: 'DIPPER', name: 'Dipper', unit: 'inch', decimals: 4, sizeRegister: 'diameter' }
const good: HandoverCase = {
  machine: mill,
  t: 12,
  coupling: 'HSK-A63',
  allowed: ['HERON'],
  measured: { lengthMm: 152, radiusMm: 10, verdict: 'holds' },
}
const codes = (change: Partial<HandoverCase>) => refuseHandover({ ...good, ...change }).map((r) => r.code)

describe('what stands against a hand-over', () => {
  it('nothing', () => expect(codes({})).toEqual([]))
  it('a tool without limits is not judged, and may go', () =>
    expect(codes({ allowed: null, measured: { ...good.measured!, verdict: null } })).toEqual([]))
  it.each([
    [{ measured: null }, ['NOT_MEASURED']],
    [{ measured: { lengthMm: 152, radiusMm: 10, verdict: 'off' as const } }, ['OFF']],
    [{ measured: { lengthMm: 152, radiusMm: 10, verdict: 'unsure' as const } }, ['UNSURE']],
    [{ t: null }, ['NO_T']],
    [{ machine: null }, ['NO_MACHINE']],
    [{ coupling: 'SK 40' as const }, ['WRONG_TAPER']],
    [{ allowed: ['DIPPER'] }, ['WRONG_MACHINE']],
    [{ t: 0 }, ['REGISTER_RANGE']],
    [{ t: 201 }, ['REGISTER_RANGE']],
    [{ measured: { lengthMm: 59.9, radiusMm: 61, verdict: 'holds' as const } }, ['LENGTH_RANGE', 'RADIUS_RANGE']],
  ])('%j', (change, wanted) => expect(codes(change)).toEqual(wanted))
  it('only an unsure measurement is a lead’s to release', () => {
    const all = refuseHandover({
      ...good,
      t: 999,
      coupling: 'SK 40',
      allowed: [],
      measured: { lengthMm: 1, radiusMm: 99, verdict: 'off' },
    })
    expect(all.some(leadMayOverrule)).toBe(false)
    expect(leadMayOverrule({ code: 'UNSURE' })).toBe(true)
  })
  it('says ranges in the machine’s own unit', () => {
    expect(handoverRefusalText({ code: 'LENGTH_RANGE', lengthMm: 25.4, machine: inch })).toBe(
      'Dipper takes lengths from 2.3622 in to 11.8110 in; this tool is 1.0000 in.',
    )
    expect(handoverRefusalText({ code: 'RADIUS_RANGE', radiusMm: 80, machine: mill })).toContain('this tool has 80.000 mm')
    for (const code of ['NOT_MEASURED', 'OFF', 'UNSURE', 'NO_T', 'NO_MACHINE'] as const)
      expect(handoverRefusalText({ code })).toMatch(/\.$/)
  })
})

describe('registers', () => {
  const values = { t: 3, lengthMm: 123.4567, radiusMm: 5.0004 }
  it('are geometry and wear, wear zero, size as the machine wants it', () => {
    expect(registersOf(values, mill).map((r) => [r.register, r.rounded])).toEqual([
      ['length', 123.457],
      ['length wear', 0],
      ['radius', 5],
      ['radius wear', 0],
    ])
    expect(registersOf(values, inch).map((r) => [r.register, r.rounded])).toEqual([
      ['length', 4.8605],
      ['length wear', 0],
      ['diameter', 0.3937],
      ['diameter wear', 0],
    ])
  })
  it('are the same only when the control holds the rounded value', () => {
    const held = { length: 123.457, 'length wear': 0, radius: 5, 'radius wear': 0 }
    const same = (row: object) => compareTable(registersOf(values, mill), new Map([[3, row]]), 'mm').same
    expect(same(held)).toBe(true)
    expect(same({ ...held, length: 123.456 })).toBe(false)
    expect(same({ ...held, length: undefined })).toBe(false)
    expect(compareTable(registersOf(values, mill), new Map(), 'mm').rows.map((r) => r.held)).toEqual([null, null, null, null])
  })
})

describe('label fields', () => {
  const values: HandoverValues = {
    serial: 'BX1',
    issue: 1,
    t: 3,
    machine: 'HERON',
    unit: 'mm',
    lengthMm: 100,
    radiusMm: 5,
    cornerRadiusMm: null,
    pocket: null,
    measuredAt: '2026-01-02T03:04:05.000Z',
  }
  it('leave out what does not apply', () => {
    expect(labelFields(values)).toEqual({
      S: 'BX1',
      I: '1',
      T: '3',
      M: 'HERON',
      L: '100.0000',
      X: '5.0000',
      U: 'MM',
      A: '2601020304',
    })
    expect(labelFields({ ...values, unit: 'inch', cornerRadiusMm: 1, pocket: 7 })).toMatchObject({
      L: '3.93701',
      E: '0.03937',
      P: '7',
      U: 'IN',
    })
  })
})
