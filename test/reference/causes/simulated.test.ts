/**
 * Simulated tools, half of them good, with every cause on one to eight edges. They are drawn, and their truth is weighed, by a simulation that
 * shares nothing with what judges them (`test/support/cause-sim.ts`); sizes and priors as docs/formats.md states them.
 */
import { describe, expect, it } from 'vitest'
import { causesOf } from '@/core/causes'
import { canBeTold, drawTool, possible } from '../../support/cause-sim'

const TOOLS = 400
const judged = Array.from({ length: TOOLS }, (_, i) => {
  const drawn = drawTool(i + 1, { rich: i % 2 === 0 })
  const causes = causesOf(drawn.given)
  return { drawn, causes, named: causes[0].code === drawn.truth && (drawn.edge === null || causes[0].edge === drawn.edge) }
})

describe('what is wrong with a simulated tool', () => {
  it('good tools are called good: at most one in a hundred is blamed', () => {
    const good = judged.filter((j) => j.drawn.truth === 'NOTHING')
    expect(good.length).toBeGreaterThan(TOOLS * 0.4)
    expect(good.filter((j) => !j.named).length / good.length).toBeLessThanOrEqual(0.01)
  })
  it('of faults on four edges or more most can be told, and of those 95 in a hundred are named first', () => {
    const faulty = judged.filter(({ drawn }) => drawn.truth !== 'NOTHING' && drawn.given.edges.length >= 4)
    const told = faulty.filter(({ drawn }) => canBeTold(drawn))
    expect(told.length / faulty.length).toBeGreaterThanOrEqual(0.6)
    expect(told.filter((j) => j.named).length / told.length).toBeGreaterThanOrEqual(0.95)
  })
  it('has every cause among them, and the likelihoods of each tool add up to 1', () => {
    const seen = new Set(judged.map(({ drawn }) => drawn.truth))
    expect(seen.size).toBe(12)
    for (const { causes, drawn } of judged) {
      expect(causes.reduce((sum, c) => sum + c.p, 0)).toBeCloseTo(1, 9)
      expect(new Set(causes.map((c) => c.code))).toEqual(new Set(['NOTHING', ...possible(drawn.given)]))
    }
  })
})
