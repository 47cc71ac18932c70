/** What Plan's sheets show, from the shop's own jobs, tools and record. */
import { beforeEach, describe, expect, it } from 'vitest'
import { heavyHere } from '@/codecs/heavy'
import { readBoard } from '@/stations/plan/board'
import { learnMinutes } from '@/stations/plan/learn-minutes'
import { readMagazine } from '@/stations/plan/magazine-sheet'
import { readDay } from '@/stations/plan/room-day'
import { minutesCut } from '@/core/plan'
import { listJobs } from '@/db/job/read'
import { addJob, addTools } from '@/stations/kit/add-job'
import { beginBuild } from '@/stations/build/begin-build'
import { keepPractice } from '@/stations/practice'
import type { WhatIf } from '@/stations/plan/contract'
import { later, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

let room: ToolRoom
beforeEach(() => (room = withJobs(toolRoom())))
const day = async (whatIf: WhatIf = {}, minutes = 0) => valueOf(await readDay(room.db, heavyHere, later(minutes), whatIf))
const kindsOf = (view: Awaited<ReturnType<typeof day>>, tool: string) =>
  view.plans['one-by-one'].blocks.filter((b) => b.tool === tool).map((b) => b.kind)
const SHRUNK = ['fetch', 'heat', 'cool', 'measure', 'hand over', 'load']

describe('the room’s day', () => {
  it('has every step that is left of every tool of the open jobs, each shrunk tool with its cooling', async () => {
    const view = await day()
    expect(view.tools).toBeGreaterThan(0)
    expect(kindsOf(view, 'HP-2207 T4').filter((kind) => kind !== 'balance')).toEqual(SHRUNK)
    const { jobs } = view.plans['one-by-one']
    expect(jobs.find((j) => j.job === 'HP-2207')!.doneMin).toBeGreaterThan(0)
  })
  it('what is built is only measured, and what is measured handed over', async () => {
    withT4(room)
    expect(kindsOf(await day({}, 50), 'HP-2207 T4')).not.toContain('fetch')
    measured(room)
    expect(kindsOf(await day({}, 70), 'HP-2207 T4')).not.toContain('measure')
  })
  it('what somebody has begun begins at once', async () => {
    valueOf(beginBuild(room.as('ines'), 'HP-2207', 4, 'BX00143'))
    const { blocks } = (await day()).plans['one-by-one']
    expect(blocks.find((b) => b.tool === 'HP-2207 T4')).toMatchObject({ fromMin: 0 })
  })
  it('with more people nothing is later, and a machine that begins later is less late', async () => {
    const asIs = await day()
    const more = await day({ people: 3 })
    expect(more.plans[more.sooner].latenessMin).toBeLessThanOrEqual(asIs.plans[asIs.sooner].latenessMin)
    const after = await day({ later: { job: 'HP-2207', minutes: 90 } })
    const dueOf = (view: typeof asIs) => view.plans['one-by-one'].jobs.find((j) => j.job === 'HP-2207')!.dueMin
    expect(dueOf(after) - dueOf(asIs)).toBeCloseTo(90, 6)
  })
  it('a broken tool is built again', async () => {
    measured(withT4(room))
    expect(kindsOf(await day({}, 70), 'HP-2207 T4')).not.toContain('fetch')
    const { names } = await day({ broken: 'BX00143' }, 70)
    expect(names['HP-2207 T4']).toMatchObject({ t: 4 })
    const broken = await day({ broken: 'BX00143' }, 70)
    expect([...kindsOf(broken, 'HP-2207 T4'), ...broken.blocked.map((b) => b.tool)].length).toBeGreaterThan(0)
  })
  it('a taper that the bench has no adapter for is not planned, and says so', async () => {
    expect((await day()).blocked.every((b) => b.noAdapter === null)).toBe(true)
    room.db.prepare("UPDATE adapter SET coupling = 'SK 40'").run()
    const view = await day()
    expect(view.blocked.find((b) => b.tool === 'HP-2207 T4')).toMatchObject({ noAdapter: 'HSK-A63' })
    expect(kindsOf(view, 'HP-2207 T4')).toEqual([])
    // where no adapter was ever entered, nobody knows, and all is planned
    room.db.prepare('UPDATE adapter SET retired = 1').run()
    expect(kindsOf(await day(), 'HP-2207 T4')).not.toEqual([])
  })
  it('a holder that another job has comes back when that job is through', async () => {
    const [job] = listJobs(room.db).filter((j) => j.id === 'HP-2207')
    // all holders of T4's kind but one are gone, and a second job wants T4 later
    const t4 = room.definitions.find((d) => d.t === 4)!
    const kind = t4.parts.find((line) => line.role === 'holder')!.component
    const left = room.db.prepare('SELECT serial FROM holder WHERE component_id = ? AND retired = 0').all(kind) as {
      serial: string
    }[]
    for (const { serial } of left.slice(1)) room.db.prepare('UPDATE holder SET retired = 1 WHERE serial = ?').run(serial)
    valueOf(addTools(room.as('oda'), 'HP-2207', [{ t: 4, name: null, count: 1, minutesEach: 30, source: 'by hand' }]))
    valueOf(
      addJob(room.as('oda'), {
        ...{ id: 'HP-9001', name: 'Second', machine: job.machine, dueAt: later(400), quantity: 1, priority: 0, programs: [] },
        extra: [{ t: 4, name: null, count: 1, minutesEach: 25, source: 'by hand' }],
      }),
    )
    const cut = minutesCut(listJobs(room.db).find((j) => j.id === 'HP-2207')!)!
    const view = await day()
    const second = view.plans['one-by-one'].blocks.find((b) => b.tool === 'HP-9001 T4')
    expect(view.blocked.map((b) => b.tool)).not.toContain('HP-9001 T4')
    expect(second!.fromMin).toBeGreaterThanOrEqual((Date.parse(job.dueAt) - Date.parse(later(0))) / 60_000 + cut - 1e-6)
  })
  it('a holder that the same job has already is not waited for', async () => {
    const t4 = room.definitions.find((d) => d.t === 4)!
    const kind = t4.parts.find((line) => line.role === 'holder')!.component
    const left = room.db.prepare('SELECT serial FROM holder WHERE component_id = ? AND retired = 0').all(kind) as {
      serial: string
    }[]
    for (const { serial } of left.slice(1)) room.db.prepare('UPDATE holder SET retired = 1 WHERE serial = ?').run(serial)
    valueOf(addTools(room.as('oda'), 'HP-2207', [{ t: 4, name: null, count: 2, minutesEach: 30, source: 'by hand' }]))
    expect((await day()).blocked.map((b) => b.tool)).toContain('HP-2207 T4.1')
  })
  it('people at the tool room are a value of the shop', async () => {
    valueOf(keepPractice(room.as('oda'), 'planPeople', 4))
    expect((await day()).people).toBe(4)
  })
})

describe('minutes', () => {
  it('are start values until ten are there', () => {
    const learned = learnMinutes(room.db)
    expect(learned.find((l) => l.kind === 'measure')).toMatchObject({ minutes: 5, spread: null })
  })
  it('are the median of this shop’s own from then on', () => {
    withT4(room)
    // measured every seven minutes by the same person
    for (let i = 0; i < 12; i++) measured(room, 'BX00143', undefined, 60 + 7 * i)
    expect(learnMinutes(room.db).find((l) => l.kind === 'measure')).toMatchObject({ minutes: 7, of: 11 })
  })
})

describe('a machine’s magazine', () => {
  it('puts in what its jobs want, in the order of their dates', async () => {
    const sheet = await readMagazine(room.db, heavyHere, later(0), 'HERON')
    if (!sheet?.ok) throw new Error('no sheet')
    const { planned, jobs } = sheet.value
    expect(planned!.jobs).toEqual(jobs.map((j) => j.id))
    const wanted = new Set(planned!.rows.map((r) => r.t))
    expect(planned!.switches).toBe(planned!.steps.reduce((s, { load }) => s + load.length, 0))
    expect(wanted.has(4)).toBe(true)
    expect(planned!.rows.find((r) => r.t === 4)!.cells[0]).toBe('comes')
  })
  it('has a sister tool as a tool of its own, and a wide one with a pocket more', async () => {
    valueOf(addTools(room.as('oda'), 'HP-2207', [{ t: 4, name: null, count: 2, minutesEach: null, source: 'by hand' }]))
    // pockets so near that every tool of 4 mm and more is wide
    room.db
      .prepare(`UPDATE machine SET body = json_set(body, '$.magazine', json('{"pitchMm":9,"gapMm":5}')) WHERE key = 'HERON'`)
      .run()
    const sheet = await readMagazine(room.db, heavyHere, later(0), 'HERON')
    if (!sheet?.ok) throw new Error('no sheet')
    expect(sheet.value.planned!.rows.filter((r) => r.t === 4).map((r) => r.sister)).toEqual([0, 1])
    expect(sheet.value.kept).toBeGreaterThanOrEqual(2)
  })
  it('of no machine is no sheet, and of an unknown one the first', async () => {
    const sheet = await readMagazine(room.db, heavyHere, later(0), 'GONE')
    expect(sheet?.ok && sheet.value.machine.key).toBe(sheet?.ok && sheet.value.machines[0].key)
  })
})

it('the board says of each machine’s next jobs what is missing', () => {
  const heron = readBoard(room.db, later(0)).find((m) => m.key === 'HERON')!
  const job = heron.jobs.find((j) => j.id === 'HP-2207')!
  expect(job.ready + job.missing.length).toBe(job.tools)
  expect(job.missing.map((m) => m.t)).toContain(4)
  expect(job.cart).toBeNull()
})
