import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Assembly, Definition } from '../tool'
import { netJobs, type HandTool, type Inventory, type Job, type NettedTool } from './index'

const NOW = '2026-11-25T08:00:00.000Z'
const definition = (t: number, change: Partial<Definition> = {}): Definition =>
  ({
    id: `D${t}`,
    version: 1,
    t,
    name: `tool ${t}`,
    machines: ['M'],
    lifeMin: null,
    parts: [
      { role: 'holder', component: 'H', alternatives: [], count: 1 },
      { role: 'stud', component: 'S', alternatives: [], count: 1 },
      { role: 'cutter', component: `C${t}`, alternatives: [`C${t}b`], count: 1 },
    ],
    ...change,
  }) as unknown as Definition
const assembly = (id: number, t: number, change: Partial<Assembly> = {}): Assembly => ({
  id,
  serial: `BX${id}`,
  t,
  name: '',
  definition: { id: `D${t}`, version: 1 },
  machine: 'M',
  job: null,
  coupling: 'SK 40',
  state: 'released',
  pocket: null,
  place: null,
  parts: [],
  condition: 'fit',
  lifeUsedMin: 0,
  runningMin: 0,
  sister: 0,
  dueAt: null,
  builtAt: NOW,
  stopSetMm: null,
  wear: null,
  heat: null,
  version: 1,
  ...change,
})
const want = (t: number, count = 1, minutesEach: number | null = null): HandTool => ({
  t,
  name: null,
  count,
  minutesEach,
  source: 'by hand',
})
const job = (id: string, due: number, extra: HandTool[], change: Partial<Job> = {}): Job => ({
  id,
  version: 1,
  name: '',
  machine: 'M',
  dueAt: new Date(Date.parse(NOW) + 60_000 * due).toISOString(),
  quantity: 1,
  priority: 0,
  state: 'open',
  urgentFor: null,
  mapping: {},
  programs: [],
  extra,
  ...change,
})
const inventory = (change: Partial<Inventory> = {}): Inventory => ({
  definitions: [1, 2, 3].map((t) => definition(t)),
  assemblies: [],
  toBalance: new Set(),
  measuredAt: new Map(),
  onHand: new Map(),
  taken: new Map(),
  freeHolders: new Map(),
  builds: [],
  now: NOW,
  staleAfterDays: 14,
  ...change,
})
const types = (jobs: readonly Job[], stock: Partial<Inventory>) =>
  Object.fromEntries([...netJobs(jobs, inventory(stock))].map(([id, tools]) => [id, tools.map((t) => t.standing.type)]))
const of = (jobs: readonly Job[], stock: Partial<Inventory>, id: string): NettedTool =>
  netJobs(jobs, inventory(stock)).get(id)![0]

describe('parts and holders', () => {
  const stock = { freeHolders: new Map([['H', 2]]), onHand: new Map([['C1', 1]]) }
  it('go to the job that is due first; the other is told who has them', () => {
    const jobs = [job('B', 200, [want(1)]), job('A', 100, [want(1)])]
    expect(types(jobs, stock)).toEqual({ A: ['to-build'], B: ['cannot-build'] })
    expect(of(jobs, stock, 'B').standing).toMatchObject({
      missing: [{ role: 'cutter', component: 'C1', short: 1, alternatives: ['C1b'], heldBy: 'A' }],
    })
  })
  it('a higher priority goes before an earlier date', () =>
    expect(types([job('A', 100, [want(1)]), job('B', 200, [want(1)], { priority: 4 })], stock)).toEqual({
      B: ['to-build'],
      A: ['cannot-build'],
    }))
  it('what may stand in is taken when the first choice is gone', () => {
    const both = {
      ...stock,
      onHand: new Map([
        ['C1', 1],
        ['C1b', 1],
      ]),
    }
    const jobs = [job('A', 100, [want(1)]), job('B', 200, [want(1)])]
    expect(of(jobs, both, 'B').standing).toMatchObject({ parts: [{ role: 'holder' }, { component: 'C1b', insteadOf: 'C1' }] })
  })
  it('nothing is taken for a tool that cannot be built after all', () => {
    const jobs = [job('A', 100, [want(1)]), job('B', 200, [want(2)])]
    const none = { freeHolders: new Map([['H', 1]]), onHand: new Map([['C2', 1]]) }
    expect(types(jobs, none)).toEqual({ A: ['cannot-build'], B: ['to-build'] })
  })
  it('what was fetched for a job is its own', () => {
    const fetched = { freeHolders: new Map([['H', 2]]), taken: new Map([['B', new Map([['C1', 1]])]]) }
    expect(types([job('A', 100, [want(1)]), job('B', 200, [want(1)])], fetched)).toEqual({ A: ['cannot-build'], B: ['to-build'] })
  })
  it('a build under way keeps its parts, and is nobody else’s holder', () => {
    const jobs = [job('A', 100, [want(1)]), job('B', 200, [want(1)])]
    const builds = [{ job: 'A', t: 1, serial: 'BX9', who: 'Ines' }]
    expect(types(jobs, { freeHolders: new Map([['H', 1]]), onHand: new Map([['C1', 1]]), builds })).toEqual({
      A: ['under-way'],
      B: ['cannot-build'],
    })
  })
})

