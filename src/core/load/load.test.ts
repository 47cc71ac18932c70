import { SI } from '@/core/units'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HERON } from '../../../test/support/machines'
import { loadSaidText } from '../../words/load'
import { SPINDLE, type Machine, type Magazine } from '../tool'
import {
  axesApartMm,
  inTheWay,
  isClear,
  loadRules,
  loadSteps,
  pocketStates,
  proposePocket,
  SILENT,
  stepNow,
  type LoadCase,
  type MachineState,
  type MagazineRoom,
  type Standing,
} from './index'

const CHAIN: Magazine = { form: 'chain', pitchMm: 90, gapMm: 2 }
const standing = (pocket: number, radiusMm = 31.5): Standing => ({
  pocket,
  t: pocket,
  serial: `BX${pocket}`,
  radiusMm,
  massKg: 1,
})
const room = (taken: readonly Standing[], magazine = CHAIN, pockets = 20): MagazineRoom => ({
  pockets,
  magazine,
  standing: taken,
})
const wish = (radiusMm: number, change = {}) => ({ radiusMm, given: null, usualRadiusMm: 31.5, atDoor: 1, ...change })

describe('room in a magazine', () => {
  it('two tools need the sum of their radii and the gap between their axes', () => {
    // plain geometry: 90 mm apart, 31.5 + 56.5 + 2 = 90 just fits, a hair more does not
    expect(inTheWay(room([standing(5, 56.5)]), 6, 31.5)).toEqual([])
    expect(inTheWay(room([standing(5, 56.51)]), 6, 31.5).map((s) => s.pocket)).toEqual([5])
    expect(inTheWay(room([standing(5, 160)]), 7, 31.5).map((s) => s.pocket)).toEqual([5])
  })
  it('a chain and a drum close, a rack has ends', () => {
    const ends = [standing(20, 60)]
    expect(inTheWay(room(ends), 1, 31.5)).toHaveLength(1)
    expect(inTheWay(room(ends, { ...CHAIN, form: 'drum' }), 1, 31.5)).toHaveLength(1)
    expect(inTheWay(room(ends, { ...CHAIN, form: 'rack' }), 1, 31.5)).toHaveLength(0)
  })
  it('across a drum it is the chord: opposite pockets are a diameter apart', () => {
    const drum = room([], { form: 'drum', pitchMm: 80, gapMm: 0 }, 6)
    // a regular hexagon: its circle's radius is its side
    expect(axesApartMm(drum, 1, 4)).toBeCloseTo(160, 9)
    expect(axesApartMm(drum, 1, 2)).toBeCloseTo(80, 9)
    expect(axesApartMm(drum, 1, 3)).toBeCloseTo(80 * Math.sqrt(3), 9)
  })
  it('narrow pockets say beside whom', () => {
    const states = pocketStates(room([standing(5, 60)]), 31.5)
    expect(states.filter((s) => s.type === 'narrow').map((s) => s.pocket)).toEqual([4, 6])
    expect(states[4]).toMatchObject({ type: 'taken' })
  })
})

describe('the proposed pocket', () => {
  it('is the one given at the bench, or none when that is not free', () => {
    expect(proposePocket(room([]), wish(31.5, { given: 7 }))).toMatchObject({
      pocket: 7,
      why: { code: 'GIVEN' },
    })
    expect(proposePocket(room([standing(7)]), wish(31.5, { given: 7 }))).toBeNull()
  })
  it('is the nearest to the loading place for an ordinary tool', () => {
    expect(proposePocket(room([standing(1)]), wish(31.5))?.pocket).toBe(2)
    expect(proposePocket(room([standing(1)]), wish(31.5, { atDoor: 19 }))?.pocket).toBe(19)
  })
  it('puts a wide tool where its neighbours are lost already', () => {
    // 60 at 5 takes 4 and 6; another 60 needs two pockets between: 7 shares the lost 6 and takes only 8
    const proposal = proposePocket(room([standing(5, 60)]), wish(60))
    expect([3, 7]).toContain(proposal?.pocket)
    expect(proposal?.why).toEqual({ code: 'FEWEST_NEIGHBOURS', neighbours: 1 })
  })
  it('never touches anybody, and takes no more room than any other free pocket would', () => {
    const some = fc.uniqueArray(
      fc.record({ pocket: fc.integer({ min: 1, max: 16 }), r: fc.double({ min: 20, max: 70, noNaN: true }) }),
      {
        selector: (s) => s.pocket,
        maxLength: 8,
      },
    )
    fc.assert(
      fc.property(
        some,
        fc.double({ min: 20, max: 70, noNaN: true }),
        fc.constantFrom('chain', 'drum', 'rack'),
        (list, r, form) => {
          const given = room(
            list.map((s) => standing(s.pocket, s.r)),
            { ...CHAIN, form },
            16,
          )
          const radius = Math.max(31.5, r)
          const proposal = proposePocket(given, wish(radius))
          const free = pocketStates(given, radius).filter((s) => s.type === 'free')
          if (!proposal) {
            expect(free).toEqual([])
            return
          }
          expect(inTheWay(given, proposal.pocket, radius)).toEqual([])
          const left = (pocket: number) =>
            pocketStates({ ...given, standing: [...given.standing, standing(pocket, radius)] }, 31.5).filter(
              (s) => s.type === 'free',
            ).length
          expect(left(proposal.pocket)).toBe(Math.max(...free.map((s) => left(s.pocket))))
        },
      ),
      { numRuns: 300 },
    )
  })
})

