import { describe, expect, it } from 'vitest'
import { registersOf, type HandoverValues, type HeldRow } from '../handover'
import { emptyRow } from '../handover'
import { differencesOf, type RecordedTool } from './differ'
import { SILENT, type MachineState } from './state'
import { HERON } from '../../../test/support/machines'

const values: HandoverValues = {
  serial: 'BX00143',
  issue: 1,
  t: 4,
  machine: 'HERON',
  unit: 'mm',
  lengthMm: 118.0004,
  radiusMm: 5.0006,
  cornerRadiusMm: 1,
  pocket: null,
  measuredAt: '2026-11-25T08:00:00.000Z',
}
const tool: RecordedTool = { serial: 'BX00143', t: 4, sister: 0, pocket: 3, values }
const rowOf = (v: Parameters<typeof registersOf>[0]): HeldRow =>
  Object.fromEntries(registersOf(v, HERON).map(({ register, rounded }) => [register, rounded]))
const state = (change: Partial<MachineState> = {}): MachineState => ({ ...SILENT, magazine: new Map([[3, 4]]), ...change })
const look = (row: HeldRow, seen: MachineState | null = state(), over: Partial<RecordedTool> = {}) =>
  differencesOf(HERON, [{ ...tool, ...over }], new Map([[4, row]]), seen).map(({ code }) => code)

describe('record and control', () => {
  it('tell the same of a tool that went in, whatever wear was typed since', () => {
    expect(look(rowOf(values))).toEqual([])
    expect(look({ ...rowOf(values), 'length wear': -0.02, 'radius wear': 0.01 })).toEqual([])
  })
  it.each([
    ['an emptied row', rowOf({ ...values, ...emptyRow(HERON) }), 'ROW_EMPTY'],
    ['a row of zeros', { length: 0, radius: 0 }, 'ROW_EMPTY'],
    ['no row', {}, 'ROW_EMPTY'],
    ['another length', { ...rowOf(values), length: 118.001 }, 'ROW_DIFFERS'],
    ['a register that is gone', { length: 118 }, 'ROW_DIFFERS'],
  ])('differ by %s', (_, row, code) => expect(look(row as HeldRow)).toEqual([code]))
  it('differ in each register by itself', () => {
    const row = { ...rowOf(values), length: 118.001, radius: 4.999 }
    const found = differencesOf(HERON, [tool], new Map([[4, row]]), state())
    expect(found.map((d) => d.code === 'ROW_DIFFERS' && d.register)).toEqual(['length', 'radius'])
  })
  it.each([
    [{ magazine: new Map([[5, 4]]) }, 'LISTED_ELSEWHERE'],
    [{ magazine: new Map([[3, 9]]) }, 'OTHER_LISTED'],
    [{ magazine: new Map([[1, 9]]) }, 'NOT_LISTED'],
  ])('differ by the control’s list: %j', (change, code) => expect(look(rowOf(values), state(change))).toEqual([code]))
  it('a tool that the control has in its spindle, or a control without a list, differs in nothing', () => {
    expect(look(rowOf(values), state({ magazine: new Map(), spindle: 4 }))).toEqual([])
    expect(look(rowOf(values), state({ magazine: new Map() }))).toEqual([])
    expect(look(rowOf(values), null)).toEqual([])
    expect(look({}, state(), { values: null })).toEqual([])
  })
})
