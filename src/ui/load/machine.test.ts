import { describe, expect, it } from 'vitest'
import type { LoadLine } from '@/words/load'
import type { Line } from './checks'
import { loadBig, loadSheet, NOTHING_YET, reasonsGiven, refusedOf, type Seen } from './machine'

const scan = (rule: string, state: Line['state']): Line => ({ rule, state, text: '' })
const rule = (name: LoadLine['rule'], state: LoadLine['state']) => ({ rule: name, state, text: '', may: 'lead' }) as LoadLine
const READ = [scan('machine', 'holds'), scan('holder', 'holds'), scan('label', 'holds')]
const ready: Seen = {
  machine: true,
  serial: true,
  scans: READ,
  findings: [rule('taper', 'holds'), rule('stud', 'holds')],
  pocket: 7,
  running: false,
}
const asked: Seen = { ...ready, findings: [rule('taper', 'holds'), rule('measured', 'asks')] }

describe('the big action of Load', () => {
  it.each<[string, Seen, object]>([
    ['nothing scanned', { ...ready, machine: false, serial: false, scans: [], findings: [] }, { type: 'scan', what: 'machine' }],
    ['a machine only', { ...ready, serial: false, scans: [], findings: [] }, { type: 'scan', what: 'holder' }],
    [
      'the label is still to be scanned',
      { ...ready, scans: [scan('label', 'waits')], findings: [] },
      { type: 'scan', what: 'label' },
    ],
    ['an old label', { ...ready, scans: [scan('label', 'refused')] }, { type: 'scan', what: 'another label' }],
    [
      'a rule that nobody may go against',
      { ...ready, findings: [rule('taper', 'refused')] },
      { type: 'scan', what: 'another tool' },
    ],
    ['everything holds', ready, { type: 'begin', pocket: 7 }],
    ['no pocket is free', { ...ready, pocket: null }, { type: 'scan', what: 'another tool' }],
    ['a rule asks', asked, { type: 'reason' }],
    ['under way', { ...ready, running: true }, { type: 'step' }],
  ])('%s', (_, seen, big) => expect(loadBig(NOTHING_YET, seen)).toEqual(big))

  it('a reason of three letters lets it go on, one of two does not', () => {
    const with_ = (text: string) => loadSheet(NOTHING_YET, { type: 'reason', rule: 'measured', text })
    expect(loadBig(with_('ok'), asked)).toEqual({ type: 'reason' })
    expect(loadBig(with_('  told by phone '), asked)).toEqual({ type: 'begin', pocket: 7 })
    expect(reasonsGiven(with_('  told by phone '))).toEqual([{ rule: 'measured', reason: 'told by phone' }])
  })
  it('a refused scan is told before a refused rule', () =>
    expect(refusedOf({ scans: [scan('label', 'refused')], findings: [rule('taper', 'refused')] })?.rule).toBe('label'))
  it('reasons are for one load; what was loaded is told until the next scan', () => {
    const given = loadSheet(NOTHING_YET, { type: 'reason', rule: 'measured', text: 'urgent' })
    expect(loadSheet(given, { type: 'begun' }).reasons).toEqual({})
    const done = { pocket: 3, rows: [], machine: { key: 'M', name: 'M', decimals: 3, typed: false } }
    const loaded = loadSheet(given, { type: 'loaded', done })
    expect(loaded.done?.pocket).toBe(3)
    expect(loadSheet(loaded, { type: 'scanned' }).done).toBeNull()
  })
})
