import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  accepts,
  anglesOf,
  arcsOf,
  checkComponent,
  couplingTable,
  factsOf,
  firstOf,
  KIND_NAMES,
  kindSpec,
  nextState,
  plainProfile,
  profileOf,
  propertiesOf,
  specOf,
  stationOf,
  TOOL_STATES,
  volumeCentre,
  type Component,
  type Definition,
  type PartOf,
  type PropertyKey,
  type ToolEvent,
} from './index'

const holder: PartOf<'shrink-holder'> = {
  kind: 'shrink-holder',
  id: 'H1',
  name: 'shrink holder Ø10',
  CCMS: 'HSK-A63',
  DCONWS: 10,
  boreMin: 9.978,
  boreMax: 9.983,
  LPR: 85,
  BD: 24,
  coneDeg: 4.5,
  heatedMm: 42,
  LSCN: 31,
  LSCX: 42,
  greatestC: 370,
  yieldMPa: 1100,
  RPMX: 30000,
  WT: 1,
  coil: '8 … 12',
}
const cutter: PartOf<'solid-cutter'> = {
  kind: 'solid-cutter',
  id: 'C1',
  name: 'end mill Ø10',
  form: 'corner',
  DC: 10,
  RE: 1,
  NOF: 4,
  OAL: 72,
  DMM: 10,
  shankClass: 'h6',
  shankMaterial: 'carbide',
  LCF: 22,
  WT: 0.08,
}

describe('a part from outside', () => {
  const codes = (raw: Record<string, unknown>) => {
    const checked = checkComponent(raw)
    return checked.ok ? [] : checked.error.map((f) => f.code)
  }
  it('that has everything its kind has is taken as it is', () => {
    expect(checkComponent({ ...cutter })).toEqual({ ok: true, value: cutter })
    expect(codes({ ...holder })).toEqual([])
  })
  it.each([
    ['no kind', { kind: '' }, ['UNKNOWN_KIND']],
    ['another kind', { kind: 'sprocket' }, ['UNKNOWN_KIND']],
    ['no number', { id: ' ' }, ['MISSING']],
    ['no diameter', { DC: undefined }, ['MISSING']],
    ['a diameter of 0', { DC: 0 }, ['OUT_OF_RANGE']],
    ['a negative length', { OAL: -72 }, ['OUT_OF_RANGE', 'CONTRADICTION']],
    ['text for a number', { DC: '10 mm' }, ['NOT_A_NUMBER']],
    ['NaN', { DC: NaN }, ['NOT_A_NUMBER']],
    ['half an edge', { NOF: 2.5 }, ['OUT_OF_RANGE']],
    ['an unknown form', { form: 'spoon' }, ['NOT_A_CHOICE']],
    ['a property of holders', { boreMin: 9 }, ['NOT_OF_THIS_KIND']],
    ['flutes longer than the tool', { LCF: 80 }, ['CONTRADICTION']],
  ])('%s', (_, change, wanted) => expect(codes({ ...cutter, ...change })).toEqual(wanted))
  it('a bore whose least is above its greatest', () => expect(codes({ ...holder, boreMin: 9.99 })).toEqual(['CONTRADICTION']))
  it('places round its axis are angles', () =>
    expect(codes({ ...holder, frontAngles: '0 60 400', drillNever: 'here' })).toEqual(['NOT_ANGLES', 'NOT_ARCS']))
  it('of any kind: what its own description allows passes, one step outside does not', () => {
    const middle = (key: PropertyKey): string | number => {
      const { quantity, choices, min = 1, max = 2 } = specOf(key)
      const texts: Partial<Record<typeof quantity, string>> = { text: 'x', coupling: 'SK 40', angles: '0 60 120', arcs: '40-80' }
      return choices?.[0] ?? texts[quantity] ?? (quantity === 'count' || quantity === 'months' ? min : (min + max) / 2)
    }
    // keeps every pair that has an order in it
    const ordered = {
      boreMin: 10,
      boreMax: 11,
      LSCN: 10,
      LSCX: 20,
      DCN: 5,
      DCX: 6,
      LCF: 10,
      OAL: 100,
      BD: 40,
      heatedMm: 30,
      LPR: 90,
    }
    for (const kind of KIND_NAMES) {
      const part: Record<string, unknown> = { kind, id: 'X', name: 'x' }
      for (const key of propertiesOf(kind)) part[key] = key in ordered ? ordered[key as keyof typeof ordered] : middle(key)
      expect([kind, codes(part)]).toEqual([kind, []])
      for (const key of kindSpec(kind).has) {
        const { max } = specOf(key)
        if (max !== undefined) expect(codes({ ...part, [key]: max * 1.01 + 1 }).length).toBeGreaterThan(0)
        expect(codes({ ...part, [key]: undefined })).toContain('MISSING')
      }
    }
  })
})

