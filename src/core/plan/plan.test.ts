import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Place, StoreUnit } from '../tool'
import {
  ACCOUNTS,
  counterOf,
  lookahead,
  missing,
  move,
  MOVES,
  NOTHING,
  onHand,
  pickList,
  roundLength,
  shortRound,
  walkingDistances,
  walkingPath,
  wantedOf,
  type Account,
  type Balance,
  type Job,
  type MoveName,
  type StockMove,
} from './index'

describe('the stock ledger', () => {
  const names = Object.keys(MOVES) as MoveName[]
  const anyMove = fc.record({
    name: fc.constantFrom(...names),
    from: fc.constantFrom(...ACCOUNTS),
    to: fc.constantFrom(...ACCOUNTS),
    count: fc.integer({ min: -2, max: 9 }),
    counter: fc.boolean(),
  })
  it('whatever happens in whatever order, on hand + built in + scrapped is what was received, and nothing is below zero', () => {
    fc.assert(
      fc.property(fc.array(anyMove, { maxLength: 120 }), (moves) => {
        let balance: Balance = NOTHING
        for (const { counter, ...m } of moves) {
          const done = move(balance, m, counter)
          if (done.ok) balance = done.value
          expect(onHand(balance) + balance.built + balance.scrapped).toBe(balance.received)
          expect(Math.min(balance.hand, balance.taken, balance.built, balance.scrapped)).toBeGreaterThanOrEqual(0)
        }
        expect(missing(balance)).toBe(0)
      }),
      { numRuns: 400 },
    )
  })
  it('a move and its counter-entry leave everything as it was', () => {
    const pairs = names.flatMap((name) => MOVES[name].map(([from, to]) => ({ name, from, to })))
    const full: Balance = { received: 40, hand: 10, taken: 10, built: 10, scrapped: 10 }
    for (const pair of pairs) {
      const m: StockMove = { component: 'C', count: 3, fromPlace: 'A', toPlace: null, job: null, serial: null, ...pair }
      const there = move(full, m)
      const back = there.ok && move(there.value, counterOf(m), true)
      expect([pair, back && back.ok && back.value]).toEqual([pair, full])
      expect(counterOf(m).toPlace).toBe('A')
    }
  })
  it.each([
    [0, 'taken', 'hand', 'taken', 'BAD_COUNT'],
    [1.5, 'taken', 'hand', 'taken', 'BAD_COUNT'],
    [1, 'taken', 'outside', 'taken', 'NOT_A_MOVE'],
    [1, 'taken', 'hand', 'taken', 'TOO_FEW'],
  ] as [number, MoveName, Account, Account, string][])('%d %s from %s to %s of nothing: %s', (count, name, from, to, code) => {
    const done = move(NOTHING, { name, from, to, count })
    expect(done.ok ? 'ok' : done.error.code).toBe(code)
  })
})

const unit = (id: string, x: number, y: number, w = 2, h = 1): StoreUnit => ({ id, kind: 'cabinet', name: id, x, y, w, h })

