import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { drawRoom, FAULT_CODES, isInPractice, pageOf, practised, ROOM_LESSONS, ROOMS, TRAP_CODES, type Memory } from './index'

const NOW = '2026-11-30T08:00:00.000Z'

describe('a lesson in the practice room', () => {
  it.each(ROOM_LESSONS)('%s: faults stand on things that can have them, good things among them', (lesson) => {
    const { things } = ROOMS[lesson]
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 2 ** 30 }), (seed) => {
        const planted = drawRoom(things, [], seed, NOW)
        expect(planted.map(({ thing }) => thing)).toEqual(things.map(({ thing }) => thing))
        const faulty = planted.filter(({ fault }) => fault !== null)
        expect(faulty.length).toBeGreaterThan(0)
        expect(faulty.length).toBeLessThan(things.length)
        for (const { thing, fault } of faulty) expect(things.find((t) => t.thing === thing)!.faults).toContain(fault)
        expect(new Set(faulty.map(({ fault }) => fault)).size).toBe(faulty.length)
        expect(drawRoom(things, [], seed, NOW)).toEqual(planted)
      }),
    )
  })
  it('sometimes two things are wrong with one tool, and both are such as it can have', () => {
    const all = Array.from({ length: 100 }, (_, seed) => drawRoom(ROOMS.bench.things, [], seed + 1, NOW)).flat()
    const together = all.filter(({ also }) => also !== undefined)
    expect(together.length).toBeGreaterThan(10)
    for (const { thing, fault, also } of together) {
      expect(also).not.toBe(fault)
      expect(ROOMS.bench.things.find((t) => t.thing === thing)!.faults).toContain(also)
    }
  })
  it('what is due is planted', () => {
    const due: Memory = { code: 'CREPT', found: 0, ease: 2, pauseDays: 0, dueAt: '2026-11-01T00:00:00.000Z' }
    for (let seed = 1; seed < 20; seed++)
      expect(drawRoom(ROOMS.bench.things, [due], seed, NOW).map(({ fault }) => fault)).toContain('CREPT')
  })
  it('every trap is planted somewhere, and so is every cause that can be told there', () => {
    const somewhere = new Set(ROOM_LESSONS.flatMap((lesson) => ROOMS[lesson].things.flatMap(({ faults }) => faults)))
    expect(TRAP_CODES.filter((code) => !somewhere.has(code))).toEqual([])
    // warmth and another nose are planted as the traps that they are
    expect(FAULT_CODES.filter((code) => !somewhere.has(code))).toEqual(['WRONG_NOSE', 'WARM'])
  })
})

describe('addresses of the practice room', () => {
  it.each([
    ['/practice/kit', true, '/kit'],
    ['/practice/measure/BX00144', true, '/measure/BX00144'],
    ['/practice/api/events', true, '/api/events'],
    ['/practice', false, '/practice'],
    ['/practice/edges', false, '/practice/edges'],
    ['/practice/lessons', false, '/practice/lessons'],
    ['/practices', false, '/practices'],
    // no way to another host, and no room in the room
    ['/practice//example.org/kit', false, '/practice//example.org/kit'],
    ['/practice/practice/kit', false, '/practice/practice/kit'],
    ['/kit', false, '/kit'],
  ])('%s', (path, inside, page) => {
    expect(isInPractice(path)).toBe(inside)
    expect(pageOf(path)).toBe(page)
    if (inside) expect(practised(page)).toBe(path)
  })
  it('what belongs to the shop itself, and what is there already, stays where it is', () => {
    for (const href of [
      '/practice',
      '/practice?try=chip',
      '/practice/lessons?run=3',
      '/practice/kit',
      '#sheet',
      'https://example.org',
    ])
      expect(practised(href)).toBe(href)
    expect(practised('/load?machine=HERON')).toBe('/practice/load?machine=HERON')
  })
})
