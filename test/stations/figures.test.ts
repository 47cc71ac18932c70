/** Figures of a bench without a camera: typed twice, with their source and a larger uncertainty. */
import { describe, expect, it } from 'vitest'
import { getAssembly } from '@/db/assembly/read'
import { lastMeasurement } from '@/db/measurement/read'
import { listRecord } from '@/db/record/read'
import { saveFigures, type FiguresSave } from '@/stations/measure/save-figures'
import { codeOf, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

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
const ready = () => withT4(withJobs(toolRoom()))

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
    expect(listRecord(room.db, { serial: 'BX00143' })[0].text).toContain('figures typed')
  })
  it('need no master: the other bench has its own', () => {
    const room = ready()
    room.db.prepare('DELETE FROM bench_check').run()
    expect(codeOf(save(room))).toBe('ok')
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
