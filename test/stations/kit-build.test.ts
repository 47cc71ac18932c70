import { describe, expect, it } from 'vitest'
import { netJobs } from '@/core/plan'
import { getAssembly, listAssemblies } from '@/db/assembly/read'
import { getHolder } from '@/db/library/read'
import { listJobs } from '@/db/job/read'
import { listRecord } from '@/db/record/read'
import { balanceOf } from '@/db/stock/read'
import { readBuild } from '@/stations/build/build-sheet'
import { buildTool } from '@/stations/build/build-tool'
import { addJob } from '@/stations/kit/add-job'
import { readInventory } from '@/stations/kit/inventory'
import { book, moves } from '@/stations/store/book'
import { readJobs, readKit, readToBuild } from '@/stations/kit/kit-sheet'
import { codeOf, later, measured, program, START, toolRoom, valueOf, withJobs, withT4, textOf } from '../support/tool-room'

const job = (change: object = {}) => ({
  id: 'HP-1',
  name: 'cover',
  machine: 'HERON',
  dueAt: later(60),
  quantity: 1,
  priority: 0,
  programs: [{ name: 'a.nc', text: 'G21\nT4 M6\nG43 H4 Z1' }],
  extra: [],
  ...change,
})

describe('a job from a program', () => {
  it('keeps the program, its hash and the wanted tools', () => {
    const room = toolRoom()
    const added = valueOf(addJob(room.as('ines'), job()))
    expect(added.programs[0].program.tools.map((t) => t.t)).toEqual([4])
    expect(added.programs[0].hash).toMatch(/^[0-9a-f]{64}$/)
    expect(listJobs(room.db)).toEqual([added])
    expect(listRecord(room.db)[0]).toMatchObject({
      what: 'job added',
      who: 'Ines Varga',
      machine: 'HERON',
      after: { programs: [{ name: 'a.nc', hash: added.programs[0].hash }] },
    })
  })
  it.each([
    ['an unknown machine', { machine: 'EGRET' }, 'UNKNOWN_MACHINE'],
    ['garbage', { programs: [{ name: 'x.nc', text: '\u0000\u0001\u0002' }] }, 'NOT_A_PROGRAM'],
    ['more than 8 MB', { programs: [{ name: 'x.nc', text: 'G0X1\n'.repeat(2 ** 21) }] }, 'TOO_LARGE'],
  ])('%s: refused, nothing stored', (_, change, code) => {
    const room = toolRoom()
    expect(codeOf(addJob(room.as('ines'), job(change)))).toBe(code)
    expect(listJobs(room.db)).toEqual([])
    expect(listRecord(room.db)).toEqual([])
  })
  it('a number that is taken: refused, the first stays', () => {
    const room = toolRoom()
    addJob(room.as('ines'), job())
    expect(codeOf(addJob(room.as('ines'), job({ name: 'other' })))).toBe('JOB_EXISTS')
    expect(listJobs(room.db).map((j) => j.name)).toEqual(['cover'])
  })
  it('reads a program of the demo against what stands', () => {
    const room = withJobs(toolRoom())
    const standing = () => readKit(room.db, 'HP-2207', later(70))!.tools.map((t) => [t.wanted.t, t.standing.type])
    expect(standing()).toEqual([
      [12, 'to-build'],
      [4, 'to-build'],
      [44, 'unknown-t'],
    ])
    withT4(room)
    expect(standing()[1]).toEqual([4, 'in-work'])
    measured(room)
    expect(standing()[1]).toEqual([4, 'ready'])
    expect(readToBuild(room.db, START).map(({ job, tool }) => [job.id, tool.wanted.t])).toEqual([
      ['HP-1145', 7],
      ['HP-1145', 18],
      ['HP-2207', 12],
    ])
    expect(readJobs(room.db, later(70)).find((j) => j.job.id === 'HP-2207')).toMatchObject({
      count: { 'to-build': 1, ready: 1, 'unknown-t': 1 },
    })
  })
  it('knows no sheet for a job that is not there', () => expect(readKit(toolRoom().db, 'nope', START)).toBeNull())
})

describe('netting', () => {
  it('a tool built for another job does not serve this one; one in the machine serves every job', () => {
    const room = withT4(withJobs(toolRoom()))
    const mine = { ...readKit(room.db, 'HP-2207', START)!.job, id: 'HP-9', priority: 1 }
    const other = readKit(room.db, 'HP-2207', START)!.job
    const type = (assemblies: ReturnType<typeof listAssemblies>) =>
      netJobs([mine, other], { ...readInventory(room.db, START), assemblies }).get('HP-9')![1].standing.type
    const [tool] = listAssemblies(room.db)
    expect(type([tool])).toBe('to-build')
    expect(type([{ ...tool, job: null }])).toBe('in-work')
    expect(type([{ ...tool, state: 'loaded' }])).toBe('in-machine')
    expect(type([{ ...tool, state: 'loaded', machine: 'DIPPER' }])).toBe('to-build')
    expect(type([{ ...tool, state: 'loaded', machine: 'DIPPER', job: null }])).toBe('in-other-machine')
  })
})

