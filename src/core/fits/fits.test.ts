import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { USUAL_PRACTICE } from '../clamp'
import { couplingTable, type Component, type Definition, type Machine, type PartOf } from '../tool'
import {
  checkTool,
  chooseCollet,
  clampingOf,
  fitsCarrier,
  fitsCollet,
  fitsSeat,
  fitsStud,
  refuseHealth,
  refuseHolder,
  refuseStud,
  stackUp,
  whatFits,
  type HolderItem,
  type StackPart,
} from './index'

const colletHolder: PartOf<'collet-holder'> = {
  kind: 'collet-holder',
  id: 'HC',
  name: 'collet holder size 25',
  CCMS: 'HSK-A63',
  colletSystem: 'ISO 15488',
  colletSize: 25,
  LPR: 100,
  BD: 42,
  LSCX: 60,
  RPMX: 18000,
  WT: 1.3,
}
const collet = (DCX: number, change: Partial<PartOf<'collet'>> = {}): PartOf<'collet'> => ({
  kind: 'collet',
  id: `K${DCX}`,
  name: `collet ${DCX}`,
  colletSystem: 'ISO 15488',
  colletSize: 25,
  DCX,
  OAL: 34,
  WT: 0.07,
  ...change,
})
const nut: PartOf<'nut'> = {
  kind: 'nut',
  id: 'N',
  name: 'nut size 25',
  colletSystem: 'ISO 15488',
  colletSize: 25,
  TQ: 90,
  torqueSchool: 'rated for the size',
  lubricated: 'oiled',
  RPMX: 16000,
  WT: 0.16,
}
const drill: PartOf<'solid-cutter'> = {
  kind: 'solid-cutter',
  id: 'D',
  name: 'drill Ø10',
  form: 'drill',
  DC: 10,
  NOF: 2,
  OAL: 118,
  DMM: 10,
  shankClass: 'h6',
  shankMaterial: 'carbide',
  LCF: 60,
  WT: 0.12,
}
const machine = {
  key: 'HERON',
  coupling: 'HSK-A63',
  studForms: [],
  lengthMm: { min: 60, max: 300 },
  greatestKg: 8,
} as unknown as Machine
const definition: Definition = {
  id: 'D-1',
  version: 1,
  t: 6,
  name: 'drill',
  toolClass: 'drill',
  parts: [
    { role: 'holder', component: 'HC', alternatives: [], count: 1 },
    { role: 'nut', component: 'N', alternatives: [], count: 1 },
    { role: 'collet', component: 'K10', alternatives: [], count: 1 },
    { role: 'cutter', component: 'D', alternatives: [], count: 1 },
  ],
  LF: { nominal: 178, lower: -1, upper: 1 },
  DC: { nominal: 10, lower: -0.1, upper: 0.1 },
  RE: null,
  edges: 2,
  measure: ['LF', 'DC'],
  radialRunoutMax: 0.03,
  axialRunoutMax: 0.1,
  machines: ['HERON'],
  programRpm: 3400,
  torqueNm: null,
  reachMm: null,
  balance: null,
  route: 'as the machine',
  lifeMin: null,
  contour: null,
}
const parts = (...all: Component[]): StackPart[] => all.map((component) => ({ component, count: 1 }))
const usual = parts(colletHolder, nut, collet(10), drill)
const codes = (list: readonly StackPart[], change: Partial<Definition> = {}, machines: readonly Machine[] = [machine]) =>
  checkTool({ ...definition, ...change }, list, machines, USUAL_PRACTICE, couplingTable()).refusals.map((r) => r.code)

