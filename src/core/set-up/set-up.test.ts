import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { couplingTable, STANDARD_COUPLINGS } from '../tool'
import {
  cellsOf,
  couplingRow,
  fieldsOf,
  machineOf,
  machineRow,
  newCells,
  readCell,
  readRow,
  readTable,
  SET_UP,
  SET_UP_LISTS,
  type FieldSpec,
  type Known,
  type Row,
} from './index'

const couplings = couplingTable()
const KNOWN: Known = {
  coupling: (name) => couplings.has(name),
  post: (name) => name === 'word-address-mill',
  part: (id) => id === 'H1',
  place: (id) => id === 'A-1',
}
const cell = (spec: Omit<FieldSpec, 'group'>, text: string, unit: 'mm' | 'inch' = 'mm') =>
  readCell({ ...spec, group: '' }, text, unit, KNOWN)

describe('a cell', () => {
  it.each([
    ['a length in the unit of its column', { kind: 'length', min: 0, max: 500 }, '12', 304.8],
    ['with a unit of its own', { kind: 'length', min: 0, max: 500 }, '12 mm', 12],
    ['as a fraction', { kind: 'length', min: 0, max: 500 }, '1 3/4 in', 44.45],
    ['a limit that is no round number in inches', { kind: 'length', min: 0, max: 300 }, '11.811023622', 299.9999999988],
    ['a number', { kind: 'count', min: 1, max: 500 }, '24', 24],
    ['a mass with its unit', { kind: 'mass', min: 0.1, max: 500 }, '6,5 kg', 6.5],
    ['a choice, however it is written', { kind: 'choice', choices: ['mill', 'lathe'] }, 'Mill', 'mill'],
    ['yes', { kind: 'yes' }, 'X', true],
    ['no', { kind: 'yes' }, '', false],
    ['words', { kind: 'words' }, 'AD, B', ['AD', 'B']],
    ['a mark, as it is kept', { kind: 'mark' }, ' ms-cat40-1 ', 'MS-CAT40-1'],
    ['a day', { kind: 'day' }, '2028-02-29', '2028-02-29'],
    ['nothing where it may be', { kind: 'text', may: true }, ' ', null],
  ] as const)('%s', (_, spec, text, value) => {
    const read = cell(spec, text, 'inch')
    expect(read).toEqual({ ok: true, value: typeof value === 'number' ? expect.closeTo(value, 6) : value })
  })
  it.each([
    ['nothing where something must be', { kind: 'text' }, '', 'EMPTY'],
    ['no number', { kind: 'length' }, 'long', 'NO_NUMBER'],
    ['a number of which nobody knows whether its comma counts thousands', { kind: 'length' }, '1,250', 'COMMA'],
    ['a speed with a comma, which is not 12', { kind: 'count', min: 1, max: 200_000 }, '12,000', 'COMMA'],
    ['a part of a pocket', { kind: 'count' }, '24.5', 'NO_WHOLE_NUMBER'],
    ['too much', { kind: 'count', min: 1, max: 500 }, '501', 'RANGE'],
    ['a word that is no choice', { kind: 'choice', choices: ['mm', 'inch'] }, 'cm', 'NO_CHOICE'],
    ['neither yes nor no', { kind: 'yes' }, 'perhaps', 'NO_CHOICE'],
    ['a day that is none', { kind: 'day' }, '2027-02-29', 'NO_DAY'],
    ['a month that there is not', { kind: 'day' }, '2027-13-01', 'NO_DAY'],
    ['a day as others write it', { kind: 'day' }, '31.03.2027', 'NO_DAY'],
    ['a name with a line end', { kind: 'text' }, 'a\u0000b', 'LONG'],
    ['a coupling that the shop has not', { kind: 'coupling' }, 'CAT 41', 'NOT_THERE'],
    ['a key with a blank', { kind: 'key' }, 'KITE 2', 'NO_KEY'],
    ['a mark that would end a label', { kind: 'mark' }, 'A|B', 'NO_MARK'],
  ] as const)('%s is a fault', (_, spec, text, code) => expect(cell(spec, text)).toMatchObject({ ok: false, error: { code } }))
})

const KITE = {
  key: 'kite',
  name: 'Kite',
  coupling: 'CAT 40',
  unit: 'inch',
  decimals: '4',
  lengthFrom: '2',
  lengthTo: '12',
  studForms: 'B',
}