describe('building', () => {
  it('takes cutter, heat and holder in one go, and says when it may be touched', () => {
    const room = withJobs(toolRoom())
    const before = getHolder(room.db, 'BX00143')!.heats
    const built = valueOf(buildTool(room.as('ines'), 'HP-2207', 4, 'BX00143'))
    const tool = getAssembly(room.db, 'BX00143')!
    expect(tool).toMatchObject({
      t: 4,
      state: 'built',
      machine: 'HERON',
      job: 'HP-2207',
      coupling: 'HSK-A63',
      definition: { id: 'D-0004', version: 1 },
      builtAt: START,
    })
    expect(tool.stopSetMm! - 118).toBeGreaterThan(0.05)
    expect(tool.stopSetMm! - 118).toBeLessThan(0.2)
    expect(built.touchAt! > START && built.touchAt! < tool.heat!.measureAt).toBe(true)
    expect(getHolder(room.db, 'BX00143')).toMatchObject({ heats: before + 1, carries: true, carriesT: 4 })
    expect(balanceOf(room.db, 'C-EM10R10').hand).toBe(3)
    expect(listRecord(room.db, { serial: 'BX00143' })[0]).toMatchObject({ what: 'built', who: 'Ines Varga', t: 4 })
  })
  it.each([
    ['a holder that carries a tool', 'BX00143', 'HOLDER_CARRIES_TOOL', 'There is T4 on holder'],
    ['another taper', 'BX00146', 'WRONG_TAPER', 'SK 40'],
    ['another bore', 'BX00141', 'WRONG_BORE', '20 mm'],
    ['a retired one', 'BX00149', 'HOLDER_RETIRED', 'retired'],
    ['one that nobody knows', 'BX77777', 'UNKNOWN_HOLDER', 'BX77777'],
  ])('%s is refused with the reason', (_, serial, code, words) => {
    const room = withT4(withJobs(toolRoom()))
    const stock = balanceOf(room.db, 'C-EM10R10').hand
    const refused = buildTool(room.as('ines'), 'HP-2207', 4, serial)
    expect(codeOf(refused)).toBe(code)
    expect(textOf(refused)).toContain(words)
    expect(listAssemblies(room.db)).toHaveLength(1)
    expect(balanceOf(room.db, 'C-EM10R10').hand).toBe(stock)
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'refused', after: { code } })
  })
  it('an empty drawer stops it', () => {
    const room = withJobs(toolRoom())
    const { hand } = balanceOf(room.db, 'C-EM10R10')
    valueOf(book(room.as('oda'), moves.scrap('C-EM10R10', hand, 'hand', { fromPlace: 'ALDER-3' })))
    expect(codeOf(buildTool(room.as('ines'), 'HP-2207', 4, 'BX00143'))).toBe('NONE_IN_STOCK')
  })
  it('a T that the job does not want with a definition', () => {
    const room = withJobs(toolRoom())
    expect(codeOf(buildTool(room.as('ines'), 'HP-2207', 44, 'BX00143'))).toBe('UNKNOWN_TOOL')
    expect(codeOf(buildTool(room.as('ines'), 'NOPE', 4, 'BX00143'))).toBe('UNKNOWN_TOOL')
  })
  it('two terminals with the same holder: one gets it, the other is told', () => {
    const room = withJobs(toolRoom())
    const results = [buildTool(room.as('ines'), 'HP-2207', 4, 'BX00143'), buildTool(room.as('tomas'), 'HP-2207', 4, 'BX00143')]
    expect(results.map(codeOf)).toEqual(['ok', 'HOLDER_CARRIES_TOOL'])
    expect(balanceOf(room.db, 'C-EM10R10').hand).toBe(3)
  })
  it('shows the set-up for every definition of the demo, all of them buildable', () => {
    const room = withJobs(toolRoom())
    for (const [id, t] of [
      ['HP-2207', 12],
      ['HP-2207', 4],
      ['HP-1145', 7],
      ['HP-1145', 18],
    ] as const) {
      const sheet = readBuild(room.db, id, t, null, START)!
      const setup = sheet.checked.shrink!
      expect(sheet.checked.refusals).toEqual([])
      expect(setup.temperatureC).toBeLessThan(370)
      expect(setup.gripTorqueNm.min).toBeGreaterThan(sheet.definition.torqueNm!)
      expect(sheet.free.length).toBeGreaterThan(0)
    }
    expect(program('HP2207-20.nc')).toContain('T12 M6')
  })
})
