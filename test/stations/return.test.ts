import { inTransaction } from '@/db/connection'
import { describe, expect, it } from 'vitest'
import { emptyRow, isWorn, wearOf } from '@/core/handover'
import { getAssembly } from '@/db/assembly/read'
import { currentHandover } from '@/db/handover/read'
import { getMachine } from '@/db/machine/read'
import { insertMachine } from '@/db/machine/write'
import { listRecord } from '@/db/record/read'
import type { TagStation } from '@/devices/tag/port'
import { ok } from '@/core/units'
import { readTagNow, writeTag } from '@/stations/hand-over/write-tag'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import type { Disposition } from '@/stations/return/contract'
import { readInside } from '@/stations/return/inside'
import { unloadTool } from '@/stations/return/unload'
import {
  codeOf,
  goodT4,
  later,
  loaded,
  measured,
  saving,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
  textOf,
  saveMeasurement,
} from '../support/tool-room'

async function inHeron(): Promise<ToolRoom> {
  const room = measured(withT4(withJobs(toolRoom())))
  valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
  const { label } = currentHandover(room.db, 'BX00143')!
  valueOf(await loaded(room, { machine: 'HERON', serial: 'BX00143', label }, 75))
  takenOut(room)
  return room
}
/** Somebody opens the door, takes it out of its pocket and shuts the door. */
const takenOut = (room: ToolRoom) => room.control.hand('HERON', { do: 'open' }, { do: 'take' }, { do: 'shut' })
const out = (room: ToolRoom, disposition: Disposition, minutes = 500) =>
  unloadTool(room.as('tomas', minutes), room.control, null, { serial: 'BX00143', disposition, reason: 'job done', cutMin: 42 })
const tool = (room: ToolRoom) => getAssembly(room.db, 'BX00143')!
/** Somebody at the machine corrected the length by −0.02 mm. */
function wear(room: ToolRoom): void {
  room.control.live.HERON['4'] = { ...room.control.live.HERON['4'], lengthWear: -0.02 }
}
const EMPTY = { length: 300, lengthWear: 0, size: 60, sizeWear: 0 }