describe('a row', () => {
  it('takes what is left out from a new row, in mm, whatever the reader’s unit', () => {
    const read = readRow('machine', KITE, 'inch', KNOWN)
    expect(read).toMatchObject({ ok: true, value: { pockets: 24, pitchMm: 90, lengthTo: expect.closeTo(304.8, 9), door: false } })
  })
  it('tells every fault by its field', () => {
    const read = readRow('machine', { ...KITE, coupling: 'CAT', pockets: 'many', lengthFrom: '13' }, 'inch', KNOWN)
    expect(read).toEqual({
      ok: false,
      error: {
        coupling: { code: 'NOT_THERE', kind: 'coupling' },
        pockets: { code: 'NO_NUMBER' },
        lengthFrom: { code: 'LARGER', than: 'lengthTo' },
      },
    })
  })
  it('keeps of a machine what its other sheets say', () => {
    const row = (readRow('machine', KITE, 'inch', KNOWN) as { value: Row<'machine'> }).value
    const label = { widthMm: 40, heightMm: 20, title: 'T', lines: [] }
    const before = { ...machineOf(row, null), label, limits: { measuredDays: 3 }, version: 7 }
    expect(machineOf({ ...row, name: 'Kite 2' }, before)).toEqual({ ...before, name: 'Kite 2' })
    expect(machineRow(before)).toEqual(row)
  })
})

/** Rows of any list, as they are kept. */
const rowOf = (list: (typeof SET_UP_LISTS)[number]) => {
  const value = (spec: FieldSpec): fc.Arbitrary<unknown> => {
    const { kind, min = 0, max = 80, choices = [] } = spec
    const word = fc.stringMatching(/^[A-Z][A-Z0-9]{2,8}$/)
    const one = {
      choice: () => fc.constantFrom(...choices),
      coupling: () => fc.constantFrom(...couplings.keys()),
      post: () => fc.constant('word-address-mill'),
      part: () => fc.constant('H1'),
      place: () => fc.constant('A-1'),
      length: () => fc.integer({ min: Math.ceil(min * 1e4), max: Math.floor(max * 1e4) }).map((n) => n / 1e4),
      count: () => fc.integer({ min, max }),
      mass: () => fc.integer({ min: Math.ceil(min * 10), max: Math.floor(max * 10) }).map((n) => n / 10),
      address: () => fc.constantFrom('10.0.0.12', 'kite.local:5000', 'agent:5000/Kite-1'),
      day: () => fc.constantFrom('2027-01-31', '2028-02-29'),
      yes: () => fc.boolean(),
      words: () => fc.array(word, { maxLength: 3 }),
      key: () => word.map((w) => (spec.letters === 'small' ? w.toLowerCase() : w)),
      mark: () => word,
      text: () => word,
    }[kind]() as fc.Arbitrary<unknown>
    return spec.may && kind !== 'words' ? fc.option(one, { nil: null }) : one
  }
  return fc.record(Object.fromEntries(fieldsOf(list).map(([key, spec]) => [key, value(spec)])))
}
const sorted = (row: Record<string, unknown>) => {
  for (const [a, b] of [
    ['registersFrom', 'registersTo'],
    ['lengthFrom', 'lengthTo'],
    ['radiusFrom', 'radiusTo'],
  ])
    if (Number(row[a]) > Number(row[b]))
      [row[a], row[b]] = [Math.min(Number(row[a]), Number(row[b])), Math.max(Number(row[a]), Number(row[b]))]
  return row
}
/** Equal to a tenth of a micrometre: what a form in inches shows has six decimals. */
const near = (row: object) =>
  Object.fromEntries(
    Object.entries(row).map(([key, value]) => [key, typeof value === 'number' ? expect.closeTo(value, 4) : value]),
  )

describe('a form', () => {
  it.each(SET_UP_LISTS)('of a %s shows what reads as the same row, in both units', (list) => {
    fc.assert(
      fc.property(rowOf(list), fc.constantFrom('mm' as const, 'inch' as const), (made, unit) => {
        const row = sorted(made) as unknown as Row<typeof list>
        const read = readRow(list, cellsOf(list, row, unit), unit, KNOWN)
        // in inches a limit may be left by less than its last decimal
        if (!read.ok)
          expect(Object.values(read.error).every(({ code }) => code === 'RANGE' || code === 'LARGER')).toBe(unit === 'inch')
        else expect(read.value).toEqual(near(row))
      }),
    )
  })
  it('of a new row is complete but for what nobody can know', () => {
    const open = SET_UP_LISTS.map((list) => {
      const read = readRow(list, newCells(list, 'inch'), 'inch', KNOWN)
      return [list, read.ok ? [] : Object.keys(read.error)]
    })
    expect(Object.fromEntries(open)).toMatchObject({ machine: ['key', 'name', 'coupling'], person: ['id', 'name'] })
  })
})

