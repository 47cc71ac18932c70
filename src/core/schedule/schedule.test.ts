import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  bestSchedule,
  latenessBound,
  scheduleIn,
  shrinkFirst,
  type Block,
  type Room,
  type StepKind,
  type ToolToDo,
} from './index'
import { COLLET, ROOM, SHRUNK, toolToDo as tool } from '../../../test/support/room-day'
import { nobodyServed, serve, type Served } from './serve'

const blockOf = (blocks: readonly Block[], id: string, kind: StepKind) => blocks.find((b) => b.tool === id && b.kind === kind)!

/** Every order, by hand. */
function permutations<T>(all: readonly T[]): T[][] {
  if (all.length <= 1) return [[...all]]
  return all.flatMap((one, i) => permutations([...all.slice(0, i), ...all.slice(i + 1)]).map((rest) => [one, ...rest]))
}
/** Small rooms of every kind, with small tools. */
const rooms = fc.record({
  people: fc.integer({ min: 1, max: 3 }),
  cooling: fc.integer({ min: 1, max: 2 }),
  adapterMin: fc.integer({ min: 0, max: 12 }),
  piece: fc.integer({ min: 1, max: 2 }),
  bench: fc.integer({ min: 1, max: 2 }),
  adapters: fc.constantFrom({}, { 'HSK-A63': 1 }, { 'HSK-A63': 1, 'SK 40': 1 }),
})
type AnyRoom = typeof rooms extends fc.Arbitrary<infer R> ? R : never
const roomOf = ({ people, cooling, adapterMin, piece, bench, adapters }: AnyRoom): Room => ({
  ...ROOM,
  ...{ people, adapterMin, adapters, places: { ...ROOM.places, cooling, bench }, pieces: { holder: piece } },
})
const tools = (most: number) =>
  fc
    .array(
      fc.record({
        shrunk: fc.boolean(),
        balance: fc.boolean(),
        minutes: fc.integer({ min: 1, max: 15 }),
        dueMin: fc.integer({ min: -20, max: 90 }),
        readyMin: fc.constantFrom(0, 0, 0, 20),
        coupling: fc.constantFrom('HSK-A63', 'SK 40'),
        piece: fc.constantFrom(null, null, 'holder'),
        begun: fc.constantFrom(false, false, false, true),
      }),
      { minLength: 1, maxLength: most },
    )
    .map((all) =>
      all.map(({ shrunk, balance, minutes, ...rest }, i) =>
        tool(
          String(i),
          [...(shrunk ? SHRUNK : COLLET), ...(balance ? ([['balance', minutes]] as const) : []), ['hand over', 2]],
          // what is begun has its parts
          rest.begun ? { ...rest, readyMin: 0 } : rest,
        ),
      ),
    )

