import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  comesNext,
  drawLesson,
  harmOf,
  recallsOf,
  remember,
  scoreLesson,
  TRAP_CODES,
  CAUSE_HARMS,
  type FaultCode,
  type Memory,
  type SaidOf,
} from './index'

const NOW = '2026-11-30T08:00:00.000Z'
const CODES: readonly FaultCode[] = [...TRAP_CODES, ...(Object.keys(CAUSE_HARMS) as FaultCode[])]
const daysFrom = (at: string) => (Date.parse(at) - Date.parse(NOW)) / 86_400_000

describe('what was missed', () => {
  it('comes again at once, and what is found after one day, six, and ever longer', () => {
    const pauses: number[] = []
    let memory: Memory | null = null
    for (let i = 0; i < 5; i++) {
      memory = remember(memory, 'WORN', 'found', NOW)
      pauses.push(daysFrom(memory.dueAt))
    }
    expect(pauses.slice(0, 2)).toEqual([1, 6])
    // SM-2: the third pause is the second times the ease, which has grown by 0.1 each time from 2.5
    expect(pauses[2]).toBeCloseTo(6 * 2.8, 6)
    expect(pauses[4]).toBeGreaterThan(pauses[3])
    const missed = remember(memory, 'WORN', 'missed', NOW)
    expect(daysFrom(missed.dueAt)).toBeLessThan(0.05)
    expect(missed.ease).toBeLessThan(memory!.ease)
    expect(remember(missed, 'WORN', 'found', NOW).pauseDays).toBe(1)
  })
  it('never gets harder than the least ease, however often it is missed', () => {
    let memory: Memory | null = null
    for (let i = 0; i < 30; i++) memory = remember(memory, 'CHIP_ON_EDGE', 'missed', NOW)
    expect(memory!.ease).toBe(1.3)
  })
  it('is due before what was never met, and that before what is not due yet', () => {
    const due: Memory = { code: 'WARM', found: 0, ease: 2, pauseDays: 0, dueAt: '2026-11-29T08:00:00.000Z' }
    const later: Memory = { code: 'WORN', found: 2, ease: 2, pauseDays: 6, dueAt: '2026-12-05T08:00:00.000Z' }
    expect(comesNext(['WORN', 'TILTED', 'WARM'], [later, due], NOW)).toEqual(['WARM', 'TILTED', 'WORN'])
  })
})

describe('a lesson', () => {
  it('has good tools among faulty ones, plants what is due, and is the same for the same seed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 12 }), fc.integer({ min: 1, max: 1e6 }), (count, seed) => {
        const lesson = drawLesson(CODES, [], count, seed, NOW)
        expect(lesson).toHaveLength(count)
        const good = lesson.filter((t) => t.fault === null).length
        expect(good).toBeGreaterThanOrEqual(1)
        expect(good).toBeLessThan(count)
        expect(drawLesson(CODES, [], count, seed, NOW)).toEqual(lesson)
        for (const { size } of lesson) expect(size >= 0 && size < 1).toBe(true)
      }),
    )
    const due: Memory = { code: 'CREPT', found: 0, ease: 2, pauseDays: 0, dueAt: '2026-11-01T00:00:00.000Z' }
    expect(drawLesson(CODES, [due], 2, 5, NOW).map((t) => t.fault)).toContain('CREPT')
  })
  it('tells what was found, missed, mistaken and wrongly blamed, and what the misses would have done', () => {
    const planted = [
      { number: 1, fault: 'WORN', size: 0.5 },
      { number: 2, fault: 'LABEL_ON_WRONG_TOOL', size: 0.5 },
      { number: 3, fault: 'EDGE_HIGH', size: 0.1 },
      { number: 4, fault: null, size: 0 },
      { number: 5, fault: null, size: 0 },
    ] as const
    const said: SaidOf[] = [
      { number: 1, fault: 'TILTED', helped: false },
      { number: 1, fault: 'WORN', helped: true },
      { number: 2, fault: null, helped: false },
      { number: 3, fault: 'OFF_CENTRE', helped: false },
      { number: 4, fault: 'WORN', helped: false },
      { number: 5, fault: null, helped: false },
    ]
    const result = scoreLesson(planted, said)
    expect(result.found.map((t) => t.number)).toEqual([1])
    expect(result.missed.map((t) => t.number)).toEqual([2])
    expect(result.mistaken).toMatchObject([{ number: 3, as: 'OFF_CENTRE' }])
    expect(result.blamed).toMatchObject([{ number: 4, as: 'WORN' }])
    expect(result.harm).toEqual({ minutes: harmOf('LABEL_ON_WRONG_TOOL').minutes, worst: 'crash' })
    expect(result.share).toBeCloseTo(2 / 5, 9)
    expect([...recallsOf(planted, said)]).toEqual([
      ['WORN', 'late'],
      ['LABEL_ON_WRONG_TOOL', 'missed'],
      ['EDGE_HIGH', 'missed'],
    ])
  })
  it('of two faults on one tool either stops it, and only what was named is known', () => {
    const planted = [{ number: 1, fault: 'EDGE_HIGH', also: 'LENGTH_NOT_SET', size: 0.5 }] as const
    const told = (fault: FaultCode | null) => scoreLesson(planted, [{ number: 1, fault, helped: false }])
    expect(told('EDGE_HIGH').share).toBe(1)
    expect(told('LENGTH_NOT_SET').found).toHaveLength(1)
    expect(told('WORN').mistaken).toHaveLength(1)
    const nothing = told(null)
    expect(nothing.missed).toHaveLength(1)
    expect(nothing.harm.minutes).toBe(harmOf('EDGE_HIGH').minutes + harmOf('LENGTH_NOT_SET').minutes)
    expect([...recallsOf(planted, [{ number: 1, fault: 'LENGTH_NOT_SET', helped: false }])]).toEqual([
      ['LENGTH_NOT_SET', 'found'],
    ])
    expect(recallsOf(planted, []).size).toBe(2)
  })
  it('every tool is told once: right, wrong or not at all', () => {
    const fault = fc.constantFrom<FaultCode | null>('WORN', 'WARM', 'CHIP_ON_EDGE', null)
    fc.assert(
      fc.property(fc.array(fc.tuple(fault, fault, fc.boolean()), { maxLength: 20 }), (all) => {
        const planted = all.map(([f], i) => ({ number: i + 1, fault: f, size: 0.5 }))
        const said = all.flatMap(([, s, told], i) => (told ? [{ number: i + 1, fault: s, helped: false }] : []))
        const { found, missed, mistaken, blamed, open, share } = scoreLesson(planted, said)
        const good = planted.filter((t) => t.fault === null && said.some((s) => s.number === t.number && s.fault === null))
        expect(found.length + missed.length + mistaken.length + blamed.length + open.length + good.length).toBe(planted.length)
        expect(share).toBeCloseTo(planted.length ? (found.length + good.length) / planted.length : 0, 9)
      }),
    )
  })
})
