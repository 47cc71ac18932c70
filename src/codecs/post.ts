/** Post files: Liquid templates with a documented context and three filters of our own. */
import type { Liquid, Template } from 'liquidjs'
import Papa from 'papaparse'
import { registerNumber, writtenLengthMm, type HandoverValues } from '@/core/handover'
import { controlT, tableOf, type Machine } from '@/core/tool'
import { fail, fixed, mmToUnit, ok, roundTo, unitToMm, type LengthUnit, type Result } from '@/core/units'
import { ASSET_XML } from './posts/asset-xml'
import { RS274_MILL } from './posts/rs274-mill'
import { TABLE_CSV } from './posts/table-csv'
import { TABLE_JSON } from './posts/table-json'
import { TOOL_TABLE } from './posts/tool-table'
import { TURNING } from './posts/turning'
import { WORD_ADDRESS_MILL } from './posts/word-address-mill'
import { filledIn, templateEngine } from './template'

/** The posts that Boulder comes with; a shop's own stand beside them. */
export const SHIPPED_POSTS: Readonly<Record<string, string>> = {
  'word-address-mill': WORD_ADDRESS_MILL,
  'rs274-mill': RS274_MILL,
  turning: TURNING,
  'tool-table': TOOL_TABLE,
  csv: TABLE_CSV,
  asset: ASSET_XML,
  json: TABLE_JSON,
}

/** What the files of a post are called at their end. */
const EXTENSION: Readonly<Record<string, string>> = { 'tool-table': 'tbl', csv: 'csv', asset: 'xml', json: 'json' }

export interface PostTool extends HandoverValues {
  readonly name: string
}

export interface PostContext {
  readonly machine: Machine
  readonly madeAt: string
  readonly tools: readonly PostTool[]
}

/** Words in a comment of a word-address program: no brackets, no line ends, upper case ASCII. */
export const asComment = (text: unknown) =>
  String(text ?? '')
    .normalize('NFKD')
    .toUpperCase()
    .replace(/Ø/g, 'D')
    .replace(/[^\x20-\x7e]|[()%;]/g, '')
    .slice(0, 60)
    .trim()

function engine(): Liquid {
  const liquid = templateEngine()
  liquid.registerFilter('num', (value: number, decimals: number) => fixed(Number(value), Number(decimals)))
  liquid.registerFilter('inunit', (mm: number, unit: LengthUnit) => mmToUnit(Number(mm), unit))
  liquid.registerFilter('inmm', (value: number, unit: LengthUnit) => unitToMm(Number(value), unit))
  liquid.registerFilter('pad', (value: unknown, width: number) => String(value).padStart(Number(width), '0'))
  liquid.registerFilter('comment', asComment)
  // one field of a row, quoted where it must be (RFC 4180)
  liquid.registerFilter('csv', (text: unknown) => Papa.unparse([[String(text ?? '')]]))
  return liquid
}

const ENGINE = engine()
/** Templates as they were read, by their text: a whole kit is written by one. */
const read = new Map<string, Template[]>()
const MOST_READ = 32

function templateOf(text: string): Template[] {
  const known = read.get(text)
  if (known) return known
  const made = ENGINE.parse(text)
  if (read.size >= MOST_READ) read.clear()
  read.set(text, made)
  return made
}

/**
 * What a template sees of one tool; a tool without a row has register 0. Under `kept` the figures stand as the machine
 * keeps them, in its unit and rounded, so that half or twice of one, or its millimetres, lose nothing.
 */
function toolContext(tool: PostTool, machine: Machine) {
  const { unit, decimals } = machine
  const kept = (mm: number) => roundTo(mmToUnit(mm, unit), decimals)
  const diameterMm = 2 * tool.radiusMm
  const asDiameter = machine.sizeRegister === 'diameter'
  const size = kept(asDiameter ? diameterMm : tool.radiusMm)
  return {
    ...tool,
    // what the control calls it; the job's own T is there too
    t: controlT(tool, machine),
    jobT: tool.t,
    sister: tool.sister ?? 0,
    register: registerNumber(tool, machine) ?? 0,
    diameterMm,
    tip: tool.tip ?? 0,
    balance: tool.balance ?? null,
    facts: factsOf(tool),
    kept: {
      length: kept(writtenLengthMm(tool.lengthMm, machine)),
      size,
      radius: asDiameter ? size / 2 : size,
      diameter: asDiameter ? size : 2 * size,
      noseRadius: kept(tool.cornerRadiusMm ?? 0),
      lengthWear: kept(tool.wear?.lengthMm ?? 0),
      sizeWear: kept((asDiameter ? 2 : 1) * (tool.wear?.radiusMm ?? 0)),
    },
  }
}

/** What is known of a tool besides its offsets; it never runs faster than it was balanced for. */
function factsOf({ facts = {}, balance }: PostTool) {
  const speeds = [facts.mostRpm, balance?.goodToRpm].flatMap((rpm) => (rpm === undefined ? [] : [Math.floor(rpm)]))
  const { massKg = null, edges = null, toolClass = null, lifeUsedMin = null, lifeMaxMin = null, slow = null } = facts
  return { massKg, edges, toolClass, lifeUsedMin, lifeMaxMin, slow, mostRpm: speeds.length ? Math.min(...speeds) : null }
}

/** @errors BAD_TEMPLATE with the engine's words and line */
export function renderPost(template: string, context: PostContext): Result<string, { code: 'BAD_TEMPLATE'; detail: string }> {
  const { machine, madeAt, tools } = context
  try {
    const values = {
      machine,
      table: tableOf(machine),
      halfDecimals: machine.decimals + 1,
      madeAt,
      tools: tools.map((tool) => toolContext(tool, machine)),
    }
    return ok(filledIn(ENGINE.renderSync(templateOf(template), values)))
  } catch (error) {
    return fail({ code: 'BAD_TEMPLATE', detail: error instanceof Error ? error.message.split('\n')[0] : 'unknown' })
  }
}

/** File name as a control takes it: machine, tool, issue. */
export function postFileName(machine: Machine, tools: readonly PostTool[], post = machine.post): string {
  const end = EXTENSION[post] ?? 'nc'
  return tools.length === 1
    ? `${machine.key}_T${tools[0].t}_${tools[0].serial}_${tools[0].issue}.${end}`
    : `${machine.key}_${tools.length}_TOOLS.${end}`
}
