import { describe, expect, it } from 'vitest'
import { netJob } from '@/core/plan'
import { getAssembly, listAssemblies } from '@/db/assembly/read'
import { getHolder, listDefinitions, stockOf } from '@/db/library/read'
import { listJobs } from '@/db/job/read'
import { listRecord } from '@/db/record/read'
import { readBuild } from '@/stations/build/build-sheet'
import { buildTool } from '@/stations/build/build-tool'
import { addJob } from '@/stations/kit/add-job'
import { readJobs, readKit, readToBuild } from '@/stations/kit/kit-sheet'
import { codeOf, later, measured, program, START, toolRoom, valueOf, withJobs, withT4 } from '../support/tool-room'

const job = (change: object = {}) => ({
  id: 'HP-1',
  name: 'cover',
  machine: 'HERON',
  dueAt: later(60),
  programName: 'a.nc',
  programText: 'G21\nT4 M6\nG43 H4 Z1',
  ...change,
})

describe('a job from a program', () => {
  it('keeps the program, its hash and the wanted tools', () => {
    const room = toolRoom()
    const added = valueOf(addJob(room.as('ines'), job()))
    expect(added.program.tools.map((t) => t.t)).toEqual([4])
    expect(added.programHash).toMatch(/^[0-9a-f]{64}$/)
    expect(listJobs(room.db)).toEqual([added])
    expect(listRecord(room.db)[0]).toMatchObject({
      what: 'job added',
      who: 'Ines Varga',
      machine: 'HERON',
      after: { hash: added.programHash },
    })
  })
  it.each([
    ['an unknown machine', { machine: 'EGRET' }, 'UNKNOWN_MACHINE'],
    ['garbage', { programText: '\u0000\u0001\u0002' }, 'NOT_A_PROGRAM'],
    ['more than 8 MB', { programText: 'G0X1\n'.repeat(2 ** 21) }, 'TOO_LARGE'],
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
    const standing = () => readKit(room.db, 'HP-2207')!.tools.map((t) => [t.wanted.t, t.standing.type])
    expect(standing()).toEqual([
      [12, 'to-build'],
      [4, 'to-build'],
      [44, 'unknown-t'],
    ])
    withT4(room)
    expect(standing()[1]).toEqual([4, 'in-work'])
    measured(room)
    expect(standing()[1]).toEqual([4, 'ready'])
    expect(readToBuild(room.db).map(({ job, tool }) => [job.id, tool.wanted.t])).toEqual([
      ['HP-1145', 7],
      ['HP-1145', 18],
      ['HP-2207', 12],
    ])
    expect(readJobs(room.db).find((j) => j.job.id === 'HP-2207')).toMatchObject({ toBuild: 1, there: 1, inWork: 0, unknown: 1 })
  })
  it('knows no sheet for a job that is not there', () => expect(readKit(toolRoom().db, 'nope')).toBeNull())
})

describe('netting', () => {
  it('a tool built for another job does not serve this one; one in the machine serves every job', () => {
    const room = withT4(withJobs(toolRoom()))
    const mine = { ...readKit(room.db, 'HP-2207')!.job, id: 'HP-9' }
    const type = (assemblies: ReturnType<typeof listAssemblies>) =>
      netJob(mine, listDefinitions(room.db), assemblies)[1].standing.type
    const [tool] = listAssemblies(room.db)
    expect(type([tool])).toBe('to-build')
    expect(type([{ ...tool, job: null }])).toBe('in-work')
    expect(type([{ ...tool, state: 'loaded' }])).toBe('in-machine')
    expect(type([{ ...tool, state: 'loaded', machine: 'DIPPER' }])).toBe('to-build')
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
    expect(built.touchAt > START && built.touchAt < tool.heat!.measureAt).toBe(true)
    expect(getHolder(room.db, 'BX00143')).toMatchObject({ heats: before + 1, carries: true, carriesT: 4 })
    expect(stockOf(room.db, 'C-EM10R10')).toBe(3)
    expect(listRecord(room.db, { serial: 'BX00143' })[0]).toMatchObject({ what: 'built', who: 'Ines Varga', t: 4 })
  })
  it.each([
    ['a holder that carries a tool', 'BX00143', 'HOLDER_CARRIES_TOOL', 'already carries T4'],
    ['another taper', 'BX00146', 'WRONG_TAPER', 'SK 40'],
    ['another bore', 'BX00141', 'WRONG_BORE', '20 mm'],
    ['a retired one', 'BX00149', 'HOLDER_RETIRED', 'retired'],
    ['one that nobody knows', 'BX77777', 'UNKNOWN_SERIAL', 'BX77777'],
  ])('%s is refused with the reason', (_, serial, code, words) => {
    const room = withT4(withJobs(toolRoom()))
    const stock = stockOf(room.db, 'C-EM10R10')
    const refused = buildTool(room.as('ines'), 'HP-2207', 4, serial)
    expect(codeOf(refused)).toBe(code)
    expect(!refused.ok && refused.error.text).toContain(words)
    expect(listAssemblies(room.db)).toHaveLength(1)
    expect(stockOf(room.db, 'C-EM10R10')).toBe(stock)
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'refused', after: { code } })
  })
  it('an empty drawer stops it', () => {
    const room = withJobs(toolRoom())
    room.db.prepare("UPDATE stock_move SET delta = 0 WHERE component_id = 'C-EM10R10'").run()
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
    expect(stockOf(room.db, 'C-EM10R10')).toBe(3)
  })
  it('shows the set-up for every definition of the demo, all of them buildable', () => {
    const room = withJobs(toolRoom())
    for (const [id, t] of [
      ['HP-2207', 12],
      ['HP-2207', 4],
      ['HP-1145', 7],
      ['HP-1145', 18],
    ] as const) {
      const sheet = readBuild(room.db, id, t)!
      const setup = valueOf(sheet.setup)
      expect(sheet.stackRefusals).toEqual([])
      expect(setup.temperatureC).toBeLessThan(sheet.holder.greatestC)
      expect(setup.gripTorqueNm.min).toBeGreaterThan(sheet.definition.torqueNm!)
      expect(sheet.free.length).toBeGreaterThan(0)
    }
    expect(program('HP2207-20.nc')).toContain('T12 M6')
  })
})
