import { describe, expect, it } from 'vitest'
import { getAssembly } from '@/db/assembly/read'
import { currentHandover, findHandover } from '@/db/handover/read'
import { lastMeasurement } from '@/db/measurement/read'
import { listRecord } from '@/db/record/read'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { readMeasure } from '@/stations/measure/measure-sheet'
import { takeInTool } from '@/stations/measure/take-in-tool'
import { wiped } from '@/stations/measure/wiped'
import {
  codeOf,
  frames,
  goodT4,
  lastEntry,
  later,
  measured,
  saveMeasurement,
  saving,
  textOf,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'

const ready = () => withT4(withJobs(toolRoom()))
const save = (room: ToolRoom, change: Parameters<typeof saving>[2] = {}, edges = goodT4(), person = 'ines', minutes = 60) =>
  saveMeasurement(room.as(person, minutes), room.evidence, saving('BX00143', edges, change))
const untouched = (room: ToolRoom) => {
  expect(getAssembly(room.db, 'BX00143')!.state).toBe('built')
  expect(lastMeasurement(room.db, getAssembly(room.db, 'BX00143')!.id)).toBeNull()
  expect(room.evidence.kept.size).toBe(0)
}

describe('saving a measurement', () => {
  it('measures the pictures itself, and keeps them as evidence', () => {
    const room = ready()
    expect(valueOf(save(room))).toMatchObject({ verdict: 'holds', voided: null })
    const tool = getAssembly(room.db, 'BX00143')!
    expect(tool.state).toBe('measured')
    const last = lastMeasurement(room.db, tool.id)!
    expect(last.summary.LF).toBeCloseTo(118, 3)
    expect(last.summary.DC).toBeCloseTo(10.002, 3)
    expect(last.summary.RE).toBeCloseTo(1, 2)
    expect(last.summary.radialRunout).toBeCloseTo(0.001, 3)
    expect(last.edges).toHaveLength(4)
    expect(room.evidence.kept.get(last.evidence)?.length).toBeGreaterThan(10_000)
    expect(listRecord(room.db, { serial: 'BX00143' })[0]).toMatchObject({
      what: 'measured',
      before: null,
      after: { LF: last.summary.LF },
    })
  })
  it('another holder’s scan saves nothing', () => {
    const room = ready()
    const refused = save(room, { scanned: 'BX00144' })
    expect(codeOf(refused)).toBe('OTHER_HOLDER')
    untouched(room)
    expect(listRecord(room.db)[0]).toMatchObject({
      what: 'refused',
      entry: { where: 'Measure', refusal: { code: 'OTHER_HOLDER', serial: 'BX00143' } },
    })
  })
  it.each([
    ['nonsense instead of a zip', { frames: new Uint8Array([1, 2, 3]) }, 'BAD_FRAMESET'],
    ['pictures of another scale', { frames: frames(goodT4(), { x: 0.02, z: 0.02 }) }, 'OTHER_SCALE'],
  ])('%s', (_, change, code) => {
    const room = ready()
    expect(codeOf(save(room, change))).toBe(code)
    untouched(room)
  })
  it('a chip has to be wiped first', () => {
    const room = ready()
    const refused = save(room, {}, goodT4({ chip: { x: 5.06, z: 116.4, r: 0.1 } }))
    expect(codeOf(refused)).toBe('DEBRIS')
    expect(textOf(refused)).toContain('Clean it')
    untouched(room)
  })
  it('too short is off, and says so; the value is kept all the same', () => {
    const room = ready()
    expect(valueOf(save(room, {}, goodT4({ z: 117.5 }))).verdict).toBe('off')
    expect(getAssembly(room.db, 'BX00143')!.state).toBe('measured')
  })
  it('a warm tool is unsure: its excess counts, at the time of the pictures, not of the save', () => {
    const room = ready()
    expect(valueOf(save(room, { takenAt: later(0.1) })).verdict).toBe('unsure')
    const cold = ready()
    expect(valueOf(save(cold, { takenAt: later(55) })).verdict).toBe('holds')
    const future = ready()
    expect(valueOf(save(future, { takenAt: later(500) }, goodT4(), 'ines', 0.1)).verdict).toBe('unsure')
  })
  it('measuring again shows the old value and takes the hand-over back', async () => {
    const room = measured(ready())
    expect(
      valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' })).issue,
    ).toBe(1)
    const again = valueOf(save(room, { takenAt: later(80) }, goodT4({ z: 117.99 }), 'tomas', 80))
    expect(again).toMatchObject({ verdict: 'holds', voided: 1 })
    expect(currentHandover(room.db, 'BX00143')).toBeNull()
    expect(findHandover(room.db, 'BX00143', 1)).toMatchObject({ voidReason: { code: 'MEASURED_AGAIN' }, voidedAt: later(80) })
    const [entry] = listRecord(room.db, { serial: 'BX00143' })
    expect((entry.before as { LF: number }).LF).toBeCloseTo(118, 3)
    expect((entry.after as { LF: number }).LF).toBeCloseTo(117.99, 3)
    expect(entry.who).toBe('Tomas Lind')
  })
  it('found the same within uncertainty keeps its hand-over, and notes the check', async () => {
    const room = measured(ready())
    valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
    const again = valueOf(save(room, { takenAt: later(80) }, goodT4({ x: 5.0003 }), 'tomas', 80))
    expect(again).toMatchObject({ verdict: 'holds', voided: null, kept: true })
    expect(getAssembly(room.db, 'BX00143')!.state).toBe('released')
    expect(currentHandover(room.db, 'BX00143')).not.toBeNull()
    expect(lastEntry(room.db, 'BX00143')).toContain('the same within uncertainty')
  })
  it('a jump wants a reason, which is kept', () => {
    const room = measured(ready())
    const jumped = goodT4({ z: 118.06 })
    const asked = save(room, {}, jumped, 'ines', 70)
    expect(codeOf(asked)).toBe('JUMP')
    expect(textOf(asked)).toContain('Length changed by +0.060 mm')
    expect(valueOf(save(room, { reason: 'set longer for the deep pocket' }, jumped, 'ines', 70)).kept).toBe(false)
    expect(lastMeasurement(room.db, getAssembly(room.db, 'BX00143')!.id)!.reason).toBe('set longer for the deep pocket')
  })
  it('a tool that somebody else changed meanwhile is not overwritten, and no picture is left behind', () => {
    const room = ready()
    const bump = room.db.prepare('UPDATE assembly SET version = version + 1')
    const evidence = {
      ...room.evidence,
      put: (...args: Parameters<ToolRoom['evidence']['put']>) => (bump.run(), room.evidence.put(...args)),
    }
    expect(codeOf(saveMeasurement(room.as('ines', 60), evidence, saving('BX00143', goodT4())))).toBe('CHANGED')
    untouched(room)
  })
  it('a holder without a tool, and a tool in its machine', () => {
    const room = ready()
    expect(codeOf(saveMeasurement(room.as('ines'), room.evidence, saving('BX00148', goodT4())))).toBe('UNKNOWN_SERIAL')
    room.db.prepare("UPDATE assembly SET state = 'loaded'").run()
    expect(codeOf(save(room))).toBe('NOT_NOW')
  })
  it('notes a wipe', () => {
    const room = ready()
    wiped(room.as('ines'), getAssembly(room.db, 'BX00143')!, 3)
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'wiped', entry: { code: 'WIPED', edge: 3 } })
  })
})