const NOW = '2026-11-25T12:00:00.000Z'
const STATE: MachineState = { ...SILENT, door: 'shut', atDoor: 1, toolAtDoor: false, inSpindle: false, changer: 'automatic' }
const good: LoadCase = {
  machine: { ...HERON, greatestKg: 8, radiusMm: { min: 0, max: 60 }, lengthMm: { min: 50, max: 300 } },
  tool: {
    serial: 'BX00142',
    t: 12,
    coupling: 'HSK-A63',
    condition: 'fit',
    stud: null,
    lengthMm: 152,
    widestMm: 20,
    massKg: 1.4,
    greatestRpm: 18000,
    balance: { grade: 1.9, rpm: 8000, wantedGrade: 2.5, goodToRpm: 10_500, elsewhere: null },
    sister: 0,
    definition: { id: 'D-12', name: 'End mill', version: 2, balance: null, route: 'as the machine' },
    currentVersion: 2,
    fallenAt: null,
  },
  measured: { at: '2026-11-25T10:00:00.000Z', verdict: 'holds' },
  madeFor: { key: 'HERON', name: 'Heron' },
  concession: null,
  secondOffset: null,
  held: null,
  jobs: [
    {
      id: 'HP-2207',
      maxSpindle: 8000,
      programs: [{ name: 'A.nc', hash: 'a' }],
      definition: { id: 'D-12', name: 'End mill' },
    },
  ],
  calls: [{ job: 'HP-2207', program: 'A.nc', h: [12], d: [] }],
  pocket: 3,
  givenPocket: null,
  inPocket: null,
  touches: [],
  sameT: null,
  state: { ...STATE, programs: [{ name: 'A.nc', hash: 'a' }] },
  row: {},
  register: 12,
  rowIsEmpty: true,
  rowIsOurs: false,
  sent: false,
  tableOpen: null,
  now: NOW,
}
const CONCESSION = {
  reason: 'roughing only',
  who: 'Oda',
  job: 'HP-2207',
  until: null,
  values: [{ key: 'DC', value: 19.9, min: 19.95, max: 20.05 }],
}
const tool = (change: Partial<LoadCase['tool']>) => ({ tool: { ...good.tool, ...change } })
const machine = (change: Partial<Machine>) => ({ machine: { ...good.machine, ...change } })

