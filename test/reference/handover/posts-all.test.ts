/**
 * All posts over all options, through the control's own readers (standins/control), which share no code with the posts:
 * post, control, table, and back to the measured values. Register meaning: word-address mills and lathes from memory;
 * G10 L1 and the tool table text of the open-source RS-274 interpreter (NISTIR 6556, and its user's manual from memory);
 * CSV RFC 4180 re-read by papaparse; the asset document well-formed, with element names and codes of MTConnect Part 4.
 */
import { XMLParser, XMLValidator } from 'fast-xml-parser'
import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { postFileName, renderPost, SHIPPED_POSTS, type PostTool } from '@/codecs/post'
import { compareTable, registersOf, type HeldRow } from '@/core/handover'
import { USUAL_TABLE, type Machine, type TableOptions } from '@/core/tool'
import { takeFile } from '../../../standins/control/gateway'
import { NO_MODAL, Refused, type MachineFacts } from '../../../standins/control/interpreter'
import { HERON } from '../../support/machines'

const tool = (change: Partial<PostTool> = {}): PostTool => ({
  serial: 'BX00142',
  issue: 3,
  t: 12,
  machine: 'HERON',
  unit: 'mm',
  lengthMm: 152.3141,
  radiusMm: 9.9987,
  cornerRadiusMm: 1.4981,
  pocket: 4,
  measuredAt: '2026-11-25T10:42:00.000Z',
  name: 'End mill Ø18 R1.2',
  ...change,
})
const facts = (m: Machine, post: string): MachineFacts => ({
  name: m.name,
  unit: m.unit,
  decimals: m.decimals,
  sizeIs: m.sizeRegister,
  highestTool: 500,
  kind: m.kind,
  dialect: post === 'rs274-mill' ? 'rs274' : 'word address',
})
function file(machine: Machine, post: string, tools: readonly PostTool[]): string {
  const made = renderPost(SHIPPED_POSTS[post], { machine, madeAt: '2026-11-25T10:42:00Z', tools })
  if (!made.ok) throw new Error(made.error.detail)
  return made.value
}
function held(machine: Machine, post: string, text: string): Map<number, HeldRow> {
  const { sizeRegister: is } = machine
  return new Map(
    Object.entries(takeFile(facts(machine, post), {}, text, NO_MODAL).table).map(([row, o]) => {
      const named = {
        length: o.length,
        'length wear': o.lengthWear,
        [is]: o.size,
        [`${is} wear`]: o.sizeWear,
        [`X ${is}`]: o.x,
        Z: o.z,
        'nose radius': o.nose,
        tip: o.tip,
        'X wear': o.xWear,
        'Z wear': o.zWear,
      }
      return [Number(row), Object.fromEntries(Object.entries(named).filter(([, v]) => v !== undefined))]
    }),
  )
}

/** The open-source interpreter's table has no wear. */
const KEEPS_WEAR = ['rs274-mill']
const MILL = ['word-address-mill', 'rs274-mill', 'tool-table', 'csv', 'asset', 'json']
const LATHE = ['turning', 'csv', 'json']

const options = (post: string): fc.Arbitrary<Machine> =>
  fc
    .record({
      unit: fc.constantFrom('mm' as const, 'inch' as const),
      more: fc.integer({ min: 0, max: 1 }),
      sizeRegister: fc.constantFrom('radius' as const, 'diameter' as const),
      master: fc.option(fc.double({ min: 20, max: 200, noNaN: true })),
      numberFrom: fc.constantFrom('T' as const, 'pocket' as const, 'table' as const),
      wear: fc.constantFrom('zero' as const, 'keep' as const),
      sisters: fc.constantFrom<TableOptions['sisters']>(
        { type: 'none' },
        { type: 'own T', step: 100 },
        { type: 'copies', step: 100 },
      ),
      absoluteWord: fc.boolean(),
    })
    .map(({ unit, more, sizeRegister, master, numberFrom, wear, sisters, absoluteWord }) => {
      const table: TableOptions = {
        ...USUAL_TABLE,
        sisters,
        absoluteWord,
        lengthFrom: master === null ? { type: 'gauge line' } : { type: 'master', lengthMm: master },
        numberFrom,
        numbers: Object.fromEntries(Array.from({ length: 100 }, (_, i) => [String(i + 1), 300 - i])),
        wear: KEEPS_WEAR.includes(post) ? 'keep' : wear,
      }
      return {
        ...HERON,
        kind: post === 'turning' ? 'lathe' : 'mill',
        unit,
        decimals: (unit === 'mm' ? 3 : 4) + more,
        sizeRegister,
        post,
        table,
      }
    })
