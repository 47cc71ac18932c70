import { describe, expect, it } from 'vitest'
import { HERON } from '../../../test/support/machines'
import { controlT, type Machine } from '../tool'
import {
  checkScratch,
  compareTable,
  otherChanges,
  registerNumber,
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
  condition: 'fit',
  turning: false,
  tip: null,
  calls: [],
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
  const call = (h: number[], d: number[] = []) => ({ calls: [{ job: 'J', program: 'A.nc', h, d }] })
  it.each<[string, Partial<HandoverCase>, string[]]>([
    ['worn, however it measures', { condition: 'worn' }, ['CONDITION']],
    [
      'a turret whose stations are off asks which one',
      { machine: { ...mill, kind: 'lathe', stations: { '3': { xMm: 0.01, zMm: 0, at: '', master: 'M' } } } },
      ['STATION_UNSAID'],
    ],
    ['a lathe asks where the tip points', { machine: { ...mill, kind: 'lathe' }, turning: true }, ['NO_TIP']],
    ['a tip as the bench saw it', { machine: { ...mill, kind: 'lathe' }, turning: true, tip: 3, seenTip: 3 }, []],
    [
      'a tip that the bench saw elsewhere',
      { machine: { ...mill, kind: 'lathe' }, turning: true, tip: 2, seenTip: 3 },
      ['TIP_DIFFERS'],
    ],
    ['the nose’s centre for any tip', { machine: { ...mill, kind: 'lathe' }, turning: true, tip: 9, seenTip: 3 }, []],
    ['no tip of that number', { machine: { ...mill, kind: 'lathe' }, turning: true, tip: 10 }, ['NO_TIP']],
    ['a drill on a lathe has none', { machine: { ...mill, kind: 'lathe' } }, []],
    ['H and D of its own register', call([12], [12]), []],
    ['another H', call([4], [12]), ['OFFSET_DIFFERS']],
    ['another H and D', call([12, 4], [5]), ['OFFSET_DIFFERS', 'OFFSET_DIFFERS']],
    ['no H at all', call([]), []],
    ['H by the pocket', { ...call([7]), machine: { ...mill, table: { numberFrom: 'pocket' } }, pocket: 7 }, []],
    [
      'a sister is called by the first one’s',
      { ...call([12]), machine: { ...mill, table: { sisters: { type: 'own T', step: 100 } } }, sister: 1 },
      [],
    ],
    ['a lathe’s offset', { ...call([3]), machine: { ...mill, kind: 'lathe' } }, ['OFFSET_DIFFERS']],
  ])('%s', (_, change, wanted) => expect(codes(change)).toEqual(wanted))
  it('what a lead may release: borderline, out of tolerance, a second offset', () => {
    const all = refuseHandover({
      ...good,
      t: 999,
      coupling: 'SK 40',
      allowed: [],
      measured: { lengthMm: 1, radiusMm: 99, verdict: 'off' },
    })
    expect(all.filter(leadMayOverrule).map((r) => r.code)).toEqual(['OFF'])
    expect(leadMayOverrule({ code: 'UNSURE' })).toBe(true)
  })
})

describe('the whole table', () => {
  const intended = registersOf({ t: 3, lengthMm: 100, radiusMm: 5 }, mill)
  const row = { length: 100, 'length wear': 0, radius: 5, 'radius wear': 0 }
  const table = (rows: Record<number, object>) => new Map(Object.entries(rows).map(([n, r]) => [Number(n), r]))
  it('with exactly what was wanted is the same', () =>
    expect(checkScratch(intended, table({ 3: row }), 'mm')).toMatchObject({ same: true, others: [] }))
  it('with a register of another row is not, even where it writes a zero', () =>
    expect(checkScratch(intended, table({ 3: row, 4: { 'length wear': 0 } }), 'mm')).toMatchObject({
      same: false,
      others: [{ number: 4, register: 'length wear', old: null, new: 0 }],
    }))
  it('between two looks: each change that nobody meant, with old and new, whatever else there is', () => {
    const before = table({ 1: { length: 5 }, 3: { length: 7 }, 9: { radius: 2 } })
    const after = table({ 1: { length: 5 }, 3: row, 9: { radius: 2.5 }, 12: { length: 1 } })
    expect(otherChanges(before, after, intended)).toEqual([
      { number: 9, register: 'radius', old: 2, new: 2.5 },
      { number: 12, register: 'length', old: null, new: 1 },
    ])
    expect(otherChanges(after, after, [])).toEqual([])
  })
})

describe('sister tools', () => {
  const of = (type: 'own T' | 'copies', numberFrom: 'T' | 'pocket' = 'T'): Machine => ({
    ...mill,
    table: { sisters: { type, step: 100 }, numberFrom },
  })
  const number = (machine: Machine, sister: number, pocket: number | null = null) =>
    registerNumber({ t: 6, sister, pocket }, machine)
  it('under a T of their own have the offset of that T', () => {
    expect([controlT({ t: 6, sister: 1 }, of('own T')), number(of('own T'), 1)]).toEqual([106, 106])
    expect([controlT({ t: 6 }, of('own T')), number(of('own T'), 0)]).toEqual([6, 6])
  })
  it('as copies have the same T and an offset each', () =>
    expect([controlT({ t: 6, sister: 2 }, of('copies')), number(of('copies'), 2)]).toEqual([6, 206]))
  it('numbered by pocket have their pocket’s', () => expect(number(of('own T', 'pocket'), 1, 17)).toBe(17))
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