describe('a tool without a definition', () => {
  const tool = { serial: 'BX09001', coupling: 'SK 40' as const, name: 'drill', t: null, machine: null }
  it('is measured without limits, and not judged', () => {
    const room = toolRoom()
    valueOf(takeInTool(room.as('ines'), { ...tool, coupling: 'HSK-A63' }))
    expect(readMeasure(room.db, 'BX09001')).toMatchObject({
      definition: null,
      limits: {},
      steps: [{ features: ['LF', 'DC', 'RE'] }],
    })
    const saved = valueOf(saveMeasurement(room.as('ines', 5), room.evidence, saving('BX09001', goodT4())))
    expect(saved.verdict).toBeNull()
  })
  it.each([
    ['a mark that is none', { serial: 'bx 1' }, 'BAD_MARK'],
    ['a holder of another taper', { serial: 'BX00141' }, 'OTHER_TAPER'],
  ])('%s is refused', (_, change, code) => expect(codeOf(takeInTool(toolRoom().as('ines'), { ...tool, ...change }))).toBe(code))
  it('twice the same holder: the second is told', () => {
    const room = toolRoom()
    expect([takeInTool(room.as('ines'), tool), takeInTool(room.as('ines'), tool)].map(codeOf)).toEqual([
      'ok',
      'HOLDER_CARRIES_TOOL',
    ])
  })
})
