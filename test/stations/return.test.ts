import { describe, expect, it } from 'vitest'
import { emptyRow, isWorn, wearOf } from '@/core/handover'
import { getAssembly } from '@/db/assembly/read'
import { currentHandover } from '@/db/handover/read'
import { getMachine } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { loadTool } from '@/stations/load/load-tool'
import { readInside, unloadTool, type Fate } from '@/stations/return/unload'
import { codeOf, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

async function loaded(): Promise<ToolRoom> {
  const room = measured(withT4(withJobs(toolRoom())))
  valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
  const { label } = currentHandover(room.db, 'BX00143')!
  valueOf(await loadTool(room.as('ines', 75), room.control, { machine: 'HERON', serial: 'BX00143', label }))
  return room
}
const out = (room: ToolRoom, fate: Fate, minutes = 500) =>
  unloadTool(room.as('tomas', minutes), room.control, { serial: 'BX00143', fate, reason: 'job done', cutMin: 42 })
const tool = (room: ToolRoom) => getAssembly(room.db, 'BX00143')!
/** Somebody at the machine corrected the length by −0.02 mm. */
function wear(room: ToolRoom): void {
  room.control.live.HERON['4'] = { ...room.control.live.HERON['4'], lengthWear: -0.02 }
}
const EMPTY = { length: 300, lengthWear: 0, size: 60, sizeWear: 0 }

describe('taking a tool out', () => {
  it('leaves its row as the longest and widest tool, and keeps what it was', async () => {
    const room = await loaded()
    const before = { ...room.control.live.HERON['4'] }
    expect(valueOf(await out(room, 'measure'))).toMatchObject({ state: 'built', wear: { lengthMm: 0, radiusMm: 0 } })
    expect(room.control.live.HERON['4']).toEqual(EMPTY)
    expect(tool(room)).toMatchObject({ state: 'built', pocket: null, lifeUsedMin: 42 })
    expect(listRecord(room.db)[0]).toMatchObject({
      what: 'unloaded',
      machine: 'HERON',
      before: { length: before.length, 'length wear': 0 },
      after: { cutMin: 42, register: { length: 300 } },
    })
    expect(currentHandover(room.db, 'BX00143')).toBeNull()
  })
  it('as it is keeps its hand-over, so that it goes in again', async () => {
    const room = await loaded()
    expect(valueOf(await out(room, 'again')).state).toBe('released')
    const { label } = currentHandover(room.db, 'BX00143')!
    valueOf(await loadTool(room.as('ines', 510), room.control, { machine: 'HERON', serial: 'BX00143', label }))
    expect(tool(room).state).toBe('loaded')
  })
  it('corrected for wear it is not used again without a measurement; the wear is told and kept', async () => {
    const room = await loaded()
    wear(room)
    expect(await readInside(room.db, room.control, 'BX00143')).toMatchObject({ worn: true, wear: { lengthMm: -0.02 } })
    expect(codeOf(await out(room, 'again'))).toBe('WORN')
    expect(tool(room).state).toBe('loaded')
    expect(valueOf(await out(room, 'measure')).wear.lengthMm).toBeCloseTo(-0.02, 9)
  })
  it('broken says so, and it counts as ready for nothing', async () => {
    const room = await loaded()
    valueOf(await out(room, 'broken'))
    expect(tool(room)).toMatchObject({ condition: 'broken', state: 'built' })
    expect(listRecord(room.db)[0].what).toBe('broken')
  })
  it('the connection dropped at any question: nothing half written, and it goes on from there', async () => {
    for (let cut = 1; ; cut++) {
      const room = await loaded()
      room.control.asked.length = 0
      room.control.cutAt = cut
      const first = await out(room, 'measure')
      if (first.ok) {
        expect(cut).toBe(room.control.asked.length + 1)
        break
      }
      expect(codeOf(first)).toBe('UNREACHABLE')
      expect(tool(room)).toMatchObject({ state: 'loaded', pocket: 1 })
      expect(listRecord(room.db).filter((e) => e.what === 'unloaded')).toEqual([])
      room.control.cutAt = 0
      valueOf(await out(room, 'measure', 501))
      expect(room.control.live.HERON['4']).toEqual(EMPTY)
      expect(tool(room).state).toBe('built')
      expect(listRecord(room.db).filter((e) => e.what === 'unloaded')).toHaveLength(1)
    }
  })
  it('a row that does not come out empty holds it back', async () => {
    const room = await loaded()
    room.control.spoil = (row) => ({ ...row, length: 12 })
    expect(codeOf(await out(room, 'measure'))).toBe('READ_BACK')
    expect(tool(room).state).toBe('loaded')
  })
  it('what stands in no machine is not taken out', async () => {
    const room = withT4(withJobs(toolRoom()))
    expect(codeOf(await out(room, 'measure'))).toBe('NOT_LOADED')
  })
})

describe('wear and the empty row', () => {
  it('are in the machine’s own unit, radius or diameter', async () => {
    const room = toolRoom()
    const dipper = getMachine(room.db, 'DIPPER')!
    expect(wearOf({ 'length wear': -0.001, 'diameter wear': 0.002 }, dipper)).toEqual({ lengthMm: -0.0254, radiusMm: 0.0254 })
    expect(isWorn({ 'length wear': 0, 'diameter wear': 0, length: 4 })).toBe(false)
    const empty = emptyRow(dipper)
    expect(empty.lengthMm).toBeCloseTo(dipper.lengthMm.max, 2)
    expect(emptyRow({ ...dipper, table: { lengthFrom: { type: 'master', lengthMm: 100 } } }).lengthMm).toBeCloseTo(
      dipper.lengthMm.max + 100,
      2,
    )
  })
})