const tools = fc.uniqueArray(
  fc.record({
    t: fc.integer({ min: 1, max: 100 }),
    lengthMm: fc.double({ min: 10, max: 300, noNaN: true }),
    radiusMm: fc.double({ min: 0.2, max: 90, noNaN: true }),
    cornerRadiusMm: fc.option(fc.double({ min: 0.05, max: 6, noNaN: true })),
    name: fc.string({ maxLength: 30 }),
  }),
  { selector: (r) => r.t, minLength: 1, maxLength: 3 },
)

describe('post, control, table', () => {
  const cases = [...MILL.map((post) => [post, 'mill'] as const), ...LATHE.map((post) => [post, 'lathe'] as const)]
  it.each(cases)('%s on a %s: the table holds what was measured, over random tables and options', (post, kind) => {
    fc.assert(
      fc.property(options(post), tools, fc.integer({ min: 0, max: 9 }), (given, rows, tip) => {
        const machine: Machine = { ...given, kind }
        const list = rows.map((row, i) =>
          tool({ ...row, pocket: 100 + i, serial: `BX${row.t}`, ...(kind === 'lathe' ? { tip } : {}) }),
        )
        const wanted = list.flatMap((t) => registersOf(t, machine))
        const check = compareTable(wanted, held(machine, post, file(machine, post, list)), machine.unit)
        expect(check.rows.filter((row) => !row.same)).toEqual([])
        expect(check.rows.length).toBeGreaterThanOrEqual(2 * list.length)
      }),
      { numRuns: Math.ceil(10_000 / cases.length) },
    )
  })
})

