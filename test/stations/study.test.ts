/** Studies of the bench on real readings: who measures what next, blind, and what comes of it. */
import { beforeEach, describe, expect, it } from 'vitest'
import { endStudy, isInStudy, readStudies, startStudy } from '@/stations/study/studies'
import {
  codeOf,
  goodT4,
  lastEntry,
  saveMeasurement,
  saving,
  later,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'
import { buildTool } from '@/stations/build/build-tool'
import * as contract from '@/stations/study/contract'

let room: ToolRoom
const START = {
  name: 'Diameter',
  feature: 'DC',
  people: ['ines', 'oda'],
  serials: ['BX00143', 'BX00144'],
  repeats: 2,
  toleranceMm: 0.05,
} as const
beforeEach(() => {
  room = withT4(withJobs(toolRoom()))
  valueOf(buildTool(room.as('ines'), 'HP-2207', 4, 'BX00144'))
})
const start = (change: object = {}) => startStudy(room.as('oda', 50), { ...START, ...change })
const measure = (who: 'ines' | 'oda', serial: string, x: number, minutes: number) =>
  valueOf(
    saveMeasurement(
      room.as(who, minutes),
      room.evidence,
      saving(serial, goodT4({ x }), { takenAt: later(minutes), reason: 'study' }),
    ),
  )

describe('a study of the bench', () => {
  it('leads through every turn, shows nothing before the last one, and then what it comes to', () => {
    valueOf(start())
    expect(lastEntry(room.db)).toContain('Study Diameter: 2 people, 2 tools, 2 times each')
    expect(isInStudy(room.db, 'BX00143')).toBe(true)
    for (let i = 0; i < 8; i++) {
      const { chosen } = readStudies(room.db, null)
      expect(chosen).toMatchObject({ done: i, of: 8, table: null, result: null })
      const { person, serial } = chosen!.next!
      measure(person as 'ines' | 'oda', serial, (serial === 'BX00143' ? 5 : 5.004) + 0.0005 * (i % 2), 60 + i)
    }
    const { chosen } = readStudies(room.db, null)
    expect(chosen).toMatchObject({ done: 8, next: null, bad: null })
    expect(chosen!.result!.pv).toBeGreaterThan(chosen!.result!.ev)
    expect(chosen!.result!.percentOfTolerance).toBeLessThan(60)
  })
  it('counts no measurement of before, of somebody else, or of after its end', () => {
    measure('ines', 'BX00143', 5, 40)
    const { id } = valueOf(start())
    valueOf(endStudy(room.as('oda', 55), id))
    measure('ines', 'BX00143', 5, 60)
    expect(readStudies(room.db, id).chosen).toMatchObject({ done: 0, ended: true, next: null })
    expect(codeOf(endStudy(room.as('oda', 70), id))).toBe('STUDY_ENDED')
    expect(isInStudy(room.db, 'BX00143')).toBe(false)
  })
  it('wants people and tools that are there', () => {
    expect(codeOf(start({ people: ['ines', 'nobody'] }))).toBe('UNKNOWN_PERSON')
    expect(codeOf(start({ serials: ['BX00143', 'BX00999'] }))).toBe('STUDY_TOOLS')
    expect(codeOf(endStudy(room.as('oda'), 77))).toBe('UNKNOWN_STUDY')
  })
})

describe('one tool of known size', () => {
  const ONE = { people: ['ines'], serials: ['BX00143'], repeats: 10, toleranceMm: 0.1, referenceMm: 10 } as const
  it('is measured by one person again and again, and says how good the bench is for these limits', () => {
    valueOf(start(ONE))
    // a spread that is none of the drawing's own
    for (let i = 0; i < 10; i++) measure('ines', 'BX00143', 5 + (i % 2 ? 0.0005 : -0.0005), 60 + i)
    const { chosen } = readStudies(room.db, null)
    expect(chosen).toMatchObject({ next: null, result: null, bad: null, referenceMm: 10 })
    const { type1 } = chosen!
    const values = chosen!.table![0][0]
    const mean = values.reduce((a, b) => a + b) / 10
    expect(type1!.n).toBe(10)
    expect(type1!.biasMm).toBeCloseTo(mean - 10, 9)
    expect(type1!.Cg).toBeGreaterThan(type1!.Cgk)
  })
  it.each([
    ['two people', { ...ONE, people: ['ines', 'oda'] }],
    ['no limits', { ...ONE, toleranceMm: null }],
    ['too few times', { ...ONE, repeats: 9 }],
    ['one person without a known size', { ...ONE, referenceMm: null }],
  ])('%s is refused', (_, given) => expect(contract.startStudy.input.safeParse({ ...START, ...given }).success).toBe(false))
})
