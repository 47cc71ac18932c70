/** What Plan's sheets show, from the shop's own jobs, tools and record. */
import { beforeEach, describe, expect, it } from 'vitest'
import { heavyHere } from '@/codecs/heavy'
import { readBoard } from '@/stations/plan/board'
import { learnMinutes } from '@/stations/plan/learn-minutes'
import { readMagazine } from '@/stations/plan/magazine-sheet'
import { readDay } from '@/stations/plan/room-day'
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
})