describe('collets', () => {
  it.each([
    [10, 10, []],
    [10, 9, []],
    [10, 8.99, ['SHANK_TOO_SMALL']],
    [10, 10.01, ['SHANK_TOO_LARGE']],
    [9, 10, ['SHANK_TOO_LARGE']],
    [3, 2.5, []],
    [3, 2.4, ['SHANK_TOO_SMALL']],
  ])('marked %d, shank %d (the number is its largest size; common practice, no source)', (DCX, shank, wanted) =>
    expect(fitsCollet(collet(DCX), shank).map((r) => r.code)).toEqual(wanted),
  )
  it('its own record says how far it closes, before the rule does', () =>
    expect(fitsCollet(collet(10, { DCN: 8 }), 8.2)).toEqual([]))
  it('a single-size collet holds exactly its size: no 6 mm shank in a 1/4 in collet', () => {
    const quarter = collet(6.35, { colletSystem: 'single size' })
    expect(fitsCollet(quarter, 6).map((r) => r.code)).toEqual(['NOT_THAT_SIZE'])
    expect(fitsCollet(quarter, 6.35)).toEqual([])
  })
  it('for an 8 mm shank an 8–7 is taken, not a 9–8', () => {
    expect(chooseCollet(8, [collet(9), collet(8), collet(10)])?.id).toBe('K8')
    expect(chooseCollet(8.2, [collet(9), collet(10, { DCN: 8 })])?.id).toBe('K9')
    expect(chooseCollet(20, [collet(9)])).toBeNull()
  })
  it('whatever the shank, the chosen collet is at least as large and no other that holds it is nearer', () => {
    const set = Array.from({ length: 13 }, (_, i) => collet(i + 4))
    fc.assert(
      // shanks to a micrometre: a hair above a size is the size
      fc.property(fc.integer({ min: 2000, max: 18000 }), (shankUm) => {
        const shank = shankUm / 1000
        const chosen = chooseCollet(shank, set)
        const holding = set.filter((c) => shank <= c.DCX && shank >= c.DCX - (c.DCX <= 3 ? 0.5 : 1))
        if (holding.length === 0) return chosen === null || Math.abs((chosen as (typeof set)[0]).DCX - shank) < 1.001
        return chosen !== null && (chosen as (typeof set)[0]).DCX === Math.min(...holding.map((c) => c.DCX))
      }),
    )
  })
})

describe('a tool', () => {
  it('whose parts fit has nothing against it', () => expect(codes(usual)).toEqual([]))
  it.each([
    ['a collet of another size', parts(colletHolder, nut, collet(10, { colletSize: 32 }), drill), ['OTHER_COLLET']],
    ['another nut', parts(colletHolder, { ...nut, colletSize: 32 }, collet(10), drill), ['OTHER_NUT']],
    ['no nut', parts(colletHolder, collet(10), drill), ['NO_PART']],
    ['a shank larger than the collet', parts(colletHolder, nut, collet(9), drill), ['SHANK_TOO_LARGE']],
    ['no cutter', parts(colletHolder, nut, collet(10)), ['NO_PART']],
    [
      'a shell mill in a collet',
      parts(colletHolder, nut, collet(10), { kind: 'shell-mill', DC: 10, LF: 78 } as Component),
      ['NOT_FOR_THIS_HOLDER'],
    ],
  ] as const)('%s', (_, list, wanted) => expect(codes(list as StackPart[])).toEqual(wanted))
  it.each([
    ['too shallow: under two thirds of the collet', { LF: { nominal: 200, lower: -1, upper: 1 } }, ['TOO_SHALLOW']],
    ['too deep', { LF: { nominal: 155, lower: -1, upper: 1 } }, ['TOO_DEEP', 'FLUTES_IN_BORE']],
    ['faster than its nut', { programRpm: 17000 }, ['TOO_FAST']],
    ['deeper than it reaches', { reachMm: 90 }, ['REACH_TOO_SHORT']],
    ['another diameter', { DC: { nominal: 9, lower: -0.1, upper: 0.1 } }, ['WRONG_DIAMETER']],
  ] as const)('%s', (_, change, wanted) => expect(codes(usual, change)).toEqual(wanted))
  it('too long or too heavy for the machine, or of another taper', () => {
    expect(codes(usual, {}, [{ ...machine, lengthMm: { min: 0, max: 150 } }])).toEqual(['TOO_LONG'])
    expect(codes(usual, {}, [{ ...machine, greatestKg: 1 }])).toEqual(['TOO_HEAVY'])
    expect(codes(usual, {}, [{ ...machine, coupling: 'SK 40' }])).toEqual(['WRONG_TAPER'])
  })
  it('says what limits the speed, and how long it is clear', () => {
    const stack = stackUp(usual, 178, couplingTable())!
    expect([stack.greatestRpm, stack.slowestPart]).toEqual([16000, 'nut size 25'])
    expect([stack.stickOutMm, stack.depthMm, stack.clearMm]).toEqual([78, 40, 78])
    expect(stack.depthLimitsMm!.min).toBeCloseTo(22.67, 2) // 2/3 of 34 mm, common practice
    expect(stack.massKg).toBeCloseTo(1.3 + 0.16 + 0.07 + 0.12, 9)
    expect(stack.centreMm).toBeGreaterThan(10)
    expect(stack.centreMm).toBeLessThan(80)
  })
  it('what is screwed on has its own length', () => {
    const arbor = {
      kind: 'shell-arbor',
      id: 'A',
      name: 'arbor',
      CCMS: 'HSK-A63',
      DCONWS: 22,
      LPR: 56,
      BD: 48,
      TQ: 50,
      keyMm: 10,
      RPMX: 15000,
      WT: 1.3,
    } as const
    const mill = {
      kind: 'shell-mill',
      id: 'M',
      name: 'mill',
      DC: 63,
      NOF: 6,
      LF: 40,
      DCONWS: 22,
      BD: 52,
      CICT: 6,
      SSC: 'S12',
      KAPR: 45,
      WT: 0.5,
    } as const
    const insert = { kind: 'insert', id: 'I', name: 'insert', SSC: 'S12', RE: 0.8, S: 5, insertEdges: 8, WT: 0.006 } as const
    const list = (count: number, change: Partial<typeof insert> = {}) => [
      ...parts(arbor, mill),
      { component: { ...insert, ...change } as Component, count },
    ]
    const wanted = {
      LF: { nominal: 96, lower: -0.5, upper: 0.5 },
      DC: { nominal: 63, lower: -0.1, upper: 0.1 },
      RE: { nominal: 0.8, lower: -0.1, upper: 0.1 },
      programRpm: 2500,
    }
    expect(codes(list(6), wanted)).toEqual([])
    expect(codes(list(5), wanted)).toEqual(['INSERT_COUNT'])
    expect(codes(list(6, { SSC: 'L11' as 'S12' }), wanted)).toEqual(['WRONG_SEAT'])
    expect(codes(list(6, { RE: 0.4 as 0.8 }), wanted)).toEqual(['WRONG_NOSE_RADIUS'])
    expect(codes(list(6), { ...wanted, LF: { nominal: 100, lower: -0.5, upper: 0.5 } })).toEqual(['LENGTH_OFF'])
    expect(codes(parts(arbor, mill), wanted)).toEqual(['NO_PART'])
    expect(clampingOf(list(6))).toBe('arbor')
  })
})

