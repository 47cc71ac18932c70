import { describe, expect, it } from 'vitest'
import { AT_REST, measureBig, measureSheet, type MeasureEvent, type MeasureSheet, type Seen } from './machine'

const idle: Seen = { held: false, moving: false, dirtyEdge: null, proposed: false, verdict: null }
const done: Seen = { ...idle, proposed: true, verdict: 'holds' }

describe('the big action of Measure', () => {
  it.each<[string, Partial<MeasureSheet>, Seen, string]>([
    ['a tool that was put on', {}, idle, 'measure'],
    ['a bench without a check, whatever else', { saving: 'packing' }, { ...done, held: true }, 'check'],
    ['while the bench moves', {}, { ...idle, moving: true }, 'moving'],
    ['while a cloth is used', { wiping: true }, done, 'moving'],
    ['a chip on an edge, before its verdict', {}, { ...done, dirtyEdge: 3, verdict: 'off' }, 'clean'],
    ['in tolerance', {}, done, 'scan'],
    ['borderline', {}, { ...done, verdict: 'unsure' }, 'scan'],
    ['nothing to judge by', {}, { ...done, verdict: null }, 'scan'],
    ['out of tolerance', {}, { ...done, verdict: 'off' }, 'again'],
    ['while it is saved', { saving: 'measuring' }, { ...done, dirtyEdge: 1 }, 'saving'],
  ])('%s', (_, sheet, seen, type) => expect(measureBig({ ...AT_REST, ...sheet }, seen).type).toBe(type))
  it('names the edge that is cleaned', () =>
    expect(measureBig(AT_REST, { ...done, dirtyEdge: 4 })).toEqual({ type: 'clean', edge: 4 }))
})

describe('what the sheet of Measure goes through', () => {
  const after = (...events: MeasureEvent[]) => events.reduce(measureSheet, AT_REST)
  it('a refused save is told until something is saved or wiped', () => {
    const refused = after({ type: 'saving', part: 'packing' }, { type: 'refused', text: 'another holder' })
    expect(refused).toMatchObject({ note: 'another holder', saving: null, jumped: false })
    expect(measureSheet(refused, { type: 'saved' }).note).toBeNull()
    expect(measureSheet(refused, { type: 'wiping' })).toMatchObject({ note: null, wiping: true })
  })
  it('a jump asks for a reason, which stays while other scans are refused', () => {
    const jumped = after({ type: 'refused', text: 'jumped', jump: true }, { type: 'why', text: 'reground' })
    expect(measureSheet(jumped, { type: 'refused', text: 'another holder' })).toMatchObject({ jumped: true, reason: 'reground' })
  })
  it('a cloth that could not be used says why', () =>
    expect(after({ type: 'wiping' }, { type: 'wiped', fault: 'no answer' })).toMatchObject({ wiping: false, note: 'no answer' }))
  it('goes to the live reading and back', () => {
    const on = after({ type: 'adjust', key: 'LF' })
    expect(on.adjusting).toBe('LF')
    expect(measureSheet(on, { type: 'adjust', key: null }).adjusting).toBeNull()
  })
})
