import { describe, expect, it } from 'vitest'
import { minutesOf, pageAfter, returnFault, type ReturnForm } from './machine'

const form: ReturnForm = { disposition: 'measure', reason: 'finish got rough', minutes: '42', to: '', wear: null }

describe('a tool that comes out', () => {
  it.each<[string, Partial<ReturnForm>, boolean, ReturnType<typeof returnFault>]>([
    ['everything said', {}, false, null],
    ['no minutes are none', { minutes: '' }, false, null],
    ['a comma in the minutes', { minutes: '12,5' }, false, null],
    ['minutes that are none', { minutes: 'some' }, false, 'MINUTES'],
    ['minutes below zero', { minutes: '-3' }, false, 'MINUTES'],
    ['no reason', { reason: ' a ' }, false, 'REASON'],
    ['another machine, but which', { disposition: 'other' }, false, 'MACHINE'],
    ['another machine', { disposition: 'other', to: 'HERON' }, false, null],
    ['used again with corrected wear', { disposition: 'again' }, true, 'WEAR'],
    ['its wear goes along', { disposition: 'again', wear: 'kept' }, true, null],
    ['worn out: its wear does not matter', { disposition: 'scrap' }, true, null],
  ])('%s', (_, change, worn, fault) => expect(returnFault({ ...form, ...change }, worn)).toBe(fault))

  it.each([
    ['again', false, '/tools/BX1'],
    ['again', true, '/hand-over/BX1'],
    ['other', false, '/hand-over/BX1'],
    ['measure', false, '/measure/BX1'],
    ['apart', false, '/tools/BX1'],
    ['scrap', true, '/tools/BX1'],
    ['broken', false, '/kit/now'],
  ] as const)('%s leads on', (disposition, worn, page) => expect(pageAfter(disposition, 'BX1', worn)).toBe(page))
  it('reads minutes; a comma that may count thousands is none', () =>
    expect([minutesOf(''), minutesOf('7,5'), minutesOf('3'), minutesOf('1,000'), minutesOf('x')]).toEqual([0, 7.5, 3, NaN, NaN]))
})
