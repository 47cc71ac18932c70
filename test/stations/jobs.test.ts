/** Jobs as people change their minds about them, and what a T of theirs means. */
import { describe, expect, it } from 'vitest'
import { getAssembly } from '@/db/assembly/read'
import { getJob, listProgramTexts } from '@/db/job/read'
import { listRecord } from '@/db/record/read'
import { readMinutes } from '@/stations/load/read-minutes'
import { addJob, closeJob, type NewJob } from '@/stations/kit/add-job'
import { changeJob, copyJob, mapTool, reopenJob } from '@/stations/kit/change-job'
import { readKit, readStuck } from '@/stations/kit/kit-sheet'
import { neededNow, takeBackNow } from '@/stations/kit/needed-now'
import { reserveTool } from '@/stations/kit/reserve'
import { loadedT4 } from '../support/loaded-t4'
import { codeOf, later, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom, textOf } from '../support/tool-room'

const job = (change: Partial<NewJob> = {}): NewJob => ({
  id: 'HP-9',
  name: '',
  machine: 'HERON',
  dueAt: later(300),
  quantity: 1,
  priority: 0,
  programs: [],
  extra: [{ t: 4, name: null, count: 1, minutesEach: null, source: 'by hand' }],
  ...change,
})
const standing = (room: ToolRoom, id: string, t: number) =>
  readKit(room.db, id, later(100))!.tools.find((tool) => tool.wanted.t === t)!.standing

describe('a job that cannot be taken in', () => {
  it('says everything that is wrong with it at once, and is not stored', () => {
    const room = toolRoom()
    const added = addJob(
      room.as('oda', 10),
      job({
        dueAt: later(5),
        programs: [
          { name: 'turn.nc', text: 'G21\nT0101\nG96 S200 M3\nG1 X10. F0.1\nM30' },
          { name: 'photo.nc', text: 'nothing here' },
        ],
      }),
    )
    expect(codeOf(added)).toBe('OTHER_KIND')
    const text = textOf(added)
    for (const part of ['turn.nc is written for a lathe. Heron is a mill', 'photo.nc has no block', 'in the past'])
      expect(text).toContain(part)
    expect(getJob(room.db, 'HP-9')).toBeNull()
  })
})

describe('a T that the program and the library tell differently', () => {
  const spot = 'G21 G90\nT4 M6 (SPOT DRILL 90 DEG)\nS2000 M3\nG1 Z-1. F100\nT77 M6 (PROBE)\nM30'
  const room = () => {
    const own = toolRoom()
    valueOf(addJob(own.as('oda'), job({ programs: [{ name: 'a.nc', text: spot }], extra: [] })))
    return own
  }
  it('is asked about, and stands in the list of what cannot be built', () => {
    const own = room()
    expect(standing(own, 'HP-9', 4)).toMatchObject({
      type: 'ask',
      differs: [{ what: 'kind', says: 'spot-drill', is: 'end-mill' }],
    })
    expect(readStuck(own.db, later(10)).map((s) => [s.tool.wanted.t, s.tool.standing.type])).toEqual([
      [4, 'ask'],
      [77, 'unknown-t'],
    ])
  })
  it('is what somebody says it is, or nothing to set up, until that is taken back', () => {
    const own = room()
    valueOf(mapTool(own.as('ines'), 'HP-9', 4, 'D-0004'))
    expect(standing(own, 'HP-9', 4).type).toBe('to-build')
    valueOf(mapTool(own.as('ines'), 'HP-9', 77, null))
    expect(standing(own, 'HP-9', 77).type).toBe('left-out')
    valueOf(mapTool(own.as('ines'), 'HP-9', 4, undefined))
    expect(standing(own, 'HP-9', 4).type).toBe('ask')
    expect(listRecord(own.db)[0]).toMatchObject({ what: 'job changed', t: 4 })
  })
  it.each([
    ['a T it does not want', 5, 'D-0004', 'UNKNOWN_TOOL'],
    ['a definition that there is not', 4, 'D-NONE', 'UNKNOWN_DEFINITION'],
    ['one of another machine', 4, 'D-0112', 'NOT_FOR_MACHINE'],
  ] as const)('%s is refused', (_, t, to, code) => expect(codeOf(mapTool(room().as('ines'), 'HP-9', t, to))).toBe(code))
})

