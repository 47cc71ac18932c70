/** What is set at the machine itself, and the minutes that it stood for it. */
import { beforeEach, describe, expect, it } from 'vitest'
import { SILENT } from '@/core/load'
import { ok } from '@/core/units'
import { inTransaction } from '@/db/connection'
import { noteTouchOff, readAtMachine } from '@/stations/at-machine/note-touch-off'
import { codeOf, lastEntry, textOf, toolRoom, valueOf, withJobs, type ToolRoom } from '../support/tool-room'
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