describe('the rules of loading', () => {
  it('a good tool holds them all', () => {
    const found = loadRules(good)
    expect(found.filter((f) => f.state !== 'holds')).toEqual([])
    expect(isClear(found, [])).toBe(true)
    expect(found.length).toBeGreaterThan(10)
  })
  it.each<[string, Partial<LoadCase>, string]>([
    ['control', { state: null }, 'refused'],
    ['right-machine', { madeFor: { key: 'DIPPER', name: 'Dipper' } }, 'refused'],
    ['taper', tool({ coupling: 'SK 40' }), 'refused'],
    ['stud', machine({ studForms: ['AD'] }), 'refused'],
    ['stud', { ...machine({ studForms: ['AD'] }), ...tool({ stud: { form: 'UD', tooOld: false } }) }, 'refused'],
    ['stud', { ...machine({ studForms: ['AD'] }), ...tool({ stud: { form: 'AD', tooOld: true } }) }, 'refused'],
    ['condition', tool({ condition: 'broken' }), 'refused'],
    ['wanted', { jobs: [] }, 'asks'],
    ['program', { state: { ...STATE, programs: [{ name: 'A.nc', hash: 'b' }] } }, 'refused'],
    ['program', { state: STATE }, 'noted'],
    ['measured', { measured: null }, 'asks'],
    ['measured', { measured: { at: '2026-11-01T10:00:00.000Z', verdict: 'holds' } }, 'asks'],
    ['measured', { measured: { at: '2026-11-25T10:00:00.000Z', verdict: 'off' } }, 'asks'],
    ['balance', tool({ balance: null }), 'asks'],
    ['balance', tool({ balance: { grade: 2.4, rpm: 6000, wantedGrade: 2.5, goodToRpm: 6250, elsewhere: null } }), 'asks'],
    // balanced to a coarser grade than its definition asks for
    [
      'balance',
      tool({
        balance: { grade: 6, rpm: 8000, wantedGrade: 6.3, goodToRpm: 8400, elsewhere: null },
        definition: { ...good.tool.definition!, balance: { grade: 2.5, rpm: 8000 } },
      }),
      'asks',
    ],
    // no program says its speed: its definition does
    [
      'balance',
      {
        ...tool({
          balance: { grade: 2.4, rpm: 6000, wantedGrade: 2.5, goodToRpm: 6250, elsewhere: null },
          definition: { ...good.tool.definition!, balance: { grade: 2.5, rpm: 8000 } },
        }),
        jobs: [],
      },
      'asks',
    ],
    ['balance', { ...tool({ balance: null }), jobs: [] }, 'asks'],
    ['balance', tool({ balance: null, definition: { ...good.tool.definition!, route: 'no balance' } }), 'noted'],
    ['balance', { ...tool({ balance: null }), ...machine({ route: 'no balance', limits: { balanceFromRpm: 9000 } }) }, 'noted'],
    ['balance', { ...tool({ balance: null }), ...machine({ route: 'no balance', limits: { balanceFromRpm: 8000 } }) }, 'asks'],
    ['condition', tool({ fallenAt: NOW }), 'refused'],
    ['version', tool({ currentVersion: 3 }), 'refused'],
    ['version', { jobs: [{ ...good.jobs[0], definition: { id: 'D-9', name: 'Drill' } }] }, 'refused'],
    ['offset', { calls: [{ job: 'HP-2207', program: 'A.nc', h: [4], d: [] }] }, 'asks'],
    [
      'offset',
      { calls: [{ job: 'HP-2207', program: 'A.nc', h: [4], d: [] }], secondOffset: { reason: 'spring pass', who: 'Oda' } },
      'noted',
    ],
    ['measured', { held: { code: 'DRIFTED', movedMm: 0.02, foundAt: NOW } }, 'asks'],
    ['concession', { concession: CONCESSION }, 'noted'],
    ['concession', { concession: { ...CONCESSION, job: 'HP-1' } }, 'refused'],
    ['concession', { concession: { ...CONCESSION, job: null, until: '2026-11-24' } }, 'refused'],
    ['concession', { concession: { ...CONCESSION, job: null, until: '2026-11-25' } }, 'noted'],
    ['speed', tool({ greatestRpm: 7000 }), 'refused'],
    ['mass', tool({ massKg: 8.1 }), 'asks'],
    ['mass', tool({ massKg: null }), 'asks'],
    ['mass', tool({ massKg: 6 }), 'noted'],
    ['length', tool({ lengthMm: 300.001 }), 'refused'],
    ['length', tool({ lengthMm: 49 }), 'refused'],
    ['diameter', tool({ widestMm: 60.001 }), 'refused'],
    ['pocket', { pocket: null }, 'refused'],
    ['pocket', { inPocket: standing(3) }, 'refused'],
    ['pocket', { givenPocket: 4 }, 'refused'],
    ['neighbours', { touches: [standing(4, 60)] }, 'refused'],
    ['register-idle', { state: { ...STATE, running: { program: 'A.nc', tools: [12] } } }, 'refused'],
    ['register-idle', { state: { ...STATE, spindle: 12 } }, 'refused'],
    ['one-t', { sameT: { pocket: 9, serial: 'BX9' } }, 'refused'],
    ['register-empty', { row: { length: 100 }, rowIsEmpty: false }, 'asks'],
    ['table', { tableOpen: { t: 4, job: 'HP-1' } }, 'asks'],
  ])('%s, broken: one finding, of that kind, with a sentence', (rule, change, state) => {
    const found = loadRules({ ...good, ...change }).filter((f) => f.rule === rule)
    expect(found.map((f) => f.state)).toEqual([state])
    expect(loadSaidText(found[0].said, { ...good, ...change }.machine, SI)).toMatch(/^[A-Z0-9].*[.\w]$/)
    expect(isClear(found, [])).toBe(state === 'noted')
    expect(isClear(found, [found[0].rule])).toBe(state !== 'refused')
  })
  it('a machine may make some of them stricter or milder, never those that hurt', () => {
    const strict = machine({ limits: { may: { balance: 'nobody' } } })
    expect(loadRules({ ...good, ...strict, ...tool({ balance: null }) }).find((f) => f.rule === 'balance')?.state).toBe('refused')
    const mild = machine({ limits: { may: { taper: 'anyone' } } })
    expect(loadRules({ ...good, ...mild, ...tool({ coupling: 'SK 40' }) }).find((f) => f.rule === 'taper')?.state).toBe('refused')
  })
  it('of a control that cannot be asked nothing is claimed: it is told what to look at', () => {
    const typed = { ...machine({ figures: 'typed' }), state: SILENT, row: null }
    const found = loadRules({ ...good, ...typed })
    expect(found.find((f) => f.rule === 'register-idle')).toMatchObject({ state: 'noted' })
    expect(found.some((f) => f.rule === 'register-empty')).toBe(false)
    const twice = loadRules({ ...good, ...typed, sameT: { pocket: 9, serial: 'BX9' } })
    expect(twice.find((f) => f.rule === 'one-t')?.state).toBe('refused')
  })
  it('by hand into the spindle a tool may be wider and heavier than the changer takes', () => {
    const wide = { ...tool({ widestMm: 90, massKg: 12 }), pocket: SPINDLE }
    const found = loadRules({ ...good, ...wide })
    expect(found.filter((f) => f.state === 'refused')).toEqual([])
    expect(found.find((f) => f.rule === 'mass')?.said.code).toBe('BY_LIFT')
  })
})

