/** What a lead does for those who learn: lessons of real tools, and what is needed before somebody works alone. */
import { beforeEach, describe, expect, it } from 'vitest'
import { getLessonRun } from '@/db/lesson/read'
import { getOwnLesson } from '@/db/lesson/teaching'
import { currentHandover } from '@/db/handover/read'
import { startHeat } from '@/stations/build/shrink'
import { readCauses, sayCause } from '@/stations/causes/tool-causes'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { askOpinion, endLesson, readLessons, sayFault, startLesson } from '@/stations/lessons/lessons'
import { beginLoad } from '@/stations/load/begin-load'
import { loadTool } from '@/stations/load/load-tool'
import { endCondition, makeLesson, putCondition, readTeaching, retireLesson } from '@/stations/teaching/teach'
import {
  codeOf,
  goodT4,
  later,
  lastEntry,
  measured,
  measuredAgain,
  textOf,
  toolRoom,
  UNBALANCED,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'

let room: ToolRoom
const SERIAL = 'BX00143'
beforeEach(() => (room = withT4(withJobs(toolRoom()))))
const again = (minutes: number, edges = goodT4()) => measuredAgain(room, minutes, edges)

/** Three tools of the record: one edge was high, and twice it was good. */
function withCases(): readonly number[] {
  measured(room)
  again(
    70,
    goodT4().map((edge, i) => (i === 1 ? { ...edge, x: edge.x + 0.05 } : edge)),
  )
  const { measurement } = readCauses(room.db, SERIAL)!
  valueOf(sayCause(room.as('ines', 75), { serial: SERIAL, measurement, code: 'EDGE_HIGH', edge: 2 }))
  again(80)
  return readTeaching(room.db).cases.map((one) => one.measurement)
}
const made = () => valueOf(makeLesson(room.as('oda', 90), { title: 'From our own bench', measurements: withCases() })).id

/** Somebody goes through a lead’s lesson, all of it right or all of it wrong. */
function goThrough(id: number, who: string, right: boolean): void {
  const { run } = valueOf(startLesson(room.as(who, 100), 7, id))
  for (const { number, fault } of getLessonRun(room.db, run)!.planted) {
    const code = fault ?? 'NOTHING'
    valueOf(sayFault(room.as(who, 101), { run, number, code: right ? code : code === 'NOTHING' ? 'WORN' : 'NOTHING' }))
  }
  valueOf(endLesson(room.as(who, 102), run))
}

describe('a lesson of real tools', () => {
  it('has what was proved to be wrong, and good ones; and nobody can see whose they were', () => {
    const id = made()
    const { cases } = getOwnLesson(room.db, id)!
    expect(cases.map(({ code, edge }) => [code, edge])).toEqual([
      ['EDGE_HIGH', 2],
      ['NOTHING', null],
      ['NOTHING', null],
    ])
    expect(JSON.stringify(cases)).not.toMatch(/BX00143|HP-|HERON|ines|2026|End mill/)
    expect(lastEntry(room.db)).toContain('“From our own bench” made')
    const { run } = valueOf(startLesson(room.as('tomas', 95), 3, id))
    const { current, own } = readLessons(room.db, 'tomas', null)
    expect(own).toEqual([{ id, title: 'From our own bench', tools: 3 }])
    expect(current).toMatchObject({ run, title: 'From our own bench', result: null })
    expect(current!.tools.map(({ given }) => given.edges.length)).toEqual([4, 4, 4])
    // what Boulder thinks of a real tool is what it thought at the bench
    const high = getLessonRun(room.db, run)!.planted.find(({ fault }) => fault === 'EDGE_HIGH')!
    expect(valueOf(askOpinion(room.as('tomas', 96), { run, number: high.number })).causes[0]).toMatchObject({
      code: 'EDGE_HIGH',
      edge: 2,
    })
  })
  it('needs three tools, a good one among them, and none that cannot be learned from', () => {
    const cases = withCases()
    const make = (measurements: readonly number[]) => codeOf(makeLesson(room.as('oda', 90), { title: 'One', measurements }))
    expect(make(cases.slice(0, 2))).toBe('NO_CASE')
    expect(make([...cases, 999])).toBe('NO_CASE')
    expect(make(cases)).toBe('ok')
  })
})

describe('before somebody works alone', () => {
  const scans = () => ({ machine: 'HERON', serial: SERIAL, label: currentHandover(room.db, SERIAL)!.label })
  const begin = (who: string) => beginLoad(room.as(who, 110), room.control, { ...scans(), reasons: UNBALANCED })
  const ask = (lesson: string, machine: string | null = 'HERON') =>
    putCondition(room.as('oda', 91), { what: 'load', machine, lesson })

  it('a machine is not loaded by whoever has not passed its lesson; a lead is never held up', async () => {
    const id = made()
    valueOf(await releaseHandover(room.as('ines', 92), room.control, { serial: SERIAL, scanned: SERIAL }))
    valueOf(ask(`own:${id}`))
    const refused = await begin('ines')
    expect(codeOf(refused)).toBe('LESSON_FIRST')
    expect(textOf(refused)).toBe(
      'You may not load Heron alone yet. Pass the lesson “From our own bench” first, under Practice, or ask a lead.',
    )
    goThrough(id, 'ines', false)
    expect(codeOf(await begin('ines'))).toBe('LESSON_FIRST')
    expect(codeOf(await begin('oda'))).toBe('ok')
    // nor goes anybody on with what a lead has begun
    expect(codeOf(await loadTool(room.as('ines', 111), room.control, SERIAL))).toBe('LESSON_FIRST')
    goThrough(id, 'ines', true)
    expect(codeOf(await begin('ines'))).toBe('ok')
  })
  it('another machine asks nothing, and a lesson that is taken off asks nobody', async () => {
    const id = made()
    valueOf(await releaseHandover(room.as('ines', 92), room.control, { serial: SERIAL, scanned: SERIAL }))
    valueOf(ask('bench', 'DIPPER'))
    expect(codeOf(await begin('ines'))).toBe('ok')
    valueOf(ask(`own:${id}`, null))
    expect(codeOf(await begin('ines'))).toBe('LESSON_FIRST')
    valueOf(retireLesson(room.as('oda', 93), id))
    expect(codeOf(await begin('ines'))).toBe('ok')
    expect(codeOf(startLesson(room.as('ines', 94), 3, id))).toBe('UNKNOWN_LESSON')
    expect(codeOf(ask(`own:${id}`))).toBe('UNKNOWN_LESSON')
  })
  it('heats no holder alone, either', async () => {
    const asked = valueOf(putCondition(room.as('oda', 91), { what: 'shrink', machine: 'HERON', lesson: 'build' })).id
    const unit = null as never
    expect(codeOf(await startHeat(room.as('ines', 92), unit, SERIAL))).toBe('LESSON_FIRST')
    expect(codeOf(await startHeat(room.as('oda', 92), unit, SERIAL))).toBe('SHRINK_NOT_BEGUN')
    expect(codeOf(putCondition(room.as('oda', 93), { what: 'shrink', machine: null, lesson: 'build' }))).toBe('CONDITION_EXISTS')
    valueOf(endCondition(room.as('oda', 94), asked))
    expect(codeOf(endCondition(room.as('oda', 94), asked))).toBe('CONDITION_GONE')
    expect(codeOf(await startHeat(room.as('ines', 95), unit, SERIAL))).toBe('SHRINK_NOT_BEGUN')
    expect(lastEntry(room.db)).toContain('does not need “Before it is put together” any more')
  })
  it('a lead sees who has learned what, and what was missed', () => {
    const id = made()
    goThrough(id, 'ines', false)
    const { pupils, lessons } = readTeaching(room.db)
    expect(lessons.map(({ key }) => key)).toEqual(['edges', 'bench', 'slips', 'build', 'load', `own:${id}`])
    const ines = pupils.find((one) => one.id === 'ines')!
    expect(ines.done).toEqual({ [`own:${id}`]: { at: later(100), share: 0 } })
    expect(ines.missed).toEqual(['EDGE_HIGH'])
    expect(pupils.find((one) => one.id === 'tomas')).toMatchObject({ done: {}, missed: [] })
  })
})