describe('holders', () => {
  const side = { kind: 'side-lock-holder', DCONWS: 16 } as Component
  const oil = { kind: 'hydraulic-holder', DCONWS: 16 } as Component
  const shank = (change: object) => ({ ...drill, DMM: 16, ...change }) as Component
  it.each([
    ['a side-lock without a flat', side, {}, ['NEEDS_FLAT']],
    ['a side-lock with a flat', side, { shankForm: 'flat' }, []],
    ['oil and a flat', oil, { shankForm: 'flat' }, ['FLAT_NOT_HERE']],
    ['oil and an h7 shank', oil, { shankClass: 'h7' }, ['SHANK_TOO_COARSE_HERE']],
    ['another bore', oil, { DMM: 12 }, ['WRONG_BORE']],
    ['a drill chuck, too thick', { kind: 'drill-chuck', DCN: 1, DCX: 13 } as Component, {}, ['SHANK_TOO_LARGE']],
    ['a drill chuck, too thin', { kind: 'drill-chuck', DCN: 1, DCX: 13 } as Component, { DMM: 0.8 }, ['SHANK_TOO_SMALL']],
  ] as const)('%s', (_, carrier, change, wanted) =>
    expect(fitsCarrier(carrier, shank(change)).map((r) => r.code)).toEqual(wanted),
  )
  it('pull studs: another taper or form is refused', () => {
    const stud = { kind: 'pull-stud', name: 'stud', CCMS: 'SK 40', studForm: 'AD' } as Component
    expect(fitsStud('SK 40', stud, ['AD'])).toEqual([])
    expect(fitsStud('SK 40', stud, ['UD']).map((r) => r.code)).toEqual(['WRONG_STUD'])
    expect(fitsStud('HSK-A63', stud, []).map((r) => r.code)).toEqual(['WRONG_STUD'])
  })
  it('a body without seats asks nothing of inserts', () => expect(fitsSeat(drill, drill, null)).toEqual([]))

  const item: HolderItem = {
    serial: 'BX1',
    component: 'HC',
    coupling: 'HSK-A63',
    retired: false,
    heats: 0,
    carries: false,
    carriesT: null,
    inspectBy: null,
    stud: null,
    studSince: null,
  }
  const NOW = '2026-11-25T08:00:00.000Z'
  it.each([
    [{}, []],
    [{ carries: true, carriesT: 4 }, ['HOLDER_CARRIES_TOOL']],
    [{ retired: true }, ['HOLDER_RETIRED']],
    [{ inspectBy: '2026-11-01T00:00:00.000Z' }, ['INSPECTION_DUE']],
  ])('%j', (change, wanted) =>
    expect(refuseHolder({ ...item, ...change }, colletHolder, colletHolder, drill, definition, NOW).map((r) => r.code)).toEqual(
      wanted,
    ),
  )
  it('of another type only when the parts list accepts it', () => {
    const other = { ...colletHolder, id: 'HX' }
    const ask = (d: Definition) =>
      refuseHolder({ ...item, component: 'HX' }, other, colletHolder, drill, d, NOW).map((r) => r.code)
    expect(ask(definition)).toEqual(['OTHER_TYPE'])
    const [first, ...rest] = definition.parts
    expect(ask({ ...definition, parts: [{ ...first, alternatives: ['HX'] }, ...rest] })).toEqual([])
  })
  it('past its number of heats it is held back', () => {
    const type = { ...colletHolder, greatestHeats: 200 } as Component
    expect(refuseHealth({ ...item, heats: 199 }, type, NOW)).toEqual([])
    expect(refuseHealth({ ...item, heats: 200 }, type, NOW).map((r) => r.code)).toEqual(['HEATS_USED_UP'])
  })
  it('the stud that is in it: known, of the right form, not too old', () => {
    const stud = { kind: 'pull-stud', name: 'stud', CCMS: 'SK 40', studForm: 'AD', ageMonths: 24 } as Component
    const ask = (change: Partial<HolderItem>, inIt: Component | null = stud) =>
      refuseStud({ ...item, ...change }, inIt, stud, NOW).map((r) => r.code)
    expect(ask({ stud: 'P', studSince: '2026-01-01T00:00:00.000Z' })).toEqual([])
    expect(ask({ stud: 'P', studSince: '2024-01-01T00:00:00.000Z' })).toEqual(['STUD_TOO_OLD'])
    expect(ask({}, null)).toEqual(['STUD_NOT_KNOWN'])
    expect(ask({ stud: 'P' }, { ...stud, studForm: 'UD' } as Component)).toEqual(['WRONG_STUD'])
    expect(refuseStud(item, null, null, NOW)).toEqual([])
  })
})

