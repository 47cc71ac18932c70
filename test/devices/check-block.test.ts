/**
 * The block that stops a program with a worn tool, run by the control stand-in's own reading of it: G38.2, #5061 to #5063 and O… if as the
 * open-source RS-274 interpreter has them (from memory).
 */
import { beforeEach, describe, expect, it } from 'vitest'
import { heavyHere } from '@/codecs/heavy'
import { CHECK_RS274 } from '@/codecs/check-block'
import { inTransaction } from '@/db/connection'
import { getMachine } from '@/db/machine/read'
import { updateMachine } from '@/db/machine/write'
import { checkBlock, keepCheckBlock, type TryCheck } from '@/stations/at-machine/check-block'
import { Refused } from '../../standins/control/interpreter'
import { runCheck } from '../../standins/control/probe'
import { codeOf, lastEntry, toolRoom, valueOf, type ToolRoom } from '../support/tool-room'

let room: ToolRoom
beforeEach(() => {
  room = toolRoom()
})
const run: TryCheck = (text, setter) => Promise.resolve({ ok: true, value: runCheck(text, setter) })
const WANTED = {
  machine: 'HERON',
  t: 12,
  feature: 'length',
  allowedMm: 0.1,
  setterMm: -40,
  clearMm: 20,
  feedMm: 100,
  label: 101,
} as const
const by = (tryCheck: TryCheck) => ({ db: room.db, heavy: heavyHere, tryCheck, person: room.as('oda').person })
const block = async (change: object = {}) => valueOf(await checkBlock(by(run), { ...WANTED, ...change })).text

describe('a check block', () => {
  it('goes on while the tool has changed by less than is allowed, and stops the program beyond it', async () => {
    const text = await block()
    expect(text).toContain('T12 M6')
    for (const off of [0, 0.09, -0.09]) expect(runCheck(text, { at: -40, off })).toMatchObject({ stopped: false, messages: [] })
    for (const off of [0.11, -0.11, -12]) {
      const stopped = runCheck(text, { at: -40, off })
      expect(stopped).toMatchObject({ stopped: true, messages: ['T12 LENGTH CHANGED. LOOK AT THE TOOL'] })
      expect(text.split('\n')[stopped.line! - 1]).toBe('M0')
    }
  })
  it('speaks the machine’s unit', async () => {
    const dipper = getMachine(room.db, 'DIPPER')!
    expect(dipper.unit).toBe('inch')
    const text = await block({ machine: 'DIPPER', setterMm: 0, clearMm: 25.4 })
    expect(text).toContain('G20 G90')
    expect(text).toContain('G0 Z1.0000')
    expect(runCheck(text, { at: 0, off: 0.0038 }).stopped).toBe(false)
    expect(runCheck(text, { at: 0, off: -0.004 }).stopped).toBe(true)
  })
  it('of a turning tool looks along X', async () => {
    const text = await block({ machine: 'WAGTAIL', t: 3, feature: 'X' })
    expect(text).toMatch(/G38\.2 X.*\n#<off> = \[#5061 - -40\.000\]/)
    expect(runCheck(text, { at: -40, off: 0.2 }).stopped).toBe(true)
  })
  it('is not given out when it comes from nowhere, or the control does otherwise', async () => {
    expect(codeOf(await checkBlock(by(run), { ...WANTED, clearMm: -39.9 }))).toBe('NO_APPROACH')
    const always =
      (stopped: boolean): TryCheck =>
      () =>
        Promise.resolve({ ok: true, value: { stopped, messages: [] } })
    expect(codeOf(await checkBlock(by(always(true)), WANTED))).toBe('CHECK_WRONG')
    expect(codeOf(await checkBlock(by(always(false)), WANTED))).toBe('CHECK_WRONG')
    const silent: TryCheck = () => Promise.resolve({ ok: false, error: { code: 'UNREACHABLE', detail: '' } })
    expect(codeOf(await checkBlock(by(silent), WANTED))).toBe('UNREACHABLE')
    const finer = { ...getMachine(room.db, 'HERON')!, decimals: 2 }
    inTransaction(room.db, (tx) => updateMachine(tx, getMachine(room.db, 'HERON')!, finer))
    expect(await block()).toContain('G38.2 Z-70.00 F100')
  })
})

describe('the stand-in’s reading of it', () => {
  const stopped = (text: string) => runCheck(text, { at: 10, off: 0.5 }).stopped
  it('reckons with brackets, signs and comparisons', () => {
    const lines = (condition: string) => `G38.2 Z0\n#<a> = [#5063 - 10]\no1 if [${condition}]\nM2\no1 endif`
    for (const holds of ['#<a> GT 0.4', 'ABS[-#<a>] EQ 0.5', '[2 * #<a> + 1] GE 2', '#<a> / 2 LT 0.3', '-#<a> NE 0.5'])
      expect(stopped(lines(holds))).toBe(true)
    for (const fails of ['#<a> LT 0', '#<a> GT [1 - 0.25]']) expect(stopped(lines(fails))).toBe(false)
  })
  it('takes the other branch where there is one, and nothing of a closed one', () => {
    expect(stopped('o1 if [1 GT 2]\nM2\no1 else\no2 if [1 LT 2]\nM0\no2 endif\no1 endif')).toBe(true)
    expect(stopped('o1 if [0]\no2 if [1]\nM2\no2 else\nM2\no2 endif\no1 endif')).toBe(false)
  })
  it.each([
    ['#<a> = [#<b> + 1]', 1],
    ['G1 X1\nG76 P1', 2],
    ['o1 if [1]\nG0 X1', 2],
    ['o1 if [1]\no2 endif', 2],
    ['G38.2 F100', 1],
    ['#<a> = [1 +]', 1],
    ['GO HOME', 1],
  ])('refuses %j at its line', (text, line) => {
    expect(() => stopped(text)).toThrow(Refused)
    try {
      stopped(text)
    } catch (error) {
      expect((error as Refused).line).toBe(line)
    }
  })
  it('is a machine’s own once the control has shown that it stops and goes on; a lead’s to change', async () => {
    const template = `(OUR OWN)\n${CHECK_RS274}`
    const keep = (who: 'oda' | 'ines', text: string | null, version = getMachine(room.db, 'HERON')!.version) =>
      keepCheckBlock(room.as(who), { heavy: heavyHere, tryCheck: run }, { ...WANTED, template: text, version })
    expect(codeOf(await keep('oda', CHECK_RS274.replace(/M0/, 'M9')))).toBe('CHECK_WRONG')
    expect(codeOf(await keep('oda', '{% if %}'))).toBe('BAD_TEMPLATE')
    expect(codeOf(await keep('ines', template))).toBe('LEAD_ONLY')
    valueOf(await keep('oda', template))
    expect(lastEntry(room.db)).toContain('Check block of its own for Heron')
    expect(await block()).toContain('(OUR OWN)')
    expect(codeOf(await keep('oda', template, 0))).toBe('CHANGED')
    valueOf(await keep('oda', null))
    expect(await block()).not.toContain('(OUR OWN)')
  })
})
