/** What is set at the machine itself, and the minutes that it stood for it. */
import { beforeEach, describe, expect, it } from 'vitest'
import { SILENT } from '@/core/load'
import { ok } from '@/core/units'
import { inTransaction } from '@/db/connection'
import { getAssembly } from '@/db/assembly/read'
import { currentHandover } from '@/db/handover/read'
import { componentVersion, getComponent } from '@/db/library/read'
import { changeInsert } from '@/stations/at-machine/change-insert'
import { noteTouchOff, readAtMachine } from '@/stations/at-machine/note-touch-off'
import { buildTool } from '@/stations/build/build-tool'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { addJob } from '@/stations/kit/add-job'
import { putPart } from '@/stations/library/put-part'
import {
  codeOf,
  lastEntry,
  later,
  loaded,
  measured,
  program,
  textOf,
  toolRoom,
  valueOf,
  withJobs,
  type ToolRoom,
} from '../support/tool-room'
import { loadedT4 } from '../support/loaded-t4'

const NOTE = { machine: 'HERON', t: 4, what: 'length', method: 'probe', valueMm: 118.004, minutes: 1.9, looked: true } as const
let room: ToolRoom
beforeEach(() => {
  room = withJobs(toolRoom())
})

describe('set at the machine', () => {
  it('is listed with its method and minutes, of the tool that is in by the record', async () => {
    const filled = await loadedT4()
    valueOf(await noteTouchOff(filled.as('ines', 90), filled.control, NOTE))
    expect(readAtMachine(filled.db, 'HERON')!.lines).toMatchObject([
      { t: 4, serial: 'BX00143', what: 'length', method: 'probe', valueMm: 118.004, minutes: 1.9 },
    ])
    expect(lastEntry(filled.db, 'BX00143')).toBe('Heron: length 118.004 mm, probe; the machine stood 1.9 min')
  })
  it('is only of the tool that is active in the control', async () => {
    const control = Object.assign(Object.create(room.control) as typeof room.control, {
      state: () => Promise.resolve(ok({ ...SILENT, spindle: 9 })),
    })
    expect(textOf(await noteTouchOff(room.as('ines'), control, NOTE))).toContain('T9 is active in Heron, not T4')
    expect(readAtMachine(room.db, 'HERON')!.lines).toEqual([])
  })
  it('where the control does not tell, whoever did it has looked', async () => {
    const silent = { ...NOTE, machine: 'BITTERN', looked: false }
    expect(codeOf(await noteTouchOff(room.as('ines'), room.control, silent))).toBe('ACTIVE_UNSAID')
    valueOf(await noteTouchOff(room.as('ines'), room.control, { ...silent, looked: true }))
  })
  it('of a machine that is not there is refused, and nothing is changed afterwards', async () => {
    expect(codeOf(await noteTouchOff(room.as('ines'), room.control, { ...NOTE, machine: 'KITE' }))).toBe('UNKNOWN_MACHINE')
    valueOf(await noteTouchOff(room.as('ines'), room.control, NOTE))
    for (const sql of ['UPDATE touch_off SET minutes = 0', 'DELETE FROM touch_off'])
      expect(() => inTransaction(room.db, (tx) => tx.exec(sql))).toThrow('touch-offs are only added')
  })
})

describe('an insert changed in the machine', () => {
  /** T25, three inserts, released and loaded into Heron. */
  async function loadedT25(): Promise<ToolRoom> {
    const programs = ['HP2240-10.nc', 'HP2240-20.nc'].map((name) => ({ name, text: program(name) }))
    const job = { id: 'HP-2240', name: '', machine: 'HERON', dueAt: later(300), quantity: 1, priority: 0, programs, extra: [] }
    valueOf(addJob(room.as('oda'), job))
    valueOf(buildTool(room.as('ines'), 'HP-2240', 25, SERIAL))
    measured(
      room,
      SERIAL,
      [0, 1, 2].map((i) => ({ x: 12.5, z: 165 - 0.001 * i, re: 0.8, dishDeg: 2 })),
    )
    valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: SERIAL, scanned: SERIAL }))
    const { label } = currentHandover(room.db, SERIAL)!
    valueOf(await loaded(room, { machine: 'HERON', serial: SERIAL, label }, 75))
    return room
  }
  const SERIAL = 'BX00158'
  const tool = () => getAssembly(room.db, SERIAL)!
  const change = (given: object = {}, who = 'ines') =>
    changeInsert(room.as(who, 90), room.control, { serial: SERIAL, edge: 2, wear: 'zero', version: tool().version, ...given })

  it('writes zero wear, begins its life anew, and has it measured when it comes out', async () => {
    await loadedT25()
    room.control.live.HERON['25'].lengthWear = -0.02
    valueOf(await change())
    const table = valueOf(await room.control.table('HERON'))
    expect(table.get(25)).toMatchObject({ length: 165, 'length wear': 0 })
    expect(tool()).toMatchObject({ state: 'loaded', lifeUsedMin: 0 })
    expect(currentHandover(room.db, SERIAL)).toBeNull()
    expect(lastEntry(room.db, SERIAL)).toContain('edge 2 of')
  })
  it('as probed leaves the registers alone', async () => {
    await loadedT25()
    room.control.live.HERON['25'].lengthWear = -0.02
    valueOf(await change({ wear: 'as probed' }))
    expect(valueOf(await room.control.table('HERON')).get(25)).toMatchObject({ 'length wear': -0.02 })
  })
  it('is refused while the program that runs uses the tool, and nothing is written', async () => {
    await loadedT25()
    room.control.live.HERON['25'].lengthWear = -0.02
    const state = () => Promise.resolve(ok({ ...SILENT, running: { program: 'HP2240-10.nc', tools: [25] } }))
    const control = Object.assign(Object.create(room.control) as typeof room.control, { state })
    const refused = await changeInsert(room.as('ines', 90), control, {
      serial: SERIAL,
      edge: 2,
      wear: 'zero',
      version: tool().version,
    })
    expect(textOf(refused)).toBe('HP2240-10.nc is running and uses T25. Wait until it has ended.')
    expect(valueOf(await room.control.table('HERON')).get(25)).toMatchObject({ 'length wear': -0.02 })
    expect(currentHandover(room.db, SERIAL)).not.toBeNull()
  })
  it('refuses an edge that is not there, a tool that is not in, and a class that sits too far apart', async () => {
    await loadedT25()
    expect(codeOf(await change({ edge: 9 }))).toBe('NO_SUCH_EDGE')
    expect(codeOf(await change({ serial: 'BX00143', version: 0 }))).toBe('UNKNOWN_SERIAL')
    const insert = tool().parts.find(({ role }) => role === 'insert')!.component
    const part = { ...getComponent(room.db, insert)!, insertClass: 'M' }
    valueOf(putPart(room.as('oda'), part, componentVersion(room.db, insert)))
    expect(textOf(await change())).toContain('class M')
    valueOf(await change({ wear: 'as probed' }))
  })
  it('the one that saw an older state does nothing', async () => {
    await loadedT25()
    const { version } = tool()
    valueOf(await change())
    expect(codeOf(await change({ version }, 'oda'))).toBe('CHANGED')
  })
})