describe('tools', () => {
  it('in the machine serve every job there, once each', () => {
    const loaded = [assembly(1, 1, { state: 'loaded', pocket: 3 })]
    expect(types([job('A', 1, [want(1)]), job('B', 2, [want(1, 2)])], { assemblies: loaded })).toEqual({
      A: ['in-machine'],
      B: ['in-machine', 'cannot-build'],
    })
  })
  it('with too little life left are replaced, and named', () => {
    const assemblies = [assembly(1, 1, { state: 'loaded', lifeUsedMin: 50 }), assembly(2, 1)]
    const stock = { definitions: [definition(1, { lifeMin: 60 })], assemblies }
    expect(of([job('A', 1, [want(1, 1, 3)], { quantity: 3 })], stock, 'A').standing).toMatchObject({
      type: 'in-machine',
      lifeLeftMin: 10,
    })
    expect(of([job('A', 1, [want(1, 1, 3)], { quantity: 4 })], stock, 'A')).toMatchObject({
      standing: { type: 'ready', assembly: { id: 2 } },
      replaces: { id: 1 },
    })
  })
  it('broken ones count for nothing, worn ones are stale', () => {
    expect(types([job('A', 1, [want(1)])], { assemblies: [assembly(1, 1, { condition: 'broken' })] })).toEqual({
      A: ['cannot-build'],
    })
    expect(of([job('A', 1, [want(1)])], { assemblies: [assembly(1, 1, { condition: 'worn' })] }, 'A').standing).toMatchObject({
      type: 'stale',
      stale: { why: 'worn' },
    })
  })
  it('of another job are left alone while that job is open, and free when it is over', () => {
    const assemblies = [assembly(1, 1, { job: 'B' })]
    expect(types([job('A', 1, [want(1)]), job('B', 2, [])], { assemblies }).A).toEqual(['cannot-build'])
    expect(types([job('A', 1, [want(1)]), job('B', 2, [], { state: 'done' })], { assemblies }).A).toEqual(['ready'])
  })
  it('a machine that stands takes the one that another job had', () => {
    const assemblies = [assembly(1, 1, { job: 'B' })]
    const urgent = job('NOW-1', 0, [want(1)], { priority: 9, urgentFor: 'BX7' })
    expect(types([urgent, job('B', 2, [want(1)])], { assemblies })).toEqual({ 'NOW-1': ['ready'], B: ['cannot-build'] })
  })
  it('released before measured, fresh before stale', () => {
    const old = new Map([[1, '2026-11-01T08:00:00.000Z']])
    const pick = (assemblies: Assembly[], measuredAt = new Map<number, string>()) =>
      of([job('A', 1, [want(1)])], { assemblies, measuredAt }, 'A').standing as { type: string; assembly: Assembly }
    expect(pick([assembly(1, 1, { state: 'measured' }), assembly(2, 1)]).assembly.id).toBe(2)
    expect(pick([assembly(1, 1), assembly(2, 1, { state: 'measured' })], old).assembly.id).toBe(2)
    expect(pick([assembly(1, 1)], old).type).toBe('stale')
  })
})

describe('whatever the jobs and the stock', () => {
  const anyJob = fc.record({
    due: fc.nat(50),
    priority: fc.nat(3),
    wants: fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 3 })), { maxLength: 4 }),
  })
  const anyTool = fc.record({
    t: fc.integer({ min: 1, max: 3 }),
    state: fc.constantFrom('built', 'measured', 'released') as fc.Arbitrary<Assembly['state']>,
    job: fc.constantFrom(null, 'J0', 'J1'),
  })
  it('no tool outside a machine is counted twice, and never more parts or holders than there are', () => {
    fc.assert(
      fc.property(
        fc.array(anyJob, { maxLength: 5 }),
        fc.array(anyTool, { maxLength: 6 }),
        fc.nat(4),
        fc.array(fc.nat(3), { minLength: 4, maxLength: 4 }),
        (jobs, tools, holders, pieces) => {
          const list = jobs.map((j, i) =>
            job(
              `J${i}`,
              j.due,
              [...new Map(j.wants)].map(([t, n]) => want(t, n)),
              { priority: j.priority },
            ),
          )
          const onHand = new Map([
            ['C1', pieces[0]],
            ['C1b', pieces[1]],
            ['C2', pieces[2]],
            ['C3', pieces[3]],
          ])
          const netted = [
            ...netJobs(
              list,
              inventory({ assemblies: tools.map((a, i) => assembly(i, a.t, a)), onHand, freeHolders: new Map([['H', holders]]) }),
            ).values(),
          ].flat()
          const used = netted.flatMap(({ standing }) => ('assembly' in standing ? [standing.assembly.id] : []))
          expect(new Set(used).size).toBe(used.length)
          const picked = netted.flatMap(({ standing }) => (standing.type === 'to-build' ? standing.parts : []))
          for (const [component, count] of [...onHand, ['H', holders] as const])
            expect(picked.filter((p) => p.component === component).reduce((n, p) => n + p.count, 0)).toBeLessThanOrEqual(count)
        },
      ),
      { numRuns: 300 },
    )
  })
})