describe('walking', () => {
  it('goes round furniture, not through it', () => {
    // a wall of cabinets from the top with a gap at the bottom
    const floor = { width: 9, height: 6, units: [unit('A', 0, 0), unit('WALL', 4, 0, 1, 5), unit('B', 7, 0)] }
    const [[, far]] = walkingDistances(floor, ['A', 'B'])
    const [[, near]] = walkingDistances({ ...floor, units: floor.units.filter((u) => u.id !== 'WALL') }, ['A', 'B'])
    expect(near).toBeLessThan(far)
    expect(far).toBeGreaterThanOrEqual(8)
  })
  it('says so when no way leads there', () => {
    const floor = { width: 5, height: 3, units: [unit('A', 0, 1, 1, 1), unit('WALL', 2, 0, 1, 3), unit('B', 4, 1, 1, 1)] }
    expect(walkingDistances(floor, ['A', 'B'])[0][1]).toBe(Infinity)
    expect(shortRound(walkingDistances(floor, ['A', 'B']), 0)).toEqual([1])
  })
  it('the way itself goes cell by cell over free floor, from unit to unit', () => {
    const floor = { width: 9, height: 6, units: [unit('A', 0, 0), unit('WALL', 4, 0, 1, 5), unit('B', 7, 0)] }
    const way = walkingPath(floor, ['A', 'B', 'A'])
    const inside = ([x, y]: readonly [number, number]) =>
      floor.units.some((u) => x > u.x && x < u.x + u.w && y > u.y && y < u.y + u.h)
    expect(way.some(inside)).toBe(false)
    expect(way.every(([x, y], i) => i === 0 || Math.abs(x - way[i - 1][0]) + Math.abs(y - way[i - 1][1]) <= 1)).toBe(true)
    const touches = (u: StoreUnit) => way.some(([x, y]) => x > u.x - 1 && x < u.x + u.w + 1 && y > u.y - 1 && y < u.y + u.h + 1)
    expect([touches(floor.units[0]), touches(floor.units[2])]).toEqual([true, true])
    expect(walkingPath(floor, [])).toEqual([])
  })
  const points = (n: number) =>
    fc.array(fc.tuple(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 0, max: 50 })), { minLength: n, maxLength: n })
  const table = (p: readonly (readonly [number, number])[]) =>
    p.map(([x, y]) => p.map(([a, b]) => Math.abs(x - a) + Math.abs(y - b)))
  const every = (rest: number[]): number[][] =>
    rest.length < 2 ? [rest] : rest.flatMap((r) => every(rest.filter((x) => x !== r)).map((o) => [r, ...o]))
  it('of few places the round is the shortest of all orders', () => {
    fc.assert(
      fc.property(points(6), (p) => {
        const d = table(p)
        const best = Math.min(...every([1, 2, 3, 4, 5]).map((o) => roundLength(d, 0, o)))
        expect(roundLength(d, 0, shortRound(d, 0))).toBe(best)
      }),
      { numRuns: 60 },
    )
  })
  it('of many it visits each once, and is no longer than going to the nearest each time', () => {
    fc.assert(
      fc.property(points(25), (p) => {
        const d = table(p)
        const order = shortRound(d, 0)
        expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: 24 }, (_, i) => i + 1))
        const greedy: number[] = []
        for (let here = 0; greedy.length < 24; here = greedy[greedy.length - 1])
          greedy.push(
            Array.from({ length: 25 }, (_, i) => i)
              .filter((i) => i !== 0 && !greedy.includes(i))
              .reduce((a, b) => (d[here][b] < d[here][a] ? b : a)),
          )
        expect(roundLength(d, 0, order)).toBeLessThanOrEqual(roundLength(d, 0, greedy))
      }),
      { numRuns: 40 },
    )
  })
})

describe('the pick list', () => {
  const floor = {
    width: 20,
    height: 8,
    units: [unit('BN', 18, 6), unit('ALDER', 0, 0), unit('BIRCH', 6, 0), unit('CEDAR', 12, 0)],
  }
  const places: Place[] = ['ALDER', 'BIRCH', 'CEDAR'].flatMap((u) =>
    [1, 2].map((row) => ({ id: `${u}-${row}`, unit: u, name: '', row, taper: null })),
  )
  const lying = new Map([
    ['A', [{ place: 'ALDER-1', count: 5 }]],
    [
      'B',
      [
        { place: 'CEDAR-2', count: 1 },
        { place: 'ALDER-2', count: 1 },
      ],
    ],
    [
      'C',
      [
        { place: 'BIRCH-1', count: 1 },
        { place: 'BIRCH-2', count: 4 },
      ],
    ],
  ])
  const list = pickList(
    [
      { component: 'A', count: 2, purpose: 'T1' },
      { component: 'A', count: 1, purpose: 'T2' },
      { component: 'B', count: 1, purpose: 'T1' },
      { component: 'C', count: 3, purpose: 'T2' },
      { component: 'X', count: 1, purpose: 'T3' },
    ],
    lying,
    places,
    floor,
    'BN',
  )
  it('gathers what several tools want, prefers a place with all of it and a unit that is visited anyway', () => {
    expect(list.lines.map((l) => [l.component, l.count, l.place])).toEqual(
      expect.arrayContaining([
        ['A', 3, 'ALDER-1'],
        ['B', 1, 'ALDER-2'],
        ['C', 3, 'BIRCH-2'],
      ]),
    )
    expect(list.lines).toHaveLength(3)
    expect(list.lines.find((l) => l.component === 'A')!.purposes).toEqual(['T1', 'T2'])
  })
  it('says what lies nowhere', () => expect(list.short).toEqual([{ component: 'X', count: 1, purposes: ['T3'] }]))
  it('keeps the lines of one unit together, in the order of its drawers', () => {
    const units = list.lines.map((l) => l.unit)
    expect(units.filter((u, i) => units.indexOf(u) === i)).toEqual(list.round.filter((u) => units.includes(u)))
    expect(list.round[0]).toBe('BN')
  })
  it('takes from several places when no one has enough', () => {
    const split = pickList([{ component: 'B', count: 2, purpose: 'T1' }], lying, places, floor, 'BN')
    expect(split.lines.map((l) => l.count)).toEqual([1, 1])
    expect(split.short).toEqual([])
  })
})

