import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planMagazine } from './index'

// six jobs and eight tools; 15 and 9 tools put in, found by exact dynamic programming over all states of the magazine
const JOBS = {
  A: ['1', '2', '3'],
  B: ['2', '4', '5'],
  C: ['1', '3', '6', '7'],
  D: ['4', '5', '8'],
  E: ['3', '6', '8'],
  F: ['1', '2', '7', '8'],
} as const
const plan = (order: string, pockets = 4, loaded: readonly string[] = []) =>
  planMagazine({ pockets, loaded, jobs: [...order].map((job) => JOBS[job as keyof typeof JOBS]) })

/** The fewest tools put in, by looking at every magazine that a job could leave behind. */
function fewest(pockets: number, jobs: readonly (readonly string[])[], loaded: readonly string[]): number {
  const tools = [...new Set([...jobs.flat(), ...loaded])]
  const bit = (tool: string) => 1 << tools.indexOf(tool)
  const maskOf = (list: readonly string[]) => list.reduce((mask, tool) => mask | bit(tool), 0)
  const count = (mask: number) => mask.toString(2).replaceAll('0', '').length
  let costs = new Map([[maskOf(loaded), 0]])
  for (const job of jobs) {
    const needs = maskOf(job)
    const next = new Map<number, number>()
    for (const [mask, cost] of costs)
      for (let to = 0; to < 1 << tools.length; to++) {
        if ((to & needs) !== needs || count(to) > pockets) continue
        const put = cost + count(to & ~mask)
        if (put < (next.get(to) ?? Infinity)) next.set(to, put)
      }
    costs = next
  }
  return Math.min(...costs.values())
}

const valueOf = (found: ReturnType<typeof plan>) => {
  if (!found.ok) throw new Error(found.error.why)
  return found.value
}

describe('a magazine for jobs in their order', () => {
  it.each([
    ['ABCDEF', 15],
    ['BDFACE', 9],
  ])('%s: %i tools put in', (order, switches) => {
    expect(valueOf(plan(order))).toMatchObject({ switches, least: 8 })
  })
  it('puts in the fewest: as many as a search of all states finds', () => {
    const tool = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f')
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 5 }),
        fc.array(fc.uniqueArray(tool, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 6 }),
        fc.uniqueArray(tool, { maxLength: 3 }),
        (pockets, jobs, loaded) => {
          const found = valueOf(planMagazine({ pockets, jobs, loaded }))
          expect(found.switches).toBe(fewest(pockets, jobs, loaded))
          expect(found.switches).toBeGreaterThanOrEqual(found.least)
        },
      ),
      { numRuns: 150 },
    )
  })
  it('every job finds its tools, nothing comes in that is not wanted, and nothing goes that there was room for', () => {
    const tool = fc.integer({ min: 0, max: 30 }).map((n) => `T${n}`)
    fc.assert(
      fc.property(
        fc.array(fc.array(tool, { maxLength: 8 }), { maxLength: 20 }),
        fc.uniqueArray(tool, { maxLength: 10 }),
        (jobs, loaded) => {
          const { steps } = valueOf(planMagazine({ pockets: 10, jobs, loaded }))
          const inside = new Set(loaded)
          expect(steps).toHaveLength(jobs.length)
          for (const { job, load, unload } of steps) {
            expect(unload.length).toBe(Math.max(0, inside.size + load.length - 10))
            unload.forEach((t) => expect(inside.delete(t)).toBe(true))
            load.forEach((t) => {
              expect(jobs[job]).toContain(t)
              inside.add(t)
            })
            expect(inside.size).toBeLessThanOrEqual(10)
            jobs[job].forEach((t) => expect(inside.has(t)).toBe(true))
          }
        },
      ),
    )
  })
  it('a wide tool takes the pockets beside it too, and nothing goes that need not', () => {
    const sizes = { W: 3 }
    const planned = valueOf(planMagazine({ pockets: 5, jobs: [['A', 'B'], ['W'], ['A', 'B', 'C']], loaded: ['C', 'D'], sizes }))
    expect(planned.steps).toEqual([
      { job: 0, load: ['A', 'B'], unload: [] },
      { job: 1, load: ['W'], unload: ['D', 'C'] },
      { job: 2, load: ['C'], unload: ['W'] },
    ])
    const tool = fc.constantFrom('a', 'b', 'c', 'd', 'W', 'V')
    fc.assert(
      fc.property(fc.array(fc.uniqueArray(tool, { minLength: 1, maxLength: 3 }), { maxLength: 12 }), (jobs) => {
        const size = (t: string) => (t === 'W' || t === 'V' ? 2 : 1)
        const { steps } = valueOf(planMagazine({ pockets: 6, jobs, loaded: [], sizes: { W: 2, V: 2 } }))
        const inside = new Set<string>()
        const taken = () => [...inside].reduce((sum, t) => sum + size(t), 0)
        for (const { job, load, unload } of steps) {
          unload.forEach((t) => expect(inside.delete(t)).toBe(true))
          load.forEach((t) => inside.add(t))
          expect(taken()).toBeLessThanOrEqual(6)
          jobs[job].forEach((t) => expect(inside.has(t)).toBe(true))
          // each of them was needed: with it there would be no room
          for (const t of unload) expect(taken() + size(t)).toBeGreaterThan(6)
        }
      }),
    )
  })
  it.each([
    [{ pockets: 2, jobs: [['A', 'B', 'C']], loaded: [] }, 'JOB_TOO_LARGE'],
    [{ pockets: 1, jobs: [], loaded: ['A', 'B'] }, 'LOADED_TOO_LARGE'],
    [{ pockets: 4, jobs: [['A']], loaded: ['B', 'B'] }, 'LOADED_TWICE'],
  ])('%j: %s', (task, why) => {
    expect(planMagazine(task)).toMatchObject({ ok: false, error: { why } })
  })
  it('a tool named twice in a job counts once', () => {
    expect(valueOf(planMagazine({ pockets: 2, jobs: [['A', 'A', 'B']], loaded: ['A'] }))).toEqual({
      ...{ switches: 1, least: 1 },
      steps: [{ job: 0, load: ['B'], unload: [] }],
    })
  })
})
