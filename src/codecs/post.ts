/** Post files: Liquid templates with a documented context and three filters of our own. */
import { Liquid } from 'liquidjs'
import type { HandoverValues } from '@/core/handover'
import type { Machine } from '@/core/tool'
import { fail, fixed, mmToUnit, ok, type LengthUnit, type Result } from '@/core/units'
import { WORD_ADDRESS_MILL } from './posts/word-address-mill'

export const SHIPPED_POSTS: Readonly<Record<string, string>> = { 'word-address-mill': WORD_ADDRESS_MILL }

export interface PostTool extends HandoverValues {
  readonly name: string
}

export interface PostContext {
  readonly machine: Machine
  readonly madeAt: string
  readonly tools: readonly PostTool[]
}

/** Words in a comment of a word-address program: no brackets, no line ends, upper case ASCII. */
const asComment = (text: unknown) =>
  String(text ?? '')
    .normalize('NFKD')
    .toUpperCase()
    .replace(/Ø/g, 'D')
    .replace(/[^\x20-\x7e]|[()%;]/g, '')
    .slice(0, 60)
    .trim()

function engine(): Liquid {
  const liquid = new Liquid({ strictFilters: true, strictVariables: true, ownPropertyOnly: true })
  liquid.registerFilter('num', (value: number, decimals: number) => fixed(Number(value), Number(decimals)))
  liquid.registerFilter('inunit', (mm: number, unit: LengthUnit) => mmToUnit(Number(mm), unit))
  liquid.registerFilter('pad', (value: unknown, width: number) => String(value).padStart(Number(width), '0'))
  liquid.registerFilter('comment', asComment)
  return liquid
}

/** @errors BAD_TEMPLATE with the engine's words and line */
export function renderPost(template: string, context: PostContext): Result<string, { code: 'BAD_TEMPLATE'; detail: string }> {
  const { machine, madeAt, tools } = context
  try {
    const values = { machine, madeAt, tools: tools.map((tool) => ({ ...tool, diameterMm: 2 * tool.radiusMm })) }
    return ok(engine().parseAndRenderSync(template, values) as string)
  } catch (error) {
    return fail({ code: 'BAD_TEMPLATE', detail: error instanceof Error ? error.message.split('\n')[0] : 'unknown' })
  }
}

/** File name as a control takes it: machine, tool, issue. */
export const postFileName = (machine: Machine, tools: readonly PostTool[]): string =>
  tools.length === 1
    ? `${machine.key}_T${tools[0].t}_${tools[0].serial}_${tools[0].issue}.nc`
    : `${machine.key}_${tools.length}_TOOLS.nc`
