/** What a definition says of wear, regrinds and stepped inserts, and what a lathe's turret adds. */
import { describe, expect, it } from 'vitest'
import { getDefinition } from '@/db/library/read'
import { setStation } from '@/stations/at-machine/set-station'
import { disturb } from '@/stations/build/take-apart'
import { putDefinition } from '@/stations/library/put-definition'
import { netted } from '../support/netted'
import { readWear } from '@/stations/records/wear'
import { getAssembly } from '@/db/assembly/read'
import { getMachine } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'
import { valuesOf } from '@/stations/hand-over/propose'
import { tolerancesOf } from '@/stations/measure/measure-sheet'
import {
  codeOf,
  goodT4,
  lastEntry,
  later,
  measured,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'

/** T4 with what its definition says besides. */
function t4With(change: object): ToolRoom {
  const room = toolRoom()
  const t4 = room.definitions.find((d) => d.t === 4)!
  valueOf(putDefinition(room.as('oda'), { ...getDefinition(room.db, t4.id)!, ...change }))
  return withT4(withJobs(room))
}
const cut = (room: ToolRoom, minutes: number) =>
  room.db.prepare('UPDATE assembly SET life_used_min = ? WHERE serial = ?').run(minutes, 'BX00143')

describe('wear', () => {
  it('is told of tools measured again while they cut, against what their definition allows', () => {
    const room = measured(t4With({ wearMm: 0.02 }))
    expect(readWear(room.db)).toEqual([])
    cut(room, 40)
    measured(room, 'BX00143', goodT4({ x: 4.985 }), 120)
    const [tool] = readWear(room.db)
    expect(tool).toMatchObject({ serial: 'BX00143', t: 4, cutMin: 40, allowedMm: 0.02 })
    expect(tool.wears[0].key).toBe('DC')
    expect(tool.wears[0].changeMm).toBeCloseTo(-0.032, 2)
    expect(tool.wears[0].verdict).toBe('off')
    expect(tool.wears[0].points.map((p) => p.cutMin)).toEqual([0, 40])
  })
  it('begins anew with what was done to the tool, however long it had cut by then', () => {
    const room = measured(t4With({ wearMm: 0.02 }))
    cut(room, 40)
    measured(room, 'BX00143', goodT4({ x: 4.985 }), 120)
    valueOf(disturb(room.as('ines', 130), 'BX00143', 'insert turned'))
    cut(room, 60)
    measured(room, 'BX00143', goodT4(), 140)
    expect(readWear(room.db)).toEqual([])
    cut(room, 90)
    measured(room, 'BX00143', goodT4({ x: 4.995 }), 200)
    expect(readWear(room.db)[0].wears[0].points.map((p) => p.cutMin)).toEqual([60, 90])
  })
  it('is not told where the definition allows none', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    measured(room, 'BX00143', goodT4({ x: 4.99 }), 120)
    expect(readWear(room.db)).toEqual([])
  })
  it('a tool that cut for as long as its definition says is measured again before it is used', () => {
    const room = measured(t4With({ checkMin: 30 }))
    expect(netted(room, later(80), 4)).toMatchObject({ type: 'ready' })
    cut(room, 31)
    expect(netted(room, later(80), 4)).toMatchObject({ type: 'stale', stale: { why: 'check', minutes: 31 } })
    measured(room, 'BX00143', goodT4(), 120)
    expect(netted(room, later(130), 4)).toMatchObject({ type: 'ready' })
  })
})

it('a reground cutter is as good, down to the diameter that the definition states', () => {
  const limits = (change: object) =>
    tolerancesOf(getDefinition(t4With(change).db, toolRoom().definitions.find((d) => d.t === 4)!.id)).DC!
  expect(limits({}).min).toBeGreaterThan(9.9)
  expect(limits({ regroundDC: 9.5 })).toMatchObject({ min: 9.5, max: limits({}).max })
})

describe('a station of a turret', () => {
  const set = (room: ToolRoom, change: object = {}) =>
    setStation(room.as('ines'), {
      ...{ machine: 'WAGTAIL', station: 3, master: 'MS-1', off: { xMm: 0.01, zMm: -0.02 } },
      version: getMachine(room.db, 'WAGTAIL')!.version,
      ...change,
    })
  it('is kept with what a master showed there, and forgotten again', () => {
    const room = toolRoom()
    valueOf(set(room))
    expect(getMachine(room.db, 'WAGTAIL')!.stations).toMatchObject({ '3': { xMm: 0.01, zMm: -0.02, master: 'MS-1' } })
    expect(lastEntry(room.db)).toContain('Station 3 of Wagtail by MS-1: X +10 µm, Z −20 µm')
    valueOf(set(room, { off: null }))
    expect(getMachine(room.db, 'WAGTAIL')!.stations).toEqual({})
  })
  it('counts in what is handed over for it, and in nothing else', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    const tool = getAssembly(room.db, 'BX00143')!
    const seen = lastMeasurement(room.db, tool.id)!
    const lathe = { ...getMachine(room.db, 'WAGTAIL')!, stations: { '3': { xMm: 0.01, zMm: -0.02, at: '', master: 'MS-1' } } }
    const at = (pocket: number | null, turning = true) => valuesOf(tool, seen, lathe, 4, 1, { turning, pocket, tip: 3 })!
    expect(at(3).lengthMm - at(4).lengthMm).toBeCloseTo(-0.02, 9)
    expect(at(3).radiusMm - at(4).radiusMm).toBeCloseTo(0.01, 9)
    expect(at(4)).toMatchObject({ lengthMm: seen.summary.LF, radiusMm: seen.summary.DC! / 2 })
    // a drill stands on the spindle's centre whatever its station does
    expect(at(3, false).radiusMm).toBe(0)
  })
  it('is one that the turret has, of a lathe', () => {
    const room = toolRoom()
    expect(codeOf(set(room, { station: 99 }))).toBe('NO_STATION')
    expect(codeOf(set(room, { machine: 'HERON', version: getMachine(room.db, 'HERON')!.version }))).toBe('NO_STATION')
  })
})