describe('looking ahead', () => {
  const tool = (job: string, dueMin: number, minutes: number) => ({ job, t: 1, minutes, dueMs: dueMin * 60_000, priority: 0 })
  it('works backwards from the last date', () => {
    const lines = lookahead([tool('late', 100, 30), tool('early', 60, 20), tool('mid', 80, 30)], 0)
    // 100−30 = 70; then 70−30 = 40 for mid; then 40−20 = 20 for early
    expect(lines.map((l) => [l.job, l.latestStartMs / 60_000])).toEqual([
      ['early', 20],
      ['mid', 40],
      ['late', 70],
    ])
    expect(lines.some((l) => l.late)).toBe(false)
    expect(lookahead([tool('a', 10, 20)], 0)[0].late).toBe(true)
  })
  it('whoever begins by these times is never late', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ due: fc.integer({ min: 1, max: 500 }), minutes: fc.integer({ min: 1, max: 40 }) }), {
          maxLength: 20,
        }),
        (jobs) => {
          const lines = lookahead(
            jobs.map((j, i) => tool(String(i), j.due, j.minutes)),
            0,
          )
          let clock = -Infinity
          for (const line of lines) {
            clock = Math.max(clock, line.latestStartMs) + line.minutes * 60_000
            expect(clock).toBeLessThanOrEqual(line.dueMs)
          }
        },
      ),
    )
  })
})

describe('what a job wants', () => {
  const program = (t: number[]) =>
    ({
      name: 'p',
      hash: 'h',
      program: {
        units: 'mm',
        warnings: [],
        tools: t.map((n) => ({ t: n, changes: [{ line: 1 }], h: [n], d: [], maxSpindle: 1000 * n, name: null })),
      },
    }) as unknown as Job['programs'][number]
  const job: Job = {
    id: 'J',
    name: '',
    machine: 'M',
    dueAt: '2026-11-25T08:00:00.000Z',
    quantity: 12,
    priority: 0,
    state: 'open',
    urgentFor: null,
    mapping: {},
    version: 1,
    programs: [program([4, 6]), program([6, 9])],
    extra: [
      { t: 6, name: 'drill', count: 2, minutesEach: 3, source: 'tool list' },
      { t: 31, name: 'mill', count: 1, minutesEach: null, source: 'by hand' },
    ],
  }
  it('is what its programs and lists say together, each T once', () => {
    const wanted = wantedOf(job)
    expect(wanted.map((w) => [w.t, w.count, w.needMin])).toEqual([
      [4, 1, null],
      [6, 2, 36],
      [9, 1, null],
      [31, 1, null],
    ])
    expect(wanted[1]).toMatchObject({ name: 'drill', maxSpindle: 6000, changes: [{ line: 1 }, { line: 1 }] })
  })
})
