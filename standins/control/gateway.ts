/**
 * Files that a control takes besides its own programs: a tool table as text, CSV, a JSON table, an asset document. A
 * gateway of its own reads them; like the interpreter it shares nothing with whatever wrote them.
 */
import { XMLParser } from 'fast-xml-parser'
import Papa from 'papaparse'
import { z } from 'zod'
import { Refused, runFile, type MachineFacts, type Modal, type Offsets, type Table } from './interpreter'

/** Runs a file of any kind on a copy of a table; which kind it is shows at its beginning. */
export function takeFile(
  facts: MachineFacts,
  before: Table,
  text: string,
  modal: Modal,
): { readonly table: Table; readonly modal: Modal } {
  const start = text.trimStart()
  // data carries its own units and leaves what is in force as it is
  const data = (rows: readonly Taken[]) => ({ table: merge(facts, before, rows), modal })
  if (start.startsWith('{')) return data(fromJson(facts, start))
  if (start.startsWith('<')) return data(fromXml(facts, start))
  if (/^T,/.test(start)) return data(fromCsv(facts, start))
  if (/^;.*\bunits (mm|inch)\b|^T\d+ +P\d/m.test(start) && !/G10/.test(start)) return data(fromTable(facts, start))
  return runFile(facts, before, text, modal)
}

interface Taken {
  readonly tool: number
  readonly unit: 'mm' | 'inch'
  readonly row: Offsets
}

const MM = 25.4
const turn = (value: number, from: 'mm' | 'inch', to: 'mm' | 'inch') =>
  from === to ? value : from === 'inch' ? value * MM : value / MM

function merge(facts: MachineFacts, before: Table, rows: readonly Taken[]): Table {
  const table: Table = structuredClone(before)
  const f = 10 ** facts.decimals
  const keep = (value: number) => (Math.sign(value) * Math.round(Math.abs(value) * f + 1e-7)) / f
  rows.forEach(({ tool, unit, row }, i) => {
    if (!Number.isInteger(tool) || tool < 1 || tool > facts.highestTool)
      throw new Refused(i + 1, `${tool} is no row of this control`)
    const to = (table[String(tool)] ??= {})
    for (const [register, value] of Object.entries(row) as [keyof Offsets, number][]) {
      if (!Number.isFinite(value)) throw new Refused(i + 1, `${register} is no number`)
      to[register] = register === 'tip' ? value : keep(turn(value, unit, facts.unit))
    }
  })
  return table
}

const unitOf = (text: unknown, line: number): 'mm' | 'inch' => {
  if (text === 'mm' || text === 'inch') return text
  throw new Refused(line, 'the unit is neither mm nor inch')
}

/** Length and size as a mill keeps them, or as X and Z of a lathe. */
function rowOf(facts: MachineFacts, length: number, size: number, nose: number | null, tip: number, wear: boolean): Offsets {
  if (facts.kind === 'lathe') return { x: size, z: length, nose: nose ?? 0, tip, ...(wear ? { xWear: 0, zWear: 0 } : {}) }
  return { length, size, ...(wear ? { lengthWear: 0, sizeWear: 0 } : {}) }
}

function fromCsv(facts: MachineFacts, text: string): Taken[] {
  const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true })
  if (errors.length) throw new Refused((errors[0].row ?? 0) + 2, errors[0].message)
  return data.map((r, i) => {
    const written = 'diameter' in r ? 'diameter' : 'radius'
    const size = Number(r[written]) * (written === facts.sizeIs ? 1 : written === 'radius' ? 2 : 0.5)
    const nose = r['corner radius'] ? Number(r['corner radius']) : null
    return {
      tool: Number(r.register),
      unit: unitOf(r.unit, i + 2),
      row: rowOf(facts, Number(r.length), size, nose, Number(r.tip || 0), r.wear === 'zero'),
    }
  })
}

const Json = z.object({
  unit: z.unknown(),
  size: z.enum(['radius', 'diameter']),
  wear: z.unknown(),
  tools: z.array(
    z.object({
      register: z.number(),
      length: z.number(),
      size: z.number(),
      noseRadius: z.number().default(0),
      tip: z.number().default(0),
    }),
  ),
})

