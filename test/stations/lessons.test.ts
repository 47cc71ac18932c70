/** Lessons: what is planted stays hidden until the end, what was missed comes again, and nothing else of the shop changes. */
import { createHash } from 'node:crypto'
import { beforeEach, describe, expect, it } from 'vitest'
import type { CauseCode } from '@/core/causes'
import { exportedTables } from '@/db/export'
import { getLessonRun, listMemories } from '@/db/lesson/read'
import { ROOMS, type FaultCode } from '@/core/practice'
import { readWho } from '@/stations/session/who'
import { enterRoom, readRooms, runningRoom, startRoom, stepDone } from '@/stations/lessons/room'
import { askOpinion, endLesson, readLessons, sayFault, startLesson } from '@/stations/lessons/lessons'
import { codeOf, toolRoom, valueOf, withJobs, type ToolRoom } from '../support/tool-room'

let room: ToolRoom
beforeEach(() => (room = withJobs(toolRoom())))
const SEED = 2026
const start = () => valueOf(startLesson(room.as('ines', 10), SEED)).run
const planted = (run: number) => getLessonRun(room.db, run)!.planted
const sayOf = (run: number, number: number, code: CauseCode, who = 'ines') => sayFault(room.as(who, 11), { run, number, code })
/** Says of every tool what was planted, but for those named. */
const answer = (run: number, wrong: Readonly<Record<number, CauseCode>> = {}) => {
  for (const { number, fault } of planted(run)) valueOf(sayOf(run, number, wrong[number] ?? ((fault ?? 'NOTHING') as CauseCode)))
}
const tables = () =>
  Object.fromEntries(
    exportedTables(room.db).map(({ name, rows }) => [
      name,
      createHash('sha256')
        .update(JSON.stringify([...rows()]))
        .digest('hex'),
    ]),
  )

describe('a lesson', () => {
  it('tells nothing of what is planted before it is ended, and all of it then', () => {
    const run = start()
    const { current } = readLessons(room.db, 'ines', null)
    expect(current).toMatchObject({ run, result: null, edges: {} })
    expect(current!.tools.map((t) => t.said)).toEqual([null, null, null, null, null, null])
    expect(JSON.stringify(current)).not.toMatch(/fault|planted|OFF_CENTRE|WORN/)
    answer(run)
    valueOf(endLesson(room.as('ines', 20), run))
    const { result } = readLessons(room.db, 'ines', run).current!
    expect(readLessons(room.db, 'ines', null).current).toMatchObject({ run, result: { share: 1 } })
    expect(result).toMatchObject({ share: 1, missed: [], blamed: [], open: [] })
    expect(result!.found).toHaveLength(planted(run).filter((t) => t.fault !== null).length)
  })
  it('what was missed or only found with help comes again sooner', () => {
    const run = start()
    const [first, second, third] = planted(run).filter((t) => t.fault !== null)
    valueOf(askOpinion(room.as('ines', 11), { run, number: second.number }))
    answer(run, { [first.number]: 'NOTHING' })
    valueOf(endLesson(room.as('ines', 20), run))
    const due = new Map(listMemories(room.db, 'ines').map((m) => [m.code, m]))
    expect(due.get(first.fault!)!.found).toBe(0)
    expect(due.get(second.fault!)!.ease).toBeLessThan(due.get(third.fault!)!.ease)
    expect(readLessons(room.db, 'ines', null).due[0].code).toBe(first.fault)
    // and is planted in the next one
    const next = valueOf(startLesson(room.as('ines', 100), SEED + 1)).run
    expect(planted(next).map((t) => t.fault)).toContain(first.fault)
  })
  it('belongs to whoever began it, and is over when it is ended', () => {
    const run = start()
    expect(codeOf(sayOf(run, 1, 'WORN', 'tomas'))).toBe('LESSON_ENDED')
    expect(codeOf(sayOf(run, 99, 'WORN'))).toBe('LESSON_ENDED')
    valueOf(endLesson(room.as('ines', 20), run))
    expect(codeOf(sayOf(run, 1, 'WORN'))).toBe('LESSON_ENDED')
    expect(codeOf(askOpinion(room.as('ines', 21), { run, number: 1 }))).toBe('LESSON_ENDED')
    expect(codeOf(endLesson(room.as('ines', 22), run))).toBe('LESSON_ENDED')
    expect(readLessons(room.db, 'tomas', null)).toEqual({ current: null, own: [], past: [], due: [] })
  })
  it('changes nothing of the shop but what its pupil has learned', () => {
    const before = tables()
    const run = start()
    answer(run)
    valueOf(askOpinion(room.as('ines', 12), { run, number: 1 }))
    valueOf(endLesson(room.as('ines', 20), run))
    const after = tables()
    const changed = Object.keys(after).filter((name) => after[name] !== before[name])
    expect(changed.sort()).toEqual(['lesson_memory', 'lesson_run'])
  })
})