describe('taking a tool out', () => {
  it('leaves its row as the longest and widest tool, and keeps what it was', async () => {
    const room = await inHeron()
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
    const room = await inHeron()
    expect(valueOf(await out(room, 'again')).state).toBe('released')
    const { label } = currentHandover(room.db, 'BX00143')!
    valueOf(await loaded(room, { machine: 'HERON', serial: 'BX00143', label }, 510))
    expect(tool(room).state).toBe('loaded')
  })
  it('corrected for wear it is not used again without a measurement; the wear is told and kept', async () => {
    const room = await inHeron()
    wear(room)
    expect(await readInside(room.db, room.control, 'BX00143')).toMatchObject({ worn: true, wear: { lengthMm: -0.02 } })
    expect(codeOf(await out(room, 'again'))).toBe('WEAR_UNSAID')
    expect(tool(room).state).toBe('loaded')
    expect(valueOf(await out(room, 'measure')).wear?.lengthMm).toBeCloseTo(-0.02, 9)
  })
  it('corrected for wear it is used on when somebody says what becomes of the wear, and handed over anew', async () => {
    for (const goes of ['kept', 'cleared'] as const) {
      const room = await inHeron()
      wear(room)
      const given = { serial: 'BX00143', disposition: 'again', reason: 'still cuts well', cutMin: 5, wear: goes } as const
      expect(valueOf(await unloadTool(room.as('tomas', 500), room.control, null, given)).state).toBe('measured')
      expect(currentHandover(room.db, 'BX00143')).toBeNull()
      expect(tool(room).wear).toEqual(goes === 'kept' ? { lengthMm: -0.02, radiusMm: 0 } : null)
      valueOf(await releaseHandover(room.as('ines', 505), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
      const { label } = currentHandover(room.db, 'BX00143')!
      valueOf(await loaded(room, { machine: 'HERON', serial: 'BX00143', label }, 510))
      expect(room.control.live.HERON['4']).toMatchObject({ length: 118, lengthWear: goes === 'kept' ? -0.02 : 0 })
      expect(tool(room).wear).toBeNull()
    }
  })
  it('for another machine of its taper, not for one of another', async () => {
    const room = await inHeron()
    const swift = { ...getMachine(room.db, 'HERON')!, key: 'SWIFT', name: 'Swift' }
    inTransaction(room.db, (tx) => insertMachine(tx, swift))
    const to = (machine: string) =>
      unloadTool(room.as('tomas', 500), room.control, null, {
        serial: 'BX00143',
        disposition: 'other',
        reason: 'Swift is free',
        cutMin: 0,
        to: machine,
      })
    expect(codeOf(await to('HERON'))).toBe('NO_NEXT_MACHINE')
    expect(codeOf(await to('DIPPER'))).toBe('NEXT_TAPER')
    expect(valueOf(await to('SWIFT')).state).toBe('measured')
    expect(tool(room)).toMatchObject({ machine: 'SWIFT', pocket: null })
  })
  it('the chip in its holder gets wear and minutes; one without a chip comes out all the same', async () => {
    const room = await inHeron()
    const chip = { bytes: new Uint8Array(2048) }
    const station: TagStation = {
      read: async () => ok(chip.bytes),
      write: async ({ address, bytes }) => {
        chip.bytes = Uint8Array.from(chip.bytes)
        chip.bytes.set(bytes, address)
        return ok(null)
      },
    }
    valueOf(await writeTag(room.as('ines', 80), station, 'BX00143'))
    wear(room)
    const given = { serial: 'BX00143', disposition: 'measure', reason: 'job done', cutMin: 42 } as const
    const done = valueOf(await unloadTool(room.as('tomas', 500), room.control, station, given))
    expect(done.tag).toMatchObject({ written: true })
    const read = valueOf(await readTagNow(station))
    expect(read.record).toMatchObject({ id: 'BX00143', t: 4, lw: -0.02, xw: 0, lifeUsed: 42 })
  })
  it('longer than it went in: it crept, and that wants a reason', async () => {
    const room = await inHeron()
    valueOf(await out(room, 'measure', 100))
    const again = (z: number, reason?: string) =>
      saveMeasurement(room.as('ines', 120), room.evidence, saving('BX00143', goodT4({ z }), { takenAt: later(120), reason }))
    const crept = again(118.03)
    expect(codeOf(crept)).toBe('CREPT')
    expect(textOf(crept)).toContain('0.030 mm longer than before it went into Heron')
    valueOf(again(118.03, 'screwed out, checked'))
    // told once; the next measurement is compared with this one
    expect(codeOf(again(118.03))).toBe('ok')
  })
  it('shorter is wear, and no creep', async () => {
    const room = await inHeron()
    valueOf(await out(room, 'measure', 100))
    measured(room, 'BX00143', goodT4({ z: 117.97 }), 120)
    expect(tool(room).state).toBe('measured')
  })
  it('the switch still sees it: it is not out', async () => {
    const room = await inHeron()
    room.control.hand('HERON', { do: 'open' }, { do: 'put' })
    expect(codeOf(await out(room, 'measure'))).toBe('STILL_IN')
    room.control.hand('HERON', { do: 'take' }, { do: 'shut' })
    room.control.set('HERON', { spindle: 4 })
    expect(codeOf(await out(room, 'measure'))).toBe('IN_USE')
  })
  it('two terminals take it out: one does, the other is told', async () => {
    const room = await inHeron()
    const codes = (await Promise.all([out(room, 'measure'), out(room, 'apart')])).map(codeOf).sort()
    expect(codes).toEqual(['CHANGED', 'ok'])
    expect(listRecord(room.db).filter((e) => e.what === 'unloaded')).toHaveLength(1)
  })
  it('broken says so, and it counts as ready for nothing', async () => {
    const room = await inHeron()
    valueOf(await out(room, 'broken'))
    expect(tool(room)).toMatchObject({ condition: 'broken', state: 'built' })
    expect(listRecord(room.db)[0].what).toBe('broken')
  })
  it.each([false, true])(
    'the connection dropped at any question (after its work: %s): nothing half written, no wear lost',
    async (after) => {
      for (let cut = 1; ; cut++) {
        const room = await inHeron()
        wear(room)
        room.control.asked.length = 0
        room.control.cutAt = cut
        room.control.cutAfter = after
        const first = await out(room, 'measure')
        if (first.ok) {
          expect(cut).toBe(room.control.asked.length + 1)
          break
        }
        expect(codeOf(first)).toBe('UNREACHABLE')
        expect(tool(room)).toMatchObject({ state: 'loaded', pocket: 1 })
        expect(listRecord(room.db).filter((e) => e.what === 'unloaded')).toEqual([])
        room.control.cutAt = 0
        expect(valueOf(await out(room, 'measure', 501)).wear?.lengthMm).toBeCloseTo(-0.02, 9)
        expect(room.control.live.HERON['4']).toEqual(EMPTY)
        expect(room.control.cell('HERON').pockets).toEqual({})
        expect(tool(room)).toMatchObject({ state: 'built', wear: null })
        expect(listRecord(room.db).filter((e) => e.what === 'unloaded')).toHaveLength(1)
      }
    },
  )
  it('a row that does not come out empty holds it back', async () => {
    const room = await inHeron()
    room.control.spoil = (row) => ({ ...row, length: 12 })
    expect(codeOf(await out(room, 'measure'))).toBe('NOT_EMPTY')
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