function fromJson(facts: MachineFacts, text: string): Taken[] {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw new Refused(null, 'it is no JSON')
  }
  const read = Json.safeParse(json)
  if (!read.success) throw new Refused(null, `${read.error.issues[0].path.join('.')}: ${read.error.issues[0].message}`)
  const { tools, size, wear } = read.data
  const unit = unitOf(read.data.unit, 1)
  const times = size === facts.sizeIs ? 1 : size === 'radius' ? 2 : 0.5
  return tools.map((t) => ({
    tool: t.register,
    unit,
    row: rowOf(facts, t.length, t.size * times, t.noseRadius, t.tip, wear === 'zero'),
  }))
}

/** An element's text as a number, with or without attributes beside it. */
const Figure = z
  .union([z.string(), z.object({ '#text': z.string() }).transform((node) => node['#text'])])
  .transform(Number)
  .refine(Number.isFinite, 'is no number')
const Asset = z.object({
  MTConnectAssets: z.object({
    Assets: z.object({
      CuttingTool: z.array(
        z.object({
          CuttingToolLifeCycle: z.object({
            ProgramToolNumber: Figure,
            Measurements: z.object({ FunctionalLength: Figure, CuttingDiameterMax: Figure }),
            CuttingItems: z
              .object({
                CuttingItem: z.object({ Measurements: z.object({ CornerRadius: Figure.optional() }).optional() }).optional(),
              })
              .optional(),
          }),
        }),
      ),
    }),
  }),
})

function fromXml(facts: MachineFacts, text: string): Taken[] {
  const parser = new XMLParser({ ignoreAttributes: false, isArray: (name) => name === 'CuttingTool', parseTagValue: false })
  let tree: unknown
  try {
    tree = parser.parse(text, true)
  } catch {
    throw new Refused(null, 'it is not well-formed')
  }
  const read = Asset.safeParse(tree)
  if (!read.success) throw new Refused(null, `${read.error.issues[0].path.join('.')}: ${read.error.issues[0].message}`)
  return read.data.MTConnectAssets.Assets.CuttingTool.map(({ CuttingToolLifeCycle: life }) => {
    const { FunctionalLength: length, CuttingDiameterMax: diameter } = life.Measurements
    const nose = life.CuttingItems?.CuttingItem?.Measurements?.CornerRadius ?? null
    // a freshly measured asset has no wear yet
    const row = rowOf(facts, length, facts.sizeIs === 'diameter' ? diameter : diameter / 2, nose, 0, true)
    return { tool: life.ProgramToolNumber, unit: 'mm' as const, row: withoutTip(row) }
  })
}

/** The asset document says nothing of a tip's orientation. */
function withoutTip({ tip: _tip, ...row }: Offsets): Offsets {
  return row
}

function fromTable(facts: MachineFacts, text: string): Taken[] {
  const lines = text.split(/\r?\n/)
  const unit = /\bunits (mm|inch)\b/.exec(lines[0])?.[1] ?? facts.unit
  return lines.flatMap((raw, i) => {
    const line = raw.split(';')[0].trim()
    if (!line) return []
    const words = new Map(
      line.split(/\s+/).map((word) => {
        const number = Number(word.slice(1))
        if (!/^[TPDZXQIJ]$/.test(word[0]) || !Number.isFinite(number)) throw new Refused(i + 1, `"${word}" cannot be read`)
        return [word[0], number] as const
      }),
    )
    const [T, D, Z] = ['T', 'D', 'Z'].map((letter) => words.get(letter))
    if (T === undefined) throw new Refused(i + 1, 'a row without T')
    return [
      {
        tool: T,
        unit: unitOf(unit, 1),
        row: {
          // a table from a file takes the place of the row, wear and all
          ...(Z === undefined ? {} : { length: Z, lengthWear: 0 }),
          ...(D === undefined ? {} : { sizeWear: 0, size: facts.sizeIs === 'diameter' ? D : D / 2 }),
        },
      },
    ]
  })
}
