/**
 * A tool definition as MTConnect cutting tool archetype (Part 4). Element names and codes from memory of the standard;
 * order of children not checked against the schema.
 */
import { XMLBuilder, XMLParser, XMLValidator } from 'fast-xml-parser'
import type { Archetype, Definition, Tolerance } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import type { ArchetypeFault } from './faults'

const NAMESPACE = 'urn:mtconnect.org:MTConnectAssets:1.4'

const measured = ({ nominal, lower, upper }: Tolerance, code: string) => ({
  '@code': code,
  '@units': 'MILLIMETER',
  '@nominal': nominal,
  '@minimum': Number((nominal + lower).toFixed(6)),
  '@maximum': Number((nominal + upper).toFixed(6)),
})

/** @param couplings connection code of the machine side; @param at ISO 8601 */
export function encodeArchetype(d: Definition, coupling: string | null, at: string): string {
  const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true, suppressEmptyNode: true })
  return builder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    MTConnectAssets: {
      '@xmlns': NAMESPACE,
      Header: {
        '@creationTime': at,
        '@sender': 'boulder',
        '@instanceId': 1,
        '@version': '1.4',
        '@assetBufferSize': 1024,
        '@assetCount': 1,
      },
      Assets: {
        CuttingToolArchetype: {
          '@assetId': `${d.id}.${d.version}`,
          '@toolId': d.id,
          '@timestamp': at,
          Description: d.name,
          CuttingToolLifeCycle: {
            ...(d.lifeMin === null
              ? {}
              : { ToolLife: { '@type': 'MINUTES', '@countDirection': 'UP', '@limit': d.lifeMin, '@initial': 0 } }),
            ProgramToolNumber: d.t,
            ProcessSpindleSpeed: { '@nominal': d.programRpm },
            ...(coupling ? { ConnectionCodeMachineSide: coupling } : {}),
            Measurements: {
              FunctionalLength: measured(d.LF, 'LF'),
              CuttingDiameterMax: measured(d.DC, 'DC'),
            },
            CuttingItems: {
              '@count': d.edges,
              CuttingItem: {
                '@indices': d.edges === 1 ? '1' : `1-${d.edges}`,
                ...(d.RE ? { Measurements: { CornerRadius: measured(d.RE, 'RE') } } : {}),
              },
            },
          },
        },
      },
    },
  }) as string
}

type Node = Readonly<Record<string, unknown>>
const node = (value: unknown): Node => (typeof value === 'object' && value !== null ? (value as Node) : {})
const number = (value: unknown): number | null => {
  const n = Number(value)
  return value === undefined || value === '' || !Number.isFinite(n) ? null : n
}
const text = (value: unknown): string => String(node(value)['#text'] ?? value ?? '')

/** @errors no XML, no archetype in it, a unit other than millimetres */
export function decodeArchetype(xml: string): Result<Archetype, ArchetypeFault> {
  const valid = XMLValidator.validate(xml)
  if (valid !== true) return fail({ code: 'NO_XML', detail: valid.err.msg.replace(/\.$/, ''), line: valid.err.line })
  if (/<!DOCTYPE/i.test(xml)) return fail({ code: 'DOCUMENT_TYPE' })
  let root: Node
  try {
    root = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '@', removeNSPrefix: true, parseTagValue: false }).parse(
      xml,
    ) as Node
  } catch (error) {
    // the validator lets through what the parser does not, such as a processing instruction that never ends
    return fail({ code: 'NO_XML', detail: error instanceof Error ? error.message : 'incomplete', line: null })
  }
  const assets = node(node(root.MTConnectAssets).Assets)
  const tool = node(assets.CuttingToolArchetype ?? assets.CuttingTool)
  const life = node(tool.CuttingToolLifeCycle)
  if (!tool.CuttingToolLifeCycle) return fail({ code: 'NO_ARCHETYPE' })
  const measurements = node(life.Measurements)
  const item = node(node(life.CuttingItems).CuttingItem)
  const all: [string, unknown][] = [
    ['FunctionalLength', measurements.FunctionalLength],
    ['CuttingDiameterMax', measurements.CuttingDiameterMax],
    ['CornerRadius', node(item.Measurements).CornerRadius],
  ]
  const foreign = all.find(([, m]) => m !== undefined && node(m)['@units'] !== undefined && node(m)['@units'] !== 'MILLIMETER')
  if (foreign) return fail({ code: 'FOREIGN_UNIT', element: foreign[0], unit: String(node(foreign[1])['@units']) })
  const [LF, DC, RE] = all.map(([, m]) => tolerance(m))
  return ok({
    toolId: String(tool['@toolId'] ?? ''),
    name: text(tool.Description),
    t: number(text(life.ProgramToolNumber)),
    edges: number(node(life.CuttingItems)['@count']) ?? 1,
    LF,
    DC,
    RE,
    programRpm: number(node(life.ProcessSpindleSpeed)['@nominal']) ?? number(text(life.ProcessSpindleSpeed)),
    lifeMin: number(node(life.ToolLife)['@limit']),
    coupling: text(life.ConnectionCodeMachineSide) || null,
  })
}

function tolerance(m: unknown): Tolerance | null {
  if (m === undefined) return null
  const n = node(m)
  const nominal = number(n['@nominal']) ?? number(text(m))
  if (nominal === null) return null
  const [min, max] = [number(n['@minimum']), number(n['@maximum'])]
  return {
    nominal,
    lower: min === null ? 0 : Number((min - nominal).toFixed(6)),
    upper: max === null ? 0 : Number((max - nominal).toFixed(6)),
  }
}