describe('a day of the room', () => {
  it('lets others go on while something cools', () => {
    const { blocks } = scheduleIn([tool('A', SHRUNK), tool('B', COLLET)], ROOM)
    expect(blockOf(blocks, 'A', 'cool')).toMatchObject({ fromMin: 5, toMin: 15 })
    expect(blockOf(blocks, 'B', 'fetch')).toMatchObject({ fromMin: 5, toMin: 8 })
    expect(blockOf(blocks, 'A', 'measure').fromMin).toBe(15)
  })
  it('changes the adapter where the taper changes, and says so', () => {
    const { blocks, waits } = scheduleIn([tool('A', COLLET), tool('B', COLLET, { coupling: 'SK 40' })], ROOM)
    expect(blockOf(blocks, 'B', 'measure')).toMatchObject({ changeMin: 8 })
    expect(waits.B.for).toMatch(/person|adapter/)
  })
  it('two benches measure beside each other, as far as there are adapters for it', () => {
    const two = { ...ROOM, people: 4, places: { ...ROOM.places, bench: 2 } }
    const both = [tool('A', [['measure', 20]]), tool('B', [['measure', 20]])]
    const measured = (room: Room) => scheduleIn(both, room).blocks.map((b) => [b.fromMin, b.changeMin, b.toMin])
    // the other bench has to be fitted with its adapter first
    expect(measured(two)).toEqual([
      [0, 0, 20],
      [0, 8, 28],
    ])
    expect(measured({ ...two, adapters: { 'HSK-A63': 1 } })).toEqual([
      [0, 0, 20],
      [20, 0, 40],
    ])
  })
  it('a holder that another job has is waited for by its name', () => {
    const readyWith = { for: 'freed', piece: 'shrink Ø20', job: 'HP-1' } as const
    const { waits, doneMin } = scheduleIn([tool('T46', COLLET, { readyMin: 70, readyWith })], ROOM)
    expect(waits.T46).toEqual({ ...readyWith, minutes: 70 })
    expect(doneMin.T46).toBe(84)
  })
  it('one holder for two tools: the second waits for the first', () => {
    const room = { ...ROOM, people: 3, pieces: { 'shrink Ø20': 1 } }
    const both = [tool('T46', SHRUNK, { piece: 'shrink Ø20' }), tool('T47', SHRUNK, { piece: 'shrink Ø20' })]
    const { waits, doneMin } = scheduleIn(both, room)
    expect(waits.T47).toEqual({ for: 'piece', piece: 'shrink Ø20', behind: 'T46', minutes: 20 })
    expect(doneMin.T47).toBe(40)
  })
  it('never moves what somebody has begun', () => {
    const at = [
      tool('late', COLLET, { dueMin: 1 }),
      tool(
        'begun',
        [
          ['build', 6],
          ['measure', 5],
        ],
        { dueMin: 500, begun: true },
      ),
    ]
    expect(blockOf(bestSchedule(at, ROOM).schedule.blocks, 'begun', 'build').fromMin).toBe(0)
  })
  it('promises no more than can be where several people are at something already', () => {
    const both = ['A', 'B'].map((id) => tool(id, [['build', 30]], { dueMin: 30, begun: true }))
    const { schedule, boundMin } = bestSchedule(both, ROOM)
    expect(schedule.latenessMin).toBe(0)
    expect(boundMin).toBe(0)
  })
  it('shrinks all first where that is asked', () => {
    const order = shrinkFirst([tool('A', COLLET, { dueMin: 1 }), tool('B', SHRUNK, { dueMin: 90 })])
    expect(order.map((t) => t.id)).toEqual(['B', 'A'])
  })

  it('nothing is in two places, and no place or person has more than it can', () => {
    fc.assert(
      fc.property(tools(7), rooms, (all, given) => {
        const room = roomOf(given)
        const { blocks } = scheduleIn(all, room)
        const moments = blocks.flatMap((b) => [b.fromMin, (b.fromMin + b.toMin) / 2])
        const begun = new Set(all.filter((t) => t.begun).map((t) => t.id))
        for (const at of moments) {
          const now = blocks.filter((b) => b.fromMin <= at && at < b.toMin)
          // whoever was at it before the plan is at it whatever the plan says
          const planned = now.filter((b) => !(begun.has(b.tool) && b.fromMin === 0))
          expect(planned.filter((b) => b.kind !== 'cool').length).toBeLessThanOrEqual(room.people)
          for (const place of ['shrink unit', 'cooling', 'bench', 'balance'] as const)
            expect(planned.filter((b) => b.place === place).length).toBeLessThanOrEqual(room.places[place])
          for (const coupling of ['HSK-A63', 'SK 40'] as const)
            expect(
              planned.filter((b) => b.place === 'bench' && all.find((t) => t.id === b.tool)!.coupling === coupling).length,
            ).toBeLessThanOrEqual(Reflect.get(room.adapters, coupling) ?? Infinity)
          expect(new Set(now.map((b) => b.tool)).size).toBe(now.length)
        }
        for (const { id, steps, readyMin } of all) {
          const own = blocks.filter((b) => b.tool === id)
          expect(own.map((b) => b.kind)).toEqual(steps.map((s) => s.kind))
          expect(own[0].fromMin).toBeGreaterThanOrEqual(readyMin)
          for (let i = 1; i < own.length; i++) expect(own[i].fromMin).toBeGreaterThanOrEqual(own[i - 1].toMin - 1e-9)
        }
      }),
      { numRuns: 150 },
    )
  })
  it('is least late over all orders', () => {
    fc.assert(
      fc.property(tools(6), rooms, (all, given) => {
        const room = roomOf(given)
        const least = Math.min(...permutations(all).map((order) => scheduleIn(order, room).latenessMin))
        const found = bestSchedule(all, room)
        expect(found.schedule.latenessMin).toBeCloseTo(least, 6)
        expect(found.exact).toBe(true)
        expect(latenessBound(all, room)).toBeLessThanOrEqual(least + 1e-6)
      }),
      { numRuns: 60 },
    )
  })
  it('eight tools against all 40,320 orders; nine in the bench', () => {
    const all = Array.from({ length: 8 }, (_, i) =>
      tool(String(i), i % 2 ? SHRUNK : COLLET, { dueMin: 15 + 9 * ((i * 5) % 9), coupling: i % 3 ? 'HSK-A63' : 'SK 40' }),
    )
    const found = bestSchedule(all, ROOM)
    // each order as it is, without leaving any out; what is served first is served once for all that begin so
    let least = Infinity
    let orders = 0
    const go = (served: Served, late: number, rest: readonly ToolToDo[]) => {
      if (rest.length === 0) {
        orders++
        least = Math.min(least, late)
      }
      for (const one of rest) {
        const placed = serve(served, ROOM, one)
        go(
          placed.served,
          Math.max(late, placed.doneMin - one.dueMin),
          rest.filter((t) => t !== one),
        )
      }
    }
    go(nobodyServed(), -Infinity, all)
    expect(orders).toBe(40_320)
    expect(found.schedule.latenessMin).toBeCloseTo(least, 6)
  })
  it('with many tools it is never worse than the earliest date first, and says how far from the best it may be', () => {
    const many = Array.from({ length: 40 }, (_, i) => tool(String(i), i % 3 ? COLLET : SHRUNK, { dueMin: 40 + ((i * 37) % 300) }))
    const dates = scheduleIn(
      [...many].sort((a, b) => a.dueMin - b.dueMin),
      ROOM,
    )
    const found = bestSchedule(many, ROOM)
    expect(found.schedule.latenessMin).toBeLessThanOrEqual(dates.latenessMin)
    expect(found.boundMin).toBeLessThanOrEqual(found.schedule.latenessMin)
  })
})