describe('the steps', () => {
  const at = (state: MachineState | null, ticks = {}, change: Partial<Machine> = {}, pocket = 3) =>
    stepNow(loadSteps({ ...good.machine, ...change }, pocket, state, ticks, false))
  it('go by the switches', () => {
    expect(at(STATE)).toBe('pocket')
    expect(at({ ...STATE, atDoor: 3 })).toBe('open')
    expect(at({ ...STATE, atDoor: 3, door: 'open' })).toBe('in')
    expect(at({ ...STATE, atDoor: 3, door: 'open', toolAtDoor: true })).toBe('shut')
    expect(at({ ...STATE, atDoor: 3, toolAtDoor: true })).toBe('written')
    // a tool in another pocket is not this one
    expect(at({ ...STATE, atDoor: 4, toolAtDoor: true })).toBe('pocket')
  })
  it('go by what is said where no switch watches', () => {
    const none = { switches: { door: false, pot: false } }
    const state = { ...STATE, atDoor: 3, door: null, toolAtDoor: null }
    expect(at(state, {}, none)).toBe('open')
    expect(at(state, { open: true }, none)).toBe('in')
    expect(at(state, { open: true, in: true }, none)).toBe('shut')
    expect(at(state, { open: true, in: true, shut: true }, none)).toBe('written')
    expect(
      loadSteps({ ...good.machine, ...none }, 3, state, {}, false)
        .filter((s) => !s.watched)
        .map((s) => s.step),
    ).toEqual(['open', 'in', 'shut'])
  })
  it('by hand into the spindle they begin with the changer', () => {
    expect(at(STATE, {}, {}, SPINDLE)).toBe('pocket')
    const manual = { ...STATE, changer: 'manual' as const }
    expect(at({ ...manual, door: 'open' }, {}, {}, SPINDLE)).toBe('in')
    expect(at({ ...manual, inSpindle: true }, {}, {}, SPINDLE)).toBe('written')
  })
})
