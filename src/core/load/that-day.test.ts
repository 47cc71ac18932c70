import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sinceThen, thereAt, type Move, type ThereThen } from './index'

const at = (minute: number) => new Date(Date.UTC(2026, 10, 28, 6) + minute * 60_000).toISOString()

describe('what was in a machine', () => {
  it('at any moment of any history is what was kept of it at that moment', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            serial: fc.constantFrom('A', 'B', 'C', 'D'),
            pocket: fc.integer({ min: 1, max: 9 }),
            gap: fc.integer({ min: 1, max: 30 }),
          }),
          {
            maxLength: 40,
          },
        ),
        fc.integer({ min: 0, max: 900 }),
        (steps, asked) => {
          const moves: Move[] = []
          const inside = new Map<string, ThereThen>()
          let minute = 0
          let kept: ThereThen[] = []
          steps.forEach(({ serial, pocket, gap }, issue) => {
            minute += gap
            const when = at(minute)
            if (inside.has(serial)) {
              inside.delete(serial)
              moves.push({ type: 'out', at: when, serial })
            } else {
              inside.set(serial, { serial, t: 1, pocket, issue, since: when })
              moves.push({ type: 'in', at: when, serial, t: 1, pocket, issue })
            }
            if (minute <= asked) kept = [...inside.values()]
          })
          const found = thereAt(moves, at(asked))
          expect([...found].sort((a, b) => (a.serial < b.serial ? -1 : 1))).toEqual(
            kept.sort((a, b) => (a.serial < b.serial ? -1 : 1)),
          )
        },
      ),
    )
  })
  it('and what has changed since', () => {
    const tool = (serial: string, issue: number, pocket = 1): ThereThen => ({ serial, t: 1, pocket, issue, since: at(0) })
    const { gone, came, changed } = sinceThen(
      [tool('A', 1), tool('B', 1), tool('C', 1)],
      [tool('B', 2), tool('C', 1), tool('D', 1)],
    )
    expect([gone.map((t) => t.serial), came.map((t) => t.serial), changed.map((c) => c.now.issue)]).toEqual([['A'], ['D'], [2]])
  })
})