describe('a job', () => {
  it('is changed, and what is kept for it is due with it', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    valueOf(addJob(room.as('oda', 61), job()))
    valueOf(reserveTool(room.as('oda', 62), 'BX00143', 'HP-9'))
    const facts = { name: 'lids', dueAt: later(400), quantity: 12, priority: 4, version: 1 }
    expect(codeOf(changeJob(room.as('ines', 63), 'HP-9', { ...facts, dueAt: later(1) }))).toBe('START_PAST')
    valueOf(changeJob(room.as('ines', 63), 'HP-9', facts))
    expect(getJob(room.db, 'HP-9')).toMatchObject({ ...facts, version: 2 })
    expect(getAssembly(room.db, 'BX00143')!.dueAt).toBe(later(400))
    // somebody had the job open before that
    expect(codeOf(changeJob(room.as('tomas', 64), 'HP-9', { ...facts, name: 'covers' }))).toBe('CHANGED')
    expect(getJob(room.db, 'HP-9')!.name).toBe('lids')
  })
  it('is copied with its programs, under a number of its own', () => {
    const room = withJobs(toolRoom())
    expect(codeOf(copyJob(room.as('ines'), 'HP-2207', { id: 'HP-1145', dueAt: later(500) }))).toBe('JOB_EXISTS')
    valueOf(copyJob(room.as('ines'), 'HP-2207', { id: 'HP-2208', dueAt: later(500) }))
    expect(listProgramTexts(room.db, 'HP-2208')).toEqual(listProgramTexts(room.db, 'HP-2207'))
    expect(readKit(room.db, 'HP-2208', later(1))!.tools.map((t) => t.wanted.t)).toEqual([12, 4, 44])
  })
  it('that is cancelled frees its tools, and is opened again with a reason', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    valueOf(reserveTool(room.as('oda', 62), 'BX00143', 'HP-2207'))
    valueOf(closeJob(room.as('oda', 63), 'HP-2207', 'cancelled'))
    expect(getAssembly(room.db, 'BX00143')!.job).toBeNull()
    expect(codeOf(reopenJob(room.as('oda', 64), 'HP-1145', 'by mistake'))).toBe('JOB_IS_OPEN')
    valueOf(reopenJob(room.as('oda', 64), 'HP-2207', 'closed by mistake'))
    expect(getJob(room.db, 'HP-2207')!.state).toBe('open')
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'job reopened', before: { state: 'cancelled' } })
  })
})

describe('needed now, by mistake', () => {
  it('is taken back: the tool is fit, and its sister goes back to the job that had it', async () => {
    const room = await loadedT4()
    valueOf(addJob(room.as('oda', 76), job()))
    measured(withT4(room, 'BX00144'), 'BX00144', undefined, 77)
    valueOf(reserveTool(room.as('oda', 78), 'BX00144', 'HP-9'))
    const now = valueOf(neededNow(room.as('tomas', 80), 'BX00143'))
    expect(getAssembly(room.db, 'BX00144')!.job).toBe(now.id)
    expect(getAssembly(room.db, 'BX00143')!.condition).toBe('broken')
    valueOf(takeBackNow(room.as('tomas', 82), now.id, 'only a chip'))
    expect(getAssembly(room.db, 'BX00143')!.condition).toBe('fit')
    expect(getAssembly(room.db, 'BX00144')!.job).toBe('HP-9')
    expect(getJob(room.db, now.id)!.state).toBe('cancelled')
    expect(codeOf(takeBackNow(room.as('tomas', 83), now.id, 'once more'))).toBe('NOT_RUSHED')
  })
})

describe('minutes that a tool cuts while it is in', () => {
  it('are read from the control, and end when it comes out', async () => {
    const room = await loadedT4()
    room.control.hand('HERON', { do: 'cut', t: 4, minutes: 42 })
    await readMinutes(room.db, room.control)
    expect(getAssembly(room.db, 'BX00143')!.runningMin).toBe(42)
    // a control that does not answer leaves what was known
    room.control.cutAt = 1
    await readMinutes(room.db, room.control)
    expect(getAssembly(room.db, 'BX00143')!.runningMin).toBe(42)
  })
  it('use up its life: before the limit it is told, and its sister is wanted', async () => {
    const room = await loadedT4()
    valueOf(addJob(room.as('oda', 76), job({ extra: [{ t: 4, name: null, count: 1, minutesEach: 10, source: 'by hand' }] })))
    expect(standing(room, 'HP-9', 4)).toMatchObject({ type: 'in-machine', lifeLeftMin: 60 })
    room.control.hand('HERON', { do: 'cut', t: 4, minutes: 57 })
    await readMinutes(room.db, room.control)
    const wanted = readKit(room.db, 'HP-9', later(100))!.tools[0]
    expect(wanted.standing.type).not.toBe('in-machine')
    expect(wanted.replaces).toMatchObject({ serial: 'BX00143' })
  })
})