describe('each post as its control writes it', () => {
  const lines = (text: string) => text.split(/\r?\n/)
  it('RS-274: Z and a radius, whatever the table keeps; its own way with L10 is never used', () => {
    const grebe: Machine = { ...HERON, sizeRegister: 'diameter', post: 'rs274-mill', table: { wear: 'keep' } }
    expect(lines(file(grebe, 'rs274-mill', [tool({ lengthMm: 123.456, radiusMm: 5.006, t: 47 })]))).toContain(
      'G10 L1 P47 Z123.456 R5.0060',
    )
    expect(() => takeFile(facts(grebe, 'rs274-mill'), {}, file(HERON, 'word-address-mill', [tool()]), NO_MODAL)).toThrow(Refused)
    expect(() => takeFile(facts(HERON, 'word-address-mill'), {}, file(grebe, 'rs274-mill', [tool()]), NO_MODAL)).toThrow(Refused)
  })
  it('turning: geometry at 10000 and the number, wear at the number, X a diameter where the machine keeps one', () => {
    const wagtail: Machine = { ...HERON, kind: 'lathe', sizeRegister: 'diameter', post: 'turning' }
    const text = file(wagtail, 'turning', [tool({ t: 3, radiusMm: 32.0004, lengthMm: 54.1, cornerRadiusMm: 0.8, tip: 3 })])
    expect(lines(text)).toEqual(
      expect.arrayContaining(['G10 P10003 X64.001 Z54.100 R0.800 Q3', 'G10 P3 X0.000 Z0.000', 'G21 G90']),
    )
  })
  it('tool table: T P D Z ; name, D a diameter: D10.012 Z123.456', () => {
    const text = file(HERON, 'tool-table', [tool({ t: 1, pocket: 1, radiusMm: 5.006, lengthMm: 123.456, name: 'EM10 R0.5' })])
    expect(lines(text)[1]).toBe('T1 P1 D10.012 Z123.456 ;T1 BX00142 EM10 R0.5')
  })
  it('CSV is re-read by another library with nothing lost', () => {
    const name = 'say "Ø20", long\r\nand; wide'
    const { data, errors } = Papa.parse<Record<string, string>>(file(HERON, 'csv', [tool({ name })]), {
      header: true,
      skipEmptyLines: true,
    })
    expect(errors).toEqual([])
    expect(data).toEqual([
      expect.objectContaining({ T: '12', unit: 'mm', length: '152.314', radius: '9.999', 'corner radius': '1.498', name }),
    ])
  })
  it('the asset document is well-formed, with the names and codes of Part 4', () => {
    const text = file({ ...HERON, unit: 'inch', decimals: 4 }, 'asset', [
      tool({ name: '<Ø & "R">' }),
      tool({ t: 4, serial: 'BX4' }),
    ])
    expect(XMLValidator.validate(text)).toBe(true)
    const doc = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '', htmlEntities: true }).parse(text) as {
      MTConnectAssets: { xmlns: string; Header: { assetCount: string }; Assets: { CuttingTool: Record<string, unknown>[] } }
    }
    expect(doc.MTConnectAssets.xmlns).toBe('urn:mtconnect.org:MTConnectAssets:1.4')
    expect(doc.MTConnectAssets.Header.assetCount).toBe('2')
    const [first] = doc.MTConnectAssets.Assets.CuttingTool
    expect(first).toMatchObject({ Description: '<Ø & "R">', serialNumber: 'BX00142', toolId: 'T12' })
    const life = first.CuttingToolLifeCycle as Record<string, Record<string, Record<string, unknown>>>
    // 152.3141 mm is 5.9966 in to four decimals, and that is 152.313640 mm
    expect(life.Measurements.FunctionalLength).toMatchObject({ code: 'LF', units: 'MILLIMETER', '#text': 152.31364 })
    expect(life.Measurements.CuttingDiameterMax).toMatchObject({ code: 'DC', units: 'MILLIMETER' })
    expect(life.CutterStatus.Status).toBe('MEASURED')
  })
  it('what is known besides goes along, and the lower speed counts', () => {
    const facts = {
      massKg: 2.416,
      mostRpm: 18_000,
      edges: 4,
      toolClass: 'finish',
      lifeUsedMin: 31.5,
      lifeMaxMin: 90,
      slow: true,
    } as const
    const known = tool({ facts, balance: { grade: 2.1, rpm: 12_000, goodToRpm: 14_285.7 } })
    const [json] = (JSON.parse(file(HERON, 'json', [known])) as { tools: object[] }).tools
    expect(json).toMatchObject({
      ...{ class: 'finish', edges: 4, massKg: 2.416, slowChange: true },
      mostRpm: 14_285,
      lifeMaxMin: 90,
    })
    const asset = file(HERON, 'asset', [known])
    expect(XMLValidator.validate(asset)).toBe(true)
    for (const element of [
      '<ToolLife type="MINUTES" countDirection="UP" limit="90" initial="0">31.5</ToolLife>',
      '<ProcessSpindleSpeed maximum="14285"/>',
      '<Weight code="WT" units="GRAM">2416</Weight>',
      '<CuttingItems count="4">',
    ])
      expect(asset).toContain(element)
  })
  it('JSON is JSON, whatever the name', () => {
    const json = JSON.parse(file(HERON, 'json', [tool({ name: '"\\\n' }), tool({ t: 2 })])) as { unit: string; tools: unknown[] }
    expect(json).toMatchObject({ unit: 'mm', machine: 'HERON', size: 'radius' })
    expect(json.tools).toHaveLength(2)
  })
  it('files are called after what they are', () => {
    expect(
      ['word-address-mill', 'tool-table', 'csv', 'asset', 'json'].map((post) => postFileName(HERON, [tool()], post)),
    ).toEqual([
      'HERON_T12_BX00142_3.nc',
      'HERON_T12_BX00142_3.tbl',
      'HERON_T12_BX00142_3.csv',
      'HERON_T12_BX00142_3.xml',
      'HERON_T12_BX00142_3.json',
    ])
  })
})

describe('what the control does not take', () => {
  it.each([
    ['expressions', 'G21 G90\nG10 L10 P1 R[1+2]'],
    ['a variable', 'G21 G90\nG10 L10 P1 R#5'],
    ['a value without a unit', 'G90\nG10 L10 P1 R100'],
    ['a row it does not have', 'G21 G90\nG10 L10 P501 R100'],
    ['JSON cut in the middle', '{ "unit": "mm", "tools": ['],
    ['a CSV without a unit', 'T,register,unit,length,radius\r\n1,1,,100,5\r\n'],
    ['an XML of something else', '<?xml version="1.0"?><a/>'],
  ])('%s', (_, text) => expect(() => takeFile(facts(HERON, 'word-address-mill'), {}, text, NO_MODAL)).toThrow(Refused))
})
