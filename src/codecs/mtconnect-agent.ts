/**
 * What an MTConnect agent tells of a machine (Part 2 Streams, Part 4 Assets). Element names from memory of the standard;
 * whatever it calls UNAVAILABLE, or leaves out, is not known.
 */
import { XMLParser } from 'fast-xml-parser'
import type { MachineState } from '@/core/load'
import { fail, ok, type Result } from '@/core/units'

const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  removeNSPrefix: true,
  parseTagValue: false,
  parseAttributeValue: false,
})

type Node = Readonly<Record<string, unknown>>
const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null

/** Every element of a name, wherever it is; a text alone is an element without attributes. */
function all(node: unknown, name: string): Node[] {
  if (Array.isArray(node)) return node.flatMap((one) => all(one, name))
  if (!isNode(node)) return []
  return Object.entries(node).flatMap(([key, value]) => {
    const here = key === name ? [value].flat().map((one): Node => (isNode(one) ? one : { '#text': one })) : []
    return [...here, ...(isNode(value) ? all(value, name) : [])]
  })
}

/** The last one that is known. */
function told(node: unknown, name: string): string | null {
  const texts = all(node, name).map((one) => String(one['#text'] ?? '').trim())
  return texts.findLast((text) => text !== '' && text !== 'UNAVAILABLE') ?? null
}

function read(xml: string, root: string): Result<Node, null> {
  try {
    const document = parser.parse(xml) as Node
    const found = document[root]
    return isNode(found) ? ok(found) : fail(null)
  } catch {
    return fail(null)
  }
}

const whole = (text: string | null): number | null => (text !== null && /^\d+$/.test(text) ? Number(text) : null)

/** Pocket, T and minutes of one tool asset; what was removed does not count. */
function assetOf(tool: Node): { readonly t: number; readonly pocket: number | null; readonly minutes: number | null } | null {
  const t = whole(told(tool, 'ProgramToolNumber'))
  if (t === null || tool['@removed'] === 'true') return null
  const pot = all(tool, 'Location').find((place) => place['@type'] === 'POT')
  const life = all(tool, 'ToolLife').find((one) => one['@type'] === 'MINUTES')
  const said = life === undefined ? NaN : Number(life['#text'])
  const used = life?.['@countDirection'] === 'DOWN' ? Number(life['@initial']) - said : said
  return { t, pocket: whole(pot ? String(pot['#text']) : null), minutes: Number.isFinite(used) ? used : null }
}

/** @param current answer to `current`; @param assets answer to `assets?type=CuttingTool`. @errors one that is neither */
export function readAgent(current: string, assets: string): Result<MachineState, null> {
  const streams = read(current, 'MTConnectStreams')
  const known = read(assets, 'MTConnectAssets')
  if (!streams.ok || !known.ok) return fail(null)
  const tools = all(known.value, 'CuttingTool').flatMap((tool) => assetOf(tool) ?? [])
  const door = told(streams.value, 'DoorState')
  const execution = told(streams.value, 'Execution')
  const program = told(streams.value, 'Program')
  const spindle = whole(told(streams.value, 'ToolNumber'))
  return ok({
    standIn: false,
    listed: false,
    door: door === 'OPEN' || door === 'UNLATCHED' ? 'open' : door === 'CLOSED' ? 'shut' : null,
    atDoor: null,
    toolAtDoor: null,
    spindle: spindle === 0 ? null : spindle,
    inSpindle: null,
    changer: null,
    // which tools it still calls is not told; the one in the spindle it has
    running: execution === 'ACTIVE' ? { program: program ?? '', tools: spindle ? [spindle] : [] } : null,
    magazine: new Map(tools.flatMap(({ t, pocket }) => (pocket === null ? [] : [[pocket, t] as const]))),
    programs: [],
    cutMin: new Map(tools.flatMap(({ t, minutes }) => (minutes === null ? [] : [[t, minutes] as const]))),
  })
}
