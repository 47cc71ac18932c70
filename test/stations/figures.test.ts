/** Figures of a bench without a camera: typed twice, with their source and a larger uncertainty. */
import { describe, expect, it } from 'vitest'
import { getAssembly } from '@/db/assembly/read'
import { lastMeasurement } from '@/db/measurement/read'
import { saveValuesCheck, type ValuesCheck } from '@/stations/measure/check-values'
import { saveFigures, type FiguresSave } from '@/stations/measure/save-figures'
import { codeOf, goodT4, lastEntry, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

const T4 = { LF: 118, DC: 10, RE: 1 }
const save = (room: ToolRoom, change: Partial<FiguresSave> = {}) =>
  saveFigures(room.as('ines', 60), {
    serial: 'BX00143',
    scanned: 'BX00143',
    source: 'typed',
    first: T4,
    second: T4,
    reason: null,
    ...change,
  })
const ready = (minutes = 1) => {
  const room = withT4(withJobs(toolRoom()))
  valueOf(checkOther(room, minutes))
  return room
}
/** What the other bench reads of its master; certified 150.0021 and 40.0004. */
const checkOther = (room: ToolRoom, minutes: number, change: Partial<ValuesCheck> = {}) =>
  saveValuesCheck(room.as('ines', minutes), {
    coupling: 'HSK-A63',
    scanned: 'MS-HSKA63-1',
    LFmm: 150.003,
    DCmm: 40.002,
    ...change,
  })

describe('figures typed twice', () => {
  it('are kept with their source; a diameter 5 µm inside its limit stays unsure', () => {
    const room = ready()
    const near = { ...T4, DC: 10.015 }
    expect(valueOf(save(room, { first: near, second: near })).verdict).toBe('unsure')
    const tool = getAssembly(room.db, 'BX00143')!
    expect(tool.state).toBe('measured')
    expect(lastMeasurement(room.db, tool.id)).toMatchObject({
      source: 'typed',
      evidence: '',
      summary: { LF: 118, DC: 10.015, RE: 1, radialRunout: null },
    })
    expect(lastEntry(room.db, 'BX00143')).toContain('Figures typed')
  })
  it('count only after the other bench was checked with its master, this shift', () => {
    const room = withT4(withJobs(toolRoom()))
    expect(codeOf(save(room))).toBe('VALUES_MASTER_DUE')
    expect(codeOf(checkOther(room, 1, { scanned: 'MS-SK40-1' }))).toBe('OTHER_MASTER')
    expect(codeOf(checkOther(room, 1, { LFmm: 150.03 }))).toBe('TOO_FAR')
    expect(codeOf(checkOther(room, 1, { DCmm: 20.0002 }))).toBe('TOO_FAR')
    expect(codeOf(save(room))).toBe('VALUES_MASTER_DUE')
    expect(codeOf(checkOther(room, 1))).toBe('ok')
    expect(codeOf(save(room))).toBe('ok')
    expect(codeOf(save(ready(60 - 481)))).toBe('VALUES_MASTER_DUE')
  })
  it.each([
    ['radius for diameter', { DC: 5 }],
    ['diameter for radius', { RE: 2 }],
    ['inch for millimetres', { LF: 118 / 25.4 }],
  ])('%s: asked about, not saved', (_, wrong) => {
    const room = ready()
    const figures = { ...T4, ...wrong }
    const asked = { first: figures, second: figures }
    expect(codeOf(save(room, asked))).toBe('MIXED_UP')
    expect(getAssembly(room.db, 'BX00143')!.state).toBe('built')
  })
  it('do not make good what the camera said is out: that was not measured again', () => {
    const four = goodT4()
    const room = measured(ready(), 'BX00143', [{ ...four[0], x: four[0].x + 0.03 }, ...four.slice(1)])
    const last = () => lastMeasurement(room.db, getAssembly(room.db, 'BX00143')!.id)!
    expect(last().verdict).toBe('off')
    const again = { ...T4, DC: 10.001 }
    const done = save(room, { first: again, second: again, reason: 'measured by hand' })
    if (done.ok) expect(done.value.verdict).toBe('off')
    expect(last().verdict).toBe('off')
  })
  it.each([
    ['two different lengths', { second: { ...T4, LF: 118.2 } }, 'TYPED_DIFFERENT'],
    ['no length', { first: { ...T4, LF: null }, second: { ...T4, LF: null } }, 'MISSING'],
    ['another holder', { scanned: 'BX00144' }, 'OTHER_HOLDER'],
  ])('%s: nothing is saved', (_, change, code) => {
    const room = ready()
    expect(codeOf(save(room, change))).toBe(code)
    expect(getAssembly(room.db, 'BX00143')!.state).toBe('built')
  })
  it('a jump against pictures wants its reason too', () => {
    const room = measured(ready())
    const flange = { ...T4, LF: 144 }
    expect(codeOf(save(room, { first: flange, second: flange }))).toBe('JUMP')
    expect(codeOf(save(room, { first: flange, second: flange, reason: 'new cutter' }))).toBe('ok')
  })
})
