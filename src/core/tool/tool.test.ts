import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  COUPLINGS,
  nextState,
  plainProfile,
  profileOf,
  refusalText,
  refuseHolder,
  refuseStack,
  stackUp,
  stationOf,
  TOOL_STATES,
  type Definition,
  type HolderItem,
  type ShrinkHolder,
  type SolidCutter,
  type ToolEvent,
} from './index'

const holder: ShrinkHolder = {
  kind: 'shrink-holder',
  id: 'H1',
  name: 'shrink holder Ø10',
  coupling: 'HSK-A63',
  boreMm: 10,
  boreLimits: { min: 9.978, max: 9.983 },
  projectionMm: 85,
  noseMm: 24,
  noseHalfAngleDeg: 4.5,
  heatedMm: 42,
  depth: { min: 31, max: 42 },
  greatestC: 370,
  yieldMPa: 1100,
  greatestRpm: 30000,
  massKg: 1,
  coil: '8 … 12',
}
const cutter: SolidCutter = {
  kind: 'solid-cutter',
  id: 'C1',
  name: 'end mill Ø10',
  form: 'corner',
  DC: 10,
  RE: 1,
  edges: 4,
  OAL: 72,
  DMM: 10,
  shankClass: 'h6',
  shankMaterial: 'carbide',
  LCF: 22,
  coolantBoreMm: 0,
  massKg: 0.08,
}
const definition = { LF: { nominal: 118, lower: -0.1, upper: 0.1 } } as Definition
const item: HolderItem = { serial: 'BX1', component: 'H1', retired: false, carries: false, carriesT: null, heats: 0 }
const codes = (change: Partial<HolderItem>, offered: Partial<ShrinkHolder> = {}) =>
  refuseHolder({ ...item, ...change }, { ...holder, ...offered }, holder, cutter).map((r) => r.code)

describe('what fits what', () => {
  it('a free holder of the right type', () => expect(codes({})).toEqual([]))
  it.each([
    [{ carries: true, carriesT: 4 }, {}, ['HOLDER_CARRIES_TOOL']],
    [{ retired: true }, {}, ['HOLDER_RETIRED']],
    [{}, { coupling: 'SK 40' as const }, ['WRONG_TAPER']],
    [{}, { boreMm: 12 }, ['WRONG_BORE']],
    [{}, { id: 'H2' }, ['OTHER_TYPE']],
    [
      { carries: true },
      { coupling: 'SK 40' as const, boreMm: 12, id: 'H2' },
      ['HOLDER_CARRIES_TOOL', 'WRONG_TAPER', 'WRONG_BORE'],
    ],
  ])('%j %j', (change, offered, wanted) => expect(codes(change, offered)).toEqual(wanted))
  it('stacks up: stick-out, depth, mass, the smallest speed', () => {
    expect(stackUp(definition, holder, cutter)).toEqual({ stickOutMm: 33, depthMm: 39, massKg: 1.08, greatestRpm: 30000 })
  })
  it.each([
    [39, 33, []],
    [30.9, 33, ['TOO_SHALLOW']],
    [42.1, 33, ['TOO_DEEP']],
    [50, 20, ['TOO_DEEP', 'FLUTES_IN_BORE']],
  ])('depth %d, out %d', (depthMm, stickOutMm, wanted) => {
    expect(refuseStack({ depthMm, stickOutMm, massKg: 1, greatestRpm: 1 }, holder, cutter).map((r) => r.code)).toEqual(wanted)
  })
  it('every refusal names the part and the number, and says what to do or what is wrong', () => {
    expect(refusalText({ code: 'WRONG_BORE', hasMm: 12, needsMm: 10 })).toBe(
      'Wrong bore: this holder takes 12 mm, the shank is 10 mm.',
    )
    expect(refusalText({ code: 'HOLDER_CARRIES_TOOL', serial: 'BX1', t: null })).toContain('already carries a tool')
    expect(refusalText({ code: 'TOO_SHALLOW', depthMm: 30.9, leastMm: 31 })).toContain('at least 31 mm')
    expect(refusalText({ code: 'NONE_IN_STOCK', name: 'end mill' })).toContain('No end mill left')
  })
})

describe('the life of a tool', () => {
  const EVENTS: ToolEvent[] = ['save-measurement', 'release', 'load', 'disturb', 'take-apart']
  it('goes from built to loaded only by measuring and releasing', () => {
    expect(nextState('built', 'release')).toBeNull()
    expect(nextState('built', 'load')).toBeNull()
    expect(nextState('measured', 'load')).toBeNull()
    expect(
      (['save-measurement', 'release', 'load'] as const).reduce<(typeof TOOL_STATES)[number]>(
        (s, e) => nextState(s, e)!,
        'built',
      ),
    ).toBe('loaded')
  })
  it('whatever disturbs a tool sets it back to be measured', () => {
    for (const state of ['built', 'measured', 'released'] as const) expect(nextState(state, 'disturb')).toBe('built')
  })
  it('whatever happens, a tool is loaded only straight after a release', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...EVENTS), { maxLength: 40 }), (events) => {
        let state: (typeof TOOL_STATES)[number] = 'built'
        let before: ToolEvent | null = null
        for (const event of events) {
          const next = nextState(state, event)
          if (!next) continue
          if (next === 'loaded') expect(before).toBe('release')
          state = next
          before = event
        }
      }),
    )
  })
  it('waits at the station of its next step', () => {
    expect(TOOL_STATES.map(stationOf)).toEqual(['measure', 'hand-over', 'load', null, null])
  })
})

describe('profiles for drawings', () => {
  const rising = (points: readonly (readonly [number, number])[]) => points.every(([, z], i) => i === 0 || z >= points[i - 1][1])
  it('rise from the taper to the tip without a gap', () => {
    const profile = profileOf(holder, cutter, 118)
    expect(profile.parts.map((p) => p.part)).toEqual(['taper', 'flange', 'body', 'nose', 'shank', 'cut'])
    expect(profile.parts.every((p) => rising(p.points))).toBe(true)
    for (let i = 3; i < profile.parts.length; i++)
      expect(profile.parts[i].points[0][1]).toBeCloseTo(profile.parts[i - 1].points.at(-1)![1], 9)
    expect([profile.highMm, profile.lowMm, profile.cutRadiusMm]).toEqual([118, -32, 5])
    expect(profile.parts.at(-1)!.points.at(-1)).toEqual([0, 118])
  })
  it('show the corner form: an arc of RE, a ball to the axis, a square corner', () => {
    const cut = (change: Partial<SolidCutter>) => profileOf(holder, { ...cutter, ...change }, 118).parts.at(-1)!.points
    expect(
      cut({})
        .slice(1, -1)
        .every(([r, z]) => Math.abs(Math.hypot(r - 4, z - 117) - 1) < 1e-9),
    ).toBe(true)
    expect(
      cut({ form: 'ball' })
        .slice(1, -1)
        .every(([r, z]) => Math.abs(Math.hypot(r, z - 113) - 5) < 1e-9),
    ).toBe(true)
    expect(cut({ RE: 0, form: 'square' })).toHaveLength(3)
  })
  it('a tool of which little is known is a plain cylinder', () => {
    const profile = plainProfile('SK 40', 100, 12, 3)
    expect(profile.parts.map((p) => p.part)).toEqual(['taper', 'flange', 'body', 'cut'])
    expect([profile.highMm, profile.edges, profile.lowMm]).toEqual([
      100,
      3,
      Math.min(...COUPLINGS['SK 40'].taper.map(([, z]) => z)),
    ])
  })
})
