/** What is wrong with a measured tool, what somebody found it to be, and what the record learns of it. */
import { beforeEach, describe, expect, it } from 'vitest'
import { readCausePanel, readCauses, sayCause } from '@/stations/causes/tool-causes'
import { causeCounts } from '@/stations/causes/counts'
import {
  codeOf,
  goodT4,
  lastEntry,
  measured,
  measuredAgain,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'

let room: ToolRoom
const SERIAL = 'BX00143'
beforeEach(() => (room = withT4(withJobs(toolRoom()))))
/** One edge of four stands out by so much, mm. */
const highEdge = (byMm: number) => goodT4().map((edge, i) => (i === 1 ? { ...edge, x: edge.x + byMm } : edge))
const again = (minutes: number, edges = goodT4()) => measuredAgain(room, minutes, edges)
const say = (code: 'EDGE_HIGH' | 'OFF_CENTRE', minutes: number, change: object = {}, who = 'ines') => {
  const { measurement } = readCauses(room.db, SERIAL)!
  const edge = code === 'EDGE_HIGH' ? 2 : null
  return sayCause(room.as(who, minutes), { serial: SERIAL, measurement, code, edge, ...change })
}

describe('causes', () => {
  it('are told of the last measurement, and of nothing that was not judged or is in a machine', () => {
    expect(readCauses(room.db, SERIAL)).toBeNull()
    measured(room)
    expect(readCauses(room.db, SERIAL)!.causes[0].code).toBe('NOTHING')
    expect(readCausePanel(room.db, SERIAL)).toBeNull()
    again(70, highEdge(0.05))
    const sheet = readCauses(room.db, SERIAL)!
    expect(sheet.causes[0]).toMatchObject({ code: 'EDGE_HIGH', edge: 2 })
    expect(sheet.causes[0].sizeMm).toBeCloseTo(0.05, 2)
    expect(sheet.next[0].code).toBe('WIPE')
    room.db.prepare("UPDATE assembly SET state = 'loaded'").run()
    expect(readCauses(room.db, SERIAL)).toBeNull()
  })
  it('somebody finds is right when the tool is good after it, and then counts', () => {
    measured(room)
    again(70, highEdge(0.05))
    valueOf(say('EDGE_HIGH', 75))
    expect(lastEntry(room.db, SERIAL)).toContain('one edge high')
    expect(causeCounts(room.db)).toEqual({})
    again(80)
    expect(causeCounts(room.db)).toEqual({ EDGE_HIGH: 1 })
  })
  it('somebody finds is wrong when it is no better', () => {
    measured(room)
    again(70, highEdge(0.05))
    valueOf(say('OFF_CENTRE', 75))
    expect(lastEntry(room.db, SERIAL)).toContain('told was one edge high')
    again(80, highEdge(0.05))
    expect(causeCounts(room.db)).toEqual({})
    expect(readCauses(room.db, SERIAL)!.said).toBeNull()
  })
  it('whoever says it last before it is measured again counts', () => {
    measured(room)
    again(70, highEdge(0.05))
    const { measurement } = readCauses(room.db, SERIAL)!
    valueOf(say('OFF_CENTRE', 75))
    valueOf(say('EDGE_HIGH', 76, {}, 'tomas'))
    expect(readCauses(room.db, SERIAL)!.said).toMatchObject({ code: 'EDGE_HIGH', edge: 2, who: 'Tomas Lind', wasRight: null })
    again(80)
    expect(codeOf(say('OFF_CENTRE', 85, { measurement }))).toBe('CAUSE_SETTLED')
    expect(causeCounts(room.db)).toEqual({ EDGE_HIGH: 1 })
  })
})
