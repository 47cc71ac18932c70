/** The watch over the controls' tables: since when they differ, and how that is settled. */
import { describe, expect, it } from 'vitest'
import { wearByCorrection } from '@/core/handover'
import { getMachine } from '@/db/machine/read'
import { keepPractice } from '@/stations/practice'
import { askControl } from '@/stations/load/ask-control'
import { unloadTool } from '@/stations/return/unload'
import { keepOpen, takeAsWear } from '@/stations/watch/decide'
import { lookNow } from '@/stations/watch/look'
import { readWatched, stopsLoad } from '@/stations/watch/watched'
import { loadedT4 } from '../support/loaded-t4'
import { codeOf, lastEntry, later, valueOf, type ToolRoom } from '../support/tool-room'

const corrected = (room: ToolRoom, by: number, register = 'length') => {
  const row = room.control.live.HERON['4'] as Record<string, number>
  row[register] = Math.round(1000 * (row[register] + by)) / 1000
}
const look = async (room: ToolRoom, minutes: number) =>
  valueOf(await lookNow(room.db, room.control, 'HERON', later(minutes))).left
const lines = (room: ToolRoom) => readWatched(room.db).find((w) => w.machine.key === 'HERON')!.lines
const stopped = async (room: ToolRoom) => {
  const heron = getMachine(room.db, 'HERON')!
  return stopsLoad(room.db, heron, await askControl(room.control, heron))
}

describe('a corrected register', () => {
  it('is kept with when it was seen first, and goes when it is corrected back', async () => {
    const room = await loadedT4()
    expect(await look(room, 100)).toBe(0)
    corrected(room, -0.02)
    expect(await look(room, 110)).toBe(1)
    expect(await look(room, 120)).toBe(1)
    const [line] = lines(room)
    expect(line).toMatchObject({ firstAt: later(110), lastAt: later(120), near: 'Ines Varga', state: 'open', stops: 'HP-2207' })
    expect(line.difference).toMatchObject({ code: 'ROW_DIFFERS', register: 'length', t: 4 })
    corrected(room, 0.02)
    expect(await look(room, 130)).toBe(0)
    expect(lines(room)).toEqual([])
  })
  it('that is changed once more begins anew, whatever was said of it before', async () => {
    const room = await loadedT4()
    corrected(room, -0.02)
    await look(room, 110)
    valueOf(keepOpen(room.as('oda', 111), { id: lines(room)[0].id, reason: 'first part measured' }))
    expect(await stopped(room)).toBeNull()
    corrected(room, -0.03)
    expect(await stopped(room)).toEqual({ t: 4, job: 'HP-2207' })
    expect(await look(room, 120)).toBe(1)
    expect(lines(room)).toMatchObject([{ firstAt: later(120), state: 'open' }])
  })
  it('stops loads of a job that needs the tool until somebody settles it, and not those of others', async () => {
    const room = await loadedT4()
    expect(await stopped(room)).toBeNull()
    corrected(room, -0.02)
    expect(await stopped(room)).toEqual({ t: 4, job: 'HP-2207' })
    room.db.prepare("UPDATE job SET state = 'done' WHERE id = 'HP-2207'").run()
    expect(await stopped(room)).toBeNull()
  })
  it('that is wear comes out with the tool, as wear', async () => {
    const room = await loadedT4()
    corrected(room, -0.02)
    corrected(room, -0.01, 'size')
    expect(await look(room, 110)).toBe(2)
    const [{ id }, radius] = lines(room)
    valueOf(takeAsWear(room.as('tomas', 111), { id, reason: 'corrected on the first part' }))
    // one register settled, the other is still open
    expect(await stopped(room)).toEqual({ t: 4, job: 'HP-2207' })
    valueOf(takeAsWear(room.as('tomas', 111), { id: radius.id, reason: 'the same' }))
    expect(await stopped(room)).toBeNull()
    expect(lastEntry(room.db, 'BX00143')).toContain('is wear')
    expect(codeOf(takeAsWear(room.as('tomas', 112), { id, reason: 'again' }))).toBe('WATCH_SETTLED')
    room.control.hand('HERON', { do: 'open' }, { do: 'take' }, { do: 'shut' })
    const out = valueOf(
      await unloadTool(room.as('tomas', 500), room.control, null, {
        ...{ serial: 'BX00143', disposition: 'measure', reason: 'job done', cutMin: 12 },
      }),
    )
    expect(out.wear!.lengthMm).toBeCloseTo(-0.02, 6)
    expect(out.wear!.radiusMm).toBeCloseTo(-0.01, 6)
    expect(lines(room)).toEqual([])
  })
  it('of a pocket or an emptied offset is no wear', async () => {
    const room = await loadedT4()
    room.control.live.HERON['4'] = {}
    await look(room, 110)
    const [line] = lines(room)
    expect(line).toMatchObject({ canBeWear: false, difference: { code: 'ROW_EMPTY' } })
    expect(codeOf(takeAsWear(room.as('tomas', 111), { id: line.id, reason: 'worn away' }))).toBe('NOT_WEAR')
  })
})

it('a machine that is not there, and one whose control is off, say so', async () => {
  const room = await loadedT4()
  expect(codeOf(await lookNow(room.db, room.control, 'GONE', later(100)))).toBe('UNKNOWN_MACHINE')
  corrected(room, -0.02)
  await look(room, 110)
  room.control.cutAt = 1
  const off = await lookNow(room.db, room.control, 'HERON', later(120))
  expect(off.ok).toBe(false)
  // what was seen is still there: nobody knows better
  expect(lines(room)).toHaveLength(1)
  expect(readWatched(room.db).find((w) => w.machine.key === 'HERON')).toMatchObject({ readAt: later(120) })
  expect(codeOf(keepPractice(room.as('oda'), 'watchMin', -1))).not.toBe('ok')
})

it('corrections are wear in millimetres, a size as its machine has it', () => {
  const heron = { unit: 'mm', sizeRegister: 'radius' } as never
  const grebe = { unit: 'inch', sizeRegister: 'diameter' } as never
  const of = (register: string, held: number, wanted: number) => ({ register, held, wanted }) as never
  expect(wearByCorrection([of('length', 117.98, 118), of('radius', 4.995, 5)], heron)).toEqual({
    lengthMm: expect.closeTo(-0.02, 9),
    radiusMm: expect.closeTo(-0.005, 9),
  })
  // two thousandths of an inch on diameter: ISO 80000-3, 1 in = 25.4 mm
  expect(wearByCorrection([of('diameter', 0.498, 0.5), of('Z', 2, 2)], grebe)).toEqual({
    ...{ lengthMm: 0, radiusMm: expect.closeTo(-0.0254, 9) },
  })
})