describe('a lesson in the practice room', () => {
  const NO_ROOM = { run: null, cards: {}, ready: true }
  const view = (who = 'ines', asked: Partial<Parameters<typeof readRooms>[2]> = {}) =>
    readRooms(room.as(who, 12), who, { ...NO_ROOM, ...asked })
  const begin = () => valueOf(startRoom(room.as('ines', 10), 'bench', SEED)).run
  const sayAll = (run: number, wrong: Readonly<Record<number, FaultCode | 'NOTHING'>> = {}) => {
    for (const { number, fault } of planted(run))
      valueOf(sayFault(room.as('ines', 11), { run, number, code: wrong[number] ?? fault ?? 'NOTHING' }))
  }
  it('shows what is to be looked at and not what is planted; one at a time', () => {
    expect(view()).toMatchObject({ current: null, ready: true })
    expect(view().offers.map(({ lesson, last }) => [lesson, last])).toEqual(
      ['tour', 'bench', 'slips', 'build', 'load'].map((lesson) => [lesson, null]),
    )
    const run = begin()
    expect(runningRoom(room.db, 'ines')).toMatchObject({ id: run, lesson: 'bench' })
    expect(runningRoom(room.db, 'tomas')).toBeNull()
    const { current } = view('ines', { cards: { 1: { type: 'tool', serial: 'BX00144' } } })
    expect(current).toMatchObject({ run, result: null, minutes: ROOMS.bench.minutes })
    expect(current!.things.map(({ said }) => said)).toEqual(ROOMS.bench.things.map(() => null))
    expect(current!.things.map(({ card }) => card.type)).toEqual(['tool', 'tool', 'tool', 'tool', 'bench'])
    // all that may be, and not which it is
    expect(new Set(current!.faults)).toEqual(new Set(ROOMS.bench.things.flatMap(({ faults }) => faults)))
    expect(codeOf(startRoom(room.as('ines', 11), 'load', SEED))).toBe('LESSON_RUNS')
    // the other kind of lesson knows nothing of it
    expect(readLessons(room.db, 'ines', null)).toEqual({ current: null, own: [], past: [], due: [] })
  })
  it('says afterwards what was found and missed, and counts what comes again', () => {
    const run = begin()
    const [missed] = planted(run).filter(({ fault }) => fault !== null)
    sayAll(run, { [missed.number]: 'NOTHING' })
    valueOf(endLesson(room.as('ines', 20), run))
    expect(runningRoom(room.db, 'ines')).toBeNull()
    const { current, offers } = view('ines', { run })
    const bench = (all: typeof offers) => all.find(({ lesson }) => lesson === 'bench')!
    expect(current!.result!.missed).toMatchObject([{ number: missed.number, fault: missed.fault }])
    expect(bench(offers)).toMatchObject({ last: { run, share: 0.8 } })
    expect(view('tomas', { run }).current).toBeNull()
    expect(bench(readRooms(room.as('ines', 60), 'ines', NO_ROOM).offers).due).toBe(1)
  })
  it('leaves nothing in the shop but how it went, and its room knows whoever comes in', () => {
    const before = tables()
    const run = begin()
    sayAll(run)
    valueOf(endLesson(room.as('ines', 20), run))
    const after = tables()
    expect(Object.keys(after).filter((name) => after[name] !== before[name])).toEqual(['lesson_memory', 'lesson_run'])
    const practice = toolRoom()
    const who = readWho(room.db, null, room.as('ines', 10).now)
    const ines = { ...room.as('ines', 10).person, name: 'Ines, as the shop knows her' }
    const work = practice.as('ines', 10)
    enterRoom(work, 'a-session', { ...who, person: ines })
    expect(readWho(practice.db, 'a-session', work.now).person).toEqual(ines)
    const newcomer = { id: 'new-here', name: 'New Here', role: 'operator' } as const
    enterRoom(work, 'another', { ...who, person: newcomer })
    expect(readWho(practice.db, 'another', work.now).person).toEqual(newcomer)
  })
  it('leads through one tool step by step, and can be left at any step', () => {
    const run = valueOf(startRoom(room.as('ines', 10), 'tour', SEED)).run
    const steps = () => view().current!.steps
    expect(view().current).toMatchObject({ lesson: 'tour', things: [], faults: [] })
    valueOf(stepDone(room.as('ines', 11), { run, step: 1 }))
    valueOf(stepDone(room.as('ines', 12), { run, step: 2 }))
    expect(steps()).toEqual([1, 2])
    // whoever goes back is back
    valueOf(stepDone(room.as('ines', 13), { run, step: 1 }))
    expect(steps()).toEqual([1])
    expect(codeOf(stepDone(room.as('tomas', 13), { run, step: 2 }))).toBe('LESSON_ENDED')
    valueOf(endLesson(room.as('ines', 14), run))
    expect(view('ines', { run }).current).toBeNull()
    expect(codeOf(stepDone(room.as('ines', 15), { run, step: 2 }))).toBe('LESSON_ENDED')
  })
})
