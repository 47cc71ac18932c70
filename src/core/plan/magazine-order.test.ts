import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planMagazine, searchMagazine, type OrderedJob } from './index'

const JOBS = { A: [1, 2, 3], B: [2, 4, 5], C: [1, 3, 6, 7], D: [4, 5, 8], E: [3, 6, 8], F: [1, 2, 7, 8] }
const names = Object.keys(JOBS) as (keyof typeof JOBS)[]
const jobs = (dueMin = 1e6): OrderedJob[] => names.map((name) => ({ tools: JOBS[name].map(String), dueMin, minutes: 30 }))
const EMPTY = { pockets: 4, loaded: [] }

function permutations(all: readonly number[]): number[][] {
  if (all.length <= 1) return [[...all]]
  return all.flatMap((one) => permutations(all.filter((other) => other !== one)).map((rest) => [one, ...rest]))
}

describe('jobs in another order', () => {
  it('six jobs, four pockets: ABCDEF needs 15, the best 9, one of eight orders (exact search over all 720)', () => {
    const found = searchMagazine(jobs(), EMPTY)
    const best = ['BDFACE', 'BDFAEC', 'CEAFBD', 'CEAFDB', 'DBFACE', 'DBFAEC', 'ECAFBD', 'ECAFDB']
    expect(found.ok && found.value.plan.switches).toBe(9)
    expect(found.ok && best.includes(found.value.order.map((i) => names[i]).join(''))).toBe(true)
    expect(found.ok && found.value.exact).toBe(true)
  })
  it('keeps the dates: a job that must begin first stays first', () => {
    const dated = jobs().map((job, i) => ({ ...job, dueMin: i === 0 ? 0 : 1e6 }))
    const found = searchMagazine(dated, EMPTY)
    expect(found.ok && found.value.order[0]).toBe(0)
    const none = searchMagazine(
      jobs().map((job, i) => ({ ...job, dueMin: 30 * i })),
      EMPTY,
    )
    expect(none.ok && none.value.order).toEqual([0, 1, 2, 3, 4, 5])
  })
  it('is the least over all orders that the dates allow', () => {
    const job = fc.record({
      tools: fc.uniqueArray(fc.constantFrom('1', '2', '3', '4', '5', '6', '7'), { minLength: 1, maxLength: 3 }),
      dueMin: fc.constantFrom(0, 60, 120, 1e6),
      minutes: fc.constantFrom(20, 40),
    })
    fc.assert(
      fc.property(fc.array(job, { minLength: 1, maxLength: 5 }), fc.integer({ min: 3, max: 5 }), (all, pockets) => {
        const late: number[] = []
        all.reduce((at, { dueMin, minutes }) => (late.push(Math.max(0, at - dueMin)), at + minutes), 0)
        const allowed = permutations(all.map((_, i) => i)).filter((order) => {
          let at = 0
          return order.every((i) => {
            const may = at <= all[i].dueMin + late[i]
            at += all[i].minutes
            return may
          })
        })
        const switches = allowed.map((order) => {
          const plan = planMagazine({ pockets, loaded: [], jobs: order.map((i) => all[i].tools) })
          return plan.ok ? plan.value.switches : NaN
        })
        const found = searchMagazine(all, { pockets, loaded: [] })
        expect(found.ok && found.value.plan.switches).toBe(Math.min(...switches))
      }),
      { numRuns: 120 },
    )
  })
  it('of many jobs none is worse than as planned, and a job larger than the magazine is refused', () => {
    const many = Array.from({ length: 25 }, (_, i) => ({ tools: [`${i % 7}`, `${(i * 3) % 11}`, 'x'], dueMin: 1e6, minutes: 10 }))
    const planned = planMagazine({ pockets: 5, loaded: [], jobs: many.map((j) => j.tools) })
    const found = searchMagazine(many, { pockets: 5, loaded: [] })
    expect(found.ok && planned.ok && found.value.plan.switches <= planned.value.switches).toBe(true)
    expect(searchMagazine(jobs(), { pockets: 3, loaded: [] })).toMatchObject({ error: { why: 'JOB_TOO_LARGE', job: 2 } })
  })
})
