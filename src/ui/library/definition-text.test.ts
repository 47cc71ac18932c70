import { describe, expect, it } from 'vitest'
import type { Definition } from '@/core/tool'
import { readTyped, startOf, type Typed } from './definition-text'
import { SI, usualUnits } from '@/core/units'

const definition: Definition = {
  id: 'D-1',
  version: 3,
  t: 12,
  name: 'End mill',
  toolClass: 'finish',
  parts: [
    { role: 'holder', component: 'H1', alternatives: ['H2', 'H3'], count: 1 },
    { role: 'insert', component: 'I1', alternatives: [], count: 6 },
  ],
  LF: { nominal: 152.0001234, lower: -0.1, upper: 0.1 },
  DC: { nominal: 20, lower: -0.03, upper: 0.02 },
  RE: { nominal: 1.5, lower: -0.02, upper: 0.02 },
  edges: 5,
  measure: ['LF', 'DC', 'RE'],
  radialRunoutMax: 0.012,
  axialRunoutMax: 0.01,
  machines: ['HERON'],
  programRpm: 8000,
  torqueNm: 60,
  reachMm: null,
  balance: { grade: 2.5, rpm: 8000 },
  route: 'as the machine',
  lifeMin: 90,
  contour: null,
}
const read = (change: Partial<Typed>, before: Definition | null = definition, unit: 'mm' | 'inch' = 'mm') =>
  readTyped({ ...startOf(before, usualUnits(unit)), ...change }, before, usualUnits(unit))
const faults = (change: Partial<Typed>, before: Definition | null = definition) => {
  const r = read(change, before)
  return r.ok ? {} : r.error
}

describe('a definition in a form', () => {
  it('untouched is exactly what it was, in either unit', () => {
    const { contour, ...rest } = definition
    expect(contour).toBeNull()
    for (const unit of ['mm', 'inch'] as const) expect(read({}, definition, unit)).toEqual({ ok: true, value: rest })
  })
  it('takes a length as people type it', () => {
    const r = read({ DC: '3/4 in', LF: '150,5' })
    expect(r.ok && [r.value.DC.nominal, r.value.LF.nominal]).toEqual([19.05, 150.5])
  })
  it('asks for what is missing, at its field', () => {
    expect(Object.keys(faults({}, null)).sort()).toEqual(['DC', 'LF', 'id', 'machines', 'name', 'rpm', 't'])
    expect(faults({ LF: '1,234' }).LF).toContain('1.234 or 1234?')
    expect(faults({ LF: 'long' }).LF).toContain('is not a length')
    expect(faults({ t: '0', life: '-3' })).toEqual({ t: 'A number above 0.', life: 'A number above 0.' })
  })
  it('reads T12, no corner radius, no balance, parts with what may stand in', () => {
    const r = read({
      t: 'T14',
      RE: '',
      grade: '',
      parts: [
        { role: 'holder', component: ' H9 ', alternatives: 'H2 , ,H3', count: '1' },
        { role: 'screw', component: '', alternatives: '', count: '6' },
      ],
    })
    expect(r.ok && r.value).toMatchObject({
      t: 14,
      RE: null,
      balance: null,
      parts: [{ role: 'holder', component: 'H9', alternatives: ['H2', 'H3'], count: 1 }],
    })
  })
  it('a new one starts with the tolerances of its class', () => {
    expect(startOf(null, SI)).toMatchObject({ LFlo: '-0.1', LFup: '0.1', radial: '0.012', toolClass: 'finish' })
    expect(startOf(null, usualUnits('inch')).LFup).toBe('0.00394')
  })
})
