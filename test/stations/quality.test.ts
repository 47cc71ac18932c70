/** Records › Quality: set values against their limits, put together by what is asked. */
import { describe, expect, it } from 'vitest'
import { readQuality } from '@/stations/records/quality'
import type { QualityAsked } from '@/stations/records/contract'
import { goodT4, later, measured, toolRoom, withJobs, withT4 } from '../support/tool-room'

const asked = (change: Partial<QualityAsked> = {}): QualityAsked => ({ by: 'tool', feature: 'DC', days: 90, ...change })

describe('quality', () => {
  it('counts each tool once, by its last measurement', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    measured(room, 'BX00143', goodT4({ x: 5.002 }), 90)
    const view = readQuality(room.db, later(100), asked())
    expect(view.tools).toBe(1)
    const [group] = view.groups
    expect(group).toMatchObject({ count: 1, in: 'mm', found: null, verdict: { type: 'too few' } })
    expect(group.name).toMatch(/^T4 /)
    expect(group.bins.reduce((sum, b) => sum + b.count, 0)).toBe(1)
    expect(group.bins[0].from).toBeCloseTo(10.004, 2)
  })
  it.each([
    ['class', /rough|finish/],
    ['machine', /Heron/],
    ['person', /Ines/],
    ['holder', /./],
  ] as const)('puts tools together by %s', (by, name) => {
    const room = measured(withT4(withJobs(toolRoom())))
    expect(readQuality(room.db, later(100), asked({ by })).groups[0].name).toMatch(name)
  })
  it('looks no farther back than is asked, and says what was judged at all', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    const view = readQuality(room.db, later(60 * 24 * 40), asked({ days: 30 }))
    expect(view).toMatchObject({ tools: 0, groups: [], features: [] })
    expect(readQuality(room.db, later(100), asked()).features).toEqual(expect.arrayContaining(['LF', 'DC', 'radialRunout']))
  })
})
