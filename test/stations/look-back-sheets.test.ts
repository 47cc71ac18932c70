/** Records › That day, Table watch and Worth, from the record as people write it. */
import { describe, expect, it } from 'vitest'
import { noteTouchOff } from '@/stations/at-machine/note-touch-off'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { saveFigures } from '@/stations/measure/save-figures'
import { readThatDay } from '@/stations/records/that-day'
import { readWatch } from '@/stations/records/watch'
import { readWorth } from '@/stations/records/worth'
import { getAssembly } from '@/db/assembly/read'
import { codeOf, later, toolRoom, valueOf } from '../support/tool-room'
import { loadedT4 } from '../support/loaded-t4'

describe('that day', () => {
  it('is what was in the machine by the record, then and now', async () => {
    const room = await loadedT4()
    const { pocket } = getAssembly(room.db, 'BX00143')!
    const asked = (minutes: number) => readThatDay(room.db, { machine: 'HERON', at: later(minutes) }, later(600))!
    expect(asked(10).there).toEqual([])
    expect(asked(10).since.came.map((t) => t.serial)).toEqual(['BX00143'])
    const [tool] = asked(599).there
    expect(tool).toMatchObject({ serial: 'BX00143', t: 4, pocket, issue: 1 })
    expect(tool.values!.lengthMm).toBeCloseTo(118, 2)
    expect(asked(599).since).toEqual({ gone: [], came: [], changed: [] })
  })
  it('of no machine is none', () =>
    expect(readThatDay(toolRoom().db, { machine: 'GONE', at: later(0) }, later(0))!.there).toEqual([]))
})

describe('the watch over tables', () => {
  it('says of each machine whether its registers hold what was handed over', async () => {
    const room = await loadedT4()
    const heron = async () => (await readWatch(room.db, room.control)).find((w) => w.machine.key === 'HERON')!
    expect(await heron()).toMatchObject({ differences: [], problem: null, readable: true })
  })
})

describe('what the months say', () => {
  it('counts minutes by how a tool was set, and refusals by their reason', async () => {
    const room = toolRoom()
    for (const [i, minutes] of [8, 12, 10].entries())
      valueOf(
        await noteTouchOff(room.as('ines', i), room.control, {
          ...{ machine: 'WAGTAIL', t: 3, what: 'X zero', method: 'by hand', valueMm: 40, minutes, looked: true },
        }),
      )
    const figures = { LF: 118, DC: 10, RE: null }
    const save = () =>
      saveFigures(room.as('ines', 5), {
        serial: 'BX00999',
        scanned: 'BX00999',
        source: 'typed',
        first: figures,
        second: figures,
        reason: null,
      })
    expect(codeOf(save())).toBe('UNKNOWN_SERIAL')
    const other = await releaseHandover(room.as('ines', 6), room.control, { serial: 'BX00143', scanned: 'BX00143' })
    expect(other.ok).toBe(false)
    const view = readWorth(room.db, later(60), 30)
    expect(view.stops).toEqual([{ method: 'by hand', count: 3, minutes: 10 }])
    expect(view.refusals.every((r, i, all) => i === 0 || all[i - 1].count >= r.count)).toBe(true)
    expect(readWorth(room.db, later(60 * 24 * 60), 30)).toMatchObject({ stops: [], loads: 0 })
  })
})