describe('places round an axis', () => {
  it.each([
    ['0 60 120', [0, 60, 120]],
    ['0°, 45.5; 90', [0, 45.5, 90]],
    ['', null],
    ['0 360', null],
    ['0 sixty', null],
    ['30 30', null],
  ])('%s', (text, angles) => expect(anglesOf(text)).toEqual(angles))
  it.each([
    [
      '40-80 200–230',
      [
        { from: 40, to: 80 },
        { from: 200, to: 230 },
      ],
    ],
    ['350-10', [{ from: 350, to: 10 }]],
    ['40', null],
    ['40-40', null],
    ['', null],
  ])('%s', (text, arcs) => expect(arcsOf(text)).toEqual(arcs))
})

describe('a definition', () => {
  const definition = {
    parts: [
      { role: 'holder', component: 'H1', alternatives: ['H2'], count: 1 },
      { role: 'cutter', component: 'C1', alternatives: [], count: 1 },
    ],
  } as unknown as Definition
  it('names its parts by role, with what may stand in', () => {
    expect([firstOf(definition, 'holder'), firstOf(definition, 'nut')]).toEqual(['H1', null])
    expect(['H1', 'H2', 'H3'].map((id) => accepts(definition, 'holder', id))).toEqual([true, true, false])
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
    const profile = profileOf([holder, cutter], 118, couplingTable())!
    expect(profile.parts.map((p) => p.part)).toEqual(['taper', 'flange', 'body', 'nose', 'shank', 'cut'])
    expect(profile.parts.every((p) => rising(p.points))).toBe(true)
    for (let i = 3; i < profile.parts.length; i++)
      expect(profile.parts[i].points[0][1]).toBeCloseTo(profile.parts[i - 1].points.at(-1)![1], 9)
    expect([profile.highMm, profile.lowMm, profile.cutRadiusMm]).toEqual([118, -32, 5])
    expect(profile.parts.at(-1)!.points.at(-1)).toEqual([0, 118])
  })
  it('show the corner form: an arc of RE, a ball to the axis, a square corner, a drill point', () => {
    const cut = (change: Partial<typeof cutter>) =>
      profileOf([holder, { ...cutter, ...change }], 118, couplingTable())!.parts.at(-1)!.points
    const arc = (points: readonly (readonly [number, number])[]) => points.slice(1, -1)
    expect(arc(cut({})).every(([r, z]) => Math.abs(Math.hypot(r - 4, z - 117) - 1) < 1e-9)).toBe(true)
    expect(arc(cut({ form: 'ball' })).every(([r, z]) => Math.abs(Math.hypot(r, z - 113) - 5) < 1e-9)).toBe(true)
    expect(cut({ RE: 0, form: 'square' })).toHaveLength(3)
    const [, shoulder, tip] = cut({ form: 'drill', SIG: 118 })
    expect(Math.atan2(shoulder[0] - tip[0], tip[1] - shoulder[1])).toBeCloseTo((59 * Math.PI) / 180, 9)
  })
  it('need a holder and a cutter', () => {
    expect(profileOf([holder], 100, couplingTable())).toBeNull()
    expect(profileOf([cutter as Component], 100, couplingTable())).toBeNull()
  })
  it('a tool of which little is known is a plain cylinder', () => {
    const profile = plainProfile(factsOf(couplingTable(), 'SK 40'), 100, 12, 3)
    expect(profile.parts.map((p) => p.part)).toEqual(['taper', 'flange', 'body', 'cut'])
    expect([profile.highMm, profile.edges, profile.lowMm]).toEqual([100, 3, expect.closeTo(-69, 9)])
  })
  it('the centre of a turned body: a cylinder in its middle, a cone at a quarter', () => {
    expect(
      volumeCentre([
        [2, 0],
        [2, 10],
      ]),
    ).toEqual([expect.closeTo(Math.PI * 40, 9), 5])
    expect(
      volumeCentre([
        [3, 0],
        [0, 12],
      ]),
    ).toEqual([expect.closeTo(Math.PI * 36, 9), expect.closeTo(3, 9)])
  })
})