describe('a table', () => {
  const names = (heading: string) => ({ 'short name': 'key', takes: 'coupling' })[heading] ?? heading
  const columnOf = (heading: string) => {
    const key = fieldsOf('machine').find(([k]) => k.toLowerCase() === names(heading))?.[0]
    return key ?? null
  }
  const read = (columns: string[], ...rows: string[][]) =>
    readTable('machine', { columns, rows, lines: rows.map((_, i) => i + 2) }, 'mm', KNOWN, columnOf, (name) => name === 'HERON')
  it('takes its columns in any order, by the name on the screen, lengths in the unit behind it', () => {
    const done = read(
      ['Takes', 'short name', 'Name', 'lengthTo (in)'],
      ['CAT 40', 'KITE', 'Kite', '12'],
      ['SK 40', 'WREN', 'Wren', '250 mm'],
    )
    expect(done).toMatchObject({
      ok: true,
      value: [
        { key: 'KITE', lengthTo: expect.closeTo(304.8, 9) },
        { key: 'WREN', lengthTo: 250 },
      ],
    })
  })
  it('tells every fault by line and column, and takes nothing', () => {
    const done = read(
      ['key', 'name', 'coupling', 'pockets'],
      ['KITE', 'Kite', 'CAT 40', '0'],
      ['kite', 'K', 'CAT 40', ''],
      ['HERON', 'H', 'XX', '3'],
      ['HERON', 'H', 'SK 40', '3'],
    )
    expect(done).toEqual({
      ok: false,
      error: [
        { line: 2, column: 'pockets', fault: { code: 'RANGE', min: 1, max: 500, length: false } },
        { line: 4, column: 'coupling', fault: { code: 'NOT_THERE', kind: 'coupling' } },
        { line: 5, column: 'key', fault: { code: 'THERE_ALREADY' } },
      ],
    })
    expect(read(['key', 'name', 'coupling'], ['KITE', 'Kite', 'CAT 40'], ['kite', 'K', 'CAT 40'])).toMatchObject({
      error: [{ line: 3, column: 'key', fault: { code: 'TWICE', line: 2 } }],
    })
  })
  it('tells a column that is missing, and one that means nothing', () => {
    expect(read(['key', 'name', 'colour'], ['KITE', 'Kite', 'red'])).toEqual({
      ok: false,
      error: [
        { line: 1, column: 'colour', fault: { code: 'UNKNOWN_COLUMN' } },
        { line: 1, column: 'coupling', fault: { code: 'NO_COLUMN' } },
      ],
    })
  })
})

describe('the standard couplings', () => {
  it('steep tapers of 30, 40 and 50 have 31.75, 44.45 and 69.85 mm at the gauge line, whoever’s flange (ISO 7388-1, from memory)', () => {
    const gauge = (size: number) => ['SK', 'BT', 'CAT'].map((kind) => couplings.get(`${kind} ${size}`)!.gaugeMm)
    expect([30, 40, 50].map(gauge)).toEqual([Array(3).fill(31.75), Array(3).fill(44.45), Array(3).fill(69.85)])
  })
  it('are rows like any other, each name once', () => {
    for (const facts of STANDARD_COUPLINGS)
      expect([facts.name, readRow('coupling', cellsOf('coupling', couplingRow(facts), 'mm'), 'mm', KNOWN).ok]).toEqual([
        facts.name,
        true,
      ])
    expect(new Set(STANDARD_COUPLINGS.map(({ name }) => name)).size).toBe(STANDARD_COUPLINGS.length)
  })
  it('only steep tapers have a pull stud, and each is smaller inside than at its gauge line', () => {
    expect(STANDARD_COUPLINGS.every(({ form, stud }) => stud === (form === 'steep'))).toBe(true)
    expect(SET_UP.coupling.by).toBe('name')
  })
})
