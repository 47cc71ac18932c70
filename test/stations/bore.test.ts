/** A head set by its dial and test cuts, without a presetter. */
import { beforeEach, describe, expect, it } from 'vitest'
import { getAssembly } from '@/db/assembly/read'
import { boreEvents } from '@/db/bore/read'
import { addJob } from '@/stations/kit/add-job'
import { buildTool } from '@/stations/build/build-tool'
import { readBoreView } from '@/stations/bore/pages'
import { book, moves } from '@/stations/store/book'
import { moveDial, saveBore, setDial } from '@/stations/bore/set-dial'
import {
  codeOf,
  lastEntry,
  later,
  program,
  textOf,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'

const SERIAL = 'BX00160'
let room: ToolRoom
beforeEach(() => {
  room = toolRoom()
  const programs = ['HP2240-10.nc', 'HP2240-20.nc'].map((name) => ({ name, text: program(name) }))
  const job = { id: 'HP-2240', name: '', machine: 'HERON', dueAt: later(300), quantity: 1, priority: 0, programs, extra: [] }
  valueOf(addJob(room.as('oda'), job))
  valueOf(book(room.as('oda'), moves.receive('I-T09-02', 4, 'ELM-6')))
  valueOf(buildTool(room.as('ines'), 'HP-2240', 40, SERIAL))
})
const view = (serial = SERIAL) => valueOf(readBoreView(room.db, serial))
const first = (change: object = {}, who = 'ines') =>
  setDial(room.as(who, 10), { serial: SERIAL, wantedMm: 40, noseMm: 0.2, leaveMm: 0.127, version: view().version, ...change })
const bore = (boreMm: number) => saveBore(room.as('ines', 20), { serial: SERIAL, boreMm, version: view().version })
const move = () => moveDial(room.as('ines', 30), { serial: SERIAL, version: view().version })

describe('a head on its dial', () => {
  it('begins with the definition’s bore, its insert and what is left for the test cut', () => {
    expect(view()).toMatchObject({ next: { type: 'first' }, refusal: null, lines: [], learned: { share: 1, moves: 0 } })
    expect(view().start.wantedMm).toBeCloseTo(39.995, 9)
    expect(view().start).toMatchObject({ noseMm: 0.2, leaveMm: 0.127 })
  })
  it('is set, cuts, is moved, and is done inside of its limits', () => {
    // the head cuts 36 at zero with a nose of 0.2: 4 mm to go, less what is left
    expect(valueOf(first()).dialMm).toBeCloseTo(3.873, 9)
    expect(view().next).toEqual({ type: 'cut' })
    expect(valueOf(bore(39.85)).next).toBe('larger')
    expect(view().next).toMatchObject({ type: 'larger' })
    expect(lastEntry(room.db, SERIAL)).toBe('Bore 39.850 mm, 40.000 mm wanted')
    valueOf(move())
    expect(view().lines).toHaveLength(2)
    expect(valueOf(bore(39.99)).next).toBe('done')
    expect(view().next).toEqual({ type: 'done' })
    expect(codeOf(move())).toBe('NO_SETTING')
    expect(view().learned.moves).toBe(1)
  })
  it('with a smaller nose is not dialled so far', () => {
    expect(valueOf(first({ noseMm: 0.1 })).dialMm).toBeLessThan(3.873 - 0.05)
  })
  it('too large: back past its play and out again', () => {
    valueOf(first({ leaveMm: 0 }))
    expect(valueOf(bore(40.06)).next).toBe('too large')
    expect(view().next).toMatchObject({ type: 'too large', backMm: 0.04 })
    expect(lastEntry(room.db, SERIAL)).toContain('too large')
  })
  it('refuses a radius for a diameter, a bore without a setting, and what the slide cannot reach', () => {
    expect(codeOf(bore(40))).toBe('NO_SETTING')
    valueOf(first())
    expect(textOf(bore(20))).toContain('Enter the diameter, not the radius')
    expect(codeOf(first())).toBe('BORE_FIRST')
    expect(codeOf(move())).toBe('BORE_FIRST')
    valueOf(bore(39.9))
    expect(codeOf(first({ wantedMm: 53 }))).toBe('OUT_OF_RANGE')
    expect(textOf(first({ wantedMm: 36.1, leaveMm: 0.05, noseMm: 0.05 }))).toContain('below zero')
  })
  it('the one that saw an older state does nothing', () => {
    const before = view().version
    valueOf(first())
    const kept = boreEvents(room.db, getAssembly(room.db, SERIAL)!.id)
    expect(codeOf(first({ version: before }, 'oda'))).toBe('CHANGED')
    expect(codeOf(saveBore(room.as('oda', 21), { serial: SERIAL, boreMm: 39.9, version: before }))).toBe('CHANGED')
    expect(codeOf(moveDial(room.as('oda', 21), { serial: SERIAL, version: before }))).toBe('CHANGED')
    expect(boreEvents(room.db, getAssembly(room.db, SERIAL)!.id)).toEqual(kept)
  })
  it('of a tool without one says so', () => {
    withT4(withJobs(room))
    expect(view('BX00143').refusal).toMatchObject({ code: 'NO_HEAD' })
  })
})
