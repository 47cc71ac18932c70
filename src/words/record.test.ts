/** What the record tells, in the reader's own unit; and what stood in it before there were codes. */
import { SI, usualUnits } from '@/core/units'
import { describe, expect, it } from 'vitest'
import type { Entry } from '@/stations/entries'
import { recordText } from './record'

const told = (entry: Entry, unit: 'mm' | 'inch' = 'mm') => recordText({ entry, text: '' }, usualUnits(unit))

describe('an entry of the record', () => {
  it.each<[Entry, string, string]>([
    [
      { code: 'BUILT', cutter: 'end mill Ø10', shrunk: true, serial: 'BX1', stopSetMm: 118.1, torqueNm: null },
      'end mill Ø10 shrunk into BX1, stop set to 118.100 mm',
      'end mill Ø10 shrunk into BX1, stop set to 4.6496 in',
    ],
    [
      { code: 'MEASURE_AGAIN', movedMm: 0.0127, foundAt: '2026-11-28T10:00:00.000Z', loadedIn: 'Heron' },
      'The bench had drifted by up to 13 µm when this tool was measured; it is in Heron already',
      'The bench had drifted by up to 0.50 thou when this tool was measured; it is in Heron already',
    ],
    [
      { code: 'REGROUND', count: 2, part: 'drill', DCmm: 9.8, OALmm: 100 },
      '2 × drill to Ø 9.800 mm, 100.000 mm long',
      '2 × drill to Ø 0.3858 in, 3.9370 in long',
    ],
  ])('says its lengths in the reader’s unit: %o', (entry, mm, inch) => {
    expect([told(entry), told(entry, 'inch')]).toEqual([mm, inch])
  })
  it('leaves out what is not so', () => {
    const measured = {
      code: 'MEASURED',
      source: 'pictures',
      edges: 1,
      verdict: 'holds',
      voided: null,
      kept: false,
      reason: null,
    } as const
    expect(told(measured)).toBe('1 edge measured: in tolerance')
    expect(told({ ...measured, edges: 4, verdict: null, voided: 3, reason: 'new insert' })).toBe(
      '4 edges measured: not judged; hand-over 3 is out of date; new insert',
    )
    expect(told({ code: 'JOB_CLOSED', job: 'HP-1', state: 'done', back: 0 })).toBe('HP-1')
    expect(told({ code: 'JOB_CLOSED', job: 'HP-1', state: 'done', back: 1 })).toBe('HP-1; 1 fetched piece goes back')
  })
  it('tells a refusal by its own sentence', () => {
    const refusal = { code: 'IN_A_MACHINE', serial: 'BX1', machine: 'HERON' } as const
    expect(told({ code: 'REFUSED', where: 'Load', refusal })).toBe('Load: BX1 is in HERON. Unload it first.')
  })
  it('keeps the text of what was written before, and names a code that it does not know', () => {
    expect(recordText({ entry: null, text: 'Tag of BX1: hand-over 3, read back' }, SI)).toBe('Tag of BX1: hand-over 3, read back')
    expect(recordText({ entry: { code: 'LATER' }, text: '' }, SI)).toBe('LATER')
  })
})
