/** Records › That day, Table watch and Worth, from the record as people write it. */
import { describe, expect, it } from 'vitest'
import { noteTouchOff } from '@/stations/at-machine/note-touch-off'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { saveFigures } from '@/stations/measure/save-figures'
import { readThatDay } from '@/stations/records/that-day'
import { readWorth } from '@/stations/records/worth'
import { getAssembly } from '@/db/assembly/read'
import {
  codeOf,
  goodT4,
  later,
  measured,
  saveMeasurement,
  saving,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
} from '../support/tool-room'
import { readLearned } from '@/stations/records/learned'
import { readReturns } from '@/stations/records/returns'
import { unloadTool } from '@/stations/return/unload'
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

describe('what came back', () => {
  it('is counted by its tool, with the life it reached and how much longer it came', async () => {
    const room = await loadedT4()
    room.control.hand('HERON', { do: 'open' }, { do: 'take' }, { do: 'shut' })
    const unload = { serial: 'BX00143', reason: 'job done', cutMin: 30 }
    valueOf(await unloadTool(room.as('tomas', 400), room.control, null, { ...unload, disposition: 'measure' }))
    expect(readReturns(room.db, later(600), 30).tools).toMatchObject([{ t: 4, count: 1, broken: 0, lives: null }])
    const grown = saving('BX00143', goodT4({ z: 118.06 }), { takenAt: later(420), reason: 'it crept' })
    valueOf(saveMeasurement(room.as('ines', 420), room.evidence, grown))
    const [tool] = readReturns(room.db, later(600), 30).tools
    expect(tool.longer.count).toBe(1)
    expect(tool.longer.mostMm).toBeCloseTo(0.06, 2)
    // longer ago than is asked
    expect(readReturns(room.db, later(400 + 31 * 1440), 30).tools).toEqual([])
  })
  it('what was learned has the stop of a shrunk tool once it is measured', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    const { stops, minutes, checks } = readLearned(room.db)
    expect(minutes.find((m) => m.kind === 'measure')).toMatchObject({ spread: null })
    expect(checks.length).toBeGreaterThan(0)
    const kept = room.db.prepare('SELECT count(*) AS n FROM stop_lesson').get() as { n: number }
    expect(stops.reduce((sum, s) => sum + s.count, 0)).toBe(kept.n)
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