describe('what fits', () => {
  const library: Component[] = [
    colletHolder,
    { ...colletHolder, id: 'HS', CCMS: 'SK 40' },
    nut,
    { ...nut, id: 'N32', colletSize: 32 },
    ...[8, 9, 10, 11, 12].map((d) => collet(d)),
    collet(11, { id: 'K11w', DCN: 9 }),
    drill,
    { ...drill, id: 'D12', DC: 12, DMM: 12 },
  ]
  const of = (list: StackPart[], role: string) =>
    whatFits(definition, list, library, [machine], USUAL_PRACTICE, couplingTable()).find((c) => c.role === role)!
  it('gives every part that would do, what the parts list names first, collets nearest above', () => {
    expect(of(usual, 'collet').fits.map((c) => c.id)).toEqual(['K10', 'K11', 'K11w'])
    expect(of(usual, 'holder').fits.map((c) => c.id)).toEqual(['HC'])
    expect(of(usual, 'cutter').fits.map((c) => c.id)).toEqual(['D'])
  })
  it('offers the nearest where none fits', () => {
    const thick = parts(colletHolder, nut, collet(12), { ...drill, DMM: 14 })
    const { fits, nearest } = of(thick, 'collet')
    expect(fits).toEqual([])
    expect([nearest?.component.id, nearest?.refusals[0].code]).toEqual(['K12', 'SHANK_TOO_LARGE'])
  })
})
