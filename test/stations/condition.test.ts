import { inTransaction } from '@/db/connection'
/** What must not be used as it is: hot, fallen, worn or broken. */
import { describe, expect, it } from 'vitest'
import { STANDARD_PRACTICE } from '@/core/clamp'
import { getAssembly } from '@/db/assembly/read'
import { getHolder } from '@/db/library/read'
import { listRecord } from '@/db/record/read'
import { beginBuild } from '@/stations/build/begin-build'
import { heatOutByHand } from '@/stations/build/heat-out'
import { correctCondition, disturb, readApart, takeApart } from '@/stations/build/take-apart'
import { keepPractice, practiceOf } from '@/stations/practice'
import { answerScan } from '@/stations/scan/answer-scan'
import { countWaiting, readRack } from '@/stations/rack/rack'
import { setCondition } from '@/db/assembly/write'
import {
  codeOf,
  goodT4,
  lastEntry,
  later,
  measured,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'

const scrap = { component: 'C-EM10R10', count: 1, to: 'scrap' as const, wear: '' }
const stands = (room: ToolRoom) => getAssembly(room.db, 'BX00143')!

const set = (room: ToolRoom, condition: 'worn' | 'broken') =>
  inTransaction(room.db, (tx) => setCondition(tx, stands(room), condition))

describe('a holder that was heated', () => {
  it('is hot until it has cooled, also when the tool on it is gone', () => {
    const room = withT4(withJobs(toolRoom()))
    valueOf(heatOutByHand(room.as('ines', 80), 'BX00143', 'air', null))
    valueOf(takeApart(room.as('ines', 81), { serial: 'BX00143', dispositions: [scrap] }))
    const holder = getHolder(room.db, 'BX00143')!
    expect(holder.carries).toBe(false)
    expect(Date.parse(holder.heat!.touchAt)).toBeGreaterThan(Date.parse(later(81)))
    expect(codeOf(beginBuild(room.as('ines', 82), 'HP-2207', 4, 'BX00143'))).toBe('HOLDER_HOT')
    expect(codeOf(beginBuild(room.as('ines', 1500), 'HP-2207', 4, 'BX00143'))).toBe('ok')
  })
  it('gets one heat, then cools fully', () => {
    const room = withT4(withJobs(toolRoom()))
    // its cutter went in a minute ago
    const refused = heatOutByHand(room.as('ines', 0.2), 'BX00143', 'contact', null)
    expect(codeOf(refused)).toBe('JOINT_WARM')
    expect(readApart(room.db, 'BX00143', later(0.2))!.heat!.hotUntil).not.toBeNull()
  })
})

describe('a tool that was dropped', () => {
  it('keeps its holder from being built on until somebody has inspected it', () => {
    const room = withT4(withJobs(toolRoom()))
    valueOf(disturb(room.as('ines', 60), 'BX00143', 'dropped'))
    valueOf(heatOutByHand(room.as('oda', 70), 'BX00143', 'contact', 'cutter is chipped'))
    valueOf(takeApart(room.as('ines', 75), { serial: 'BX00143', dispositions: [scrap] }))
    expect(codeOf(beginBuild(room.as('ines', 300), 'HP-2207', 4, 'BX00143'))).toBe('HOLDER_FELL')
  })
})

describe('a worn or broken tool', () => {
  it.each(['worn', 'broken'] as const)('that is %s waits at no station, and its cutter goes to scrap first', (condition) => {
    const room = measured(withT4(withJobs(toolRoom())))
    expect(countWaiting(room.db, later(61)).balance).toBe(1)
    set(room, condition)
    expect(countWaiting(room.db, later(61)).balance).toBe(0)
    expect(answerScan(room.db, 'BX00143', later(61))).toMatchObject({ tone: 'off', href: '/tools/BX00143' })
    expect(readApart(room.db, 'BX00143', later(61))!.scrapFirst).toBe(true)
  })
  it('called so by mistake is corrected, with the reason in the record', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    expect(codeOf(correctCondition(room.as('ines', 61), 'BX00143', 'looked twice'))).toBe('NOT_WORN')
    set(room, 'worn')
    valueOf(correctCondition(room.as('ines', 62), 'BX00143', 'looked twice'))
    expect(stands(room).condition).toBe('fit')
    expect(lastEntry(room.db)).toContain('looked twice')
  })
})

describe('a tool that is out of tolerance', () => {
  it('waits to be corrected and measured again, not to be handed over', () => {
    const long = goodT4({ z: 118.4 })
    const room = measured(withT4(withJobs(toolRoom())), 'BX00143', long)
    expect(readRack(room.db, 'hand-over', later(61)).items).toEqual([])
    expect(readRack(room.db, 'measure', later(61)).items.map((r) => r.key)).toEqual(['BX00143'])
    expect(answerScan(room.db, 'BX00143', later(61))).toMatchObject({ tone: 'off', href: '/measure/BX00143' })
  })
})

describe('values of practice', () => {
  it('are changed inside of what can be, and go back to the standard', () => {
    const room = toolRoom()
    expect(codeOf(keepPractice(room.as('oda'), 'guardSigmas', 30))).toBe('OUT_OF_RANGE')
    valueOf(keepPractice(room.as('oda'), 'guardSigmas', 1.65))
    expect(practiceOf(room.db)).toEqual({ ...STANDARD_PRACTICE, guardSigmas: 1.65 })
    valueOf(keepPractice(room.as('oda'), 'guardSigmas', null))
    expect(practiceOf(room.db)).toEqual(STANDARD_PRACTICE)
    expect(listRecord(room.db)[0].what).toBe('practice changed')
  })
})
