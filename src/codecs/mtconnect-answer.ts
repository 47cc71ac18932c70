/**
 * What Boulder answers as a read-only MTConnect agent: one device, the tool room, whose assets are the tools that are handed over. Element
 * names from memory of the standard (Parts 1, 2 and 4, version 1.4).
 */
import { XMLBuilder } from 'fast-xml-parser'
import type { Machine } from '@/core/tool'
import { ok, type Result } from '@/core/units'
import { renderPost, type PostTool } from './post'
import { ASSET_XML } from './posts/asset-xml'

const VERSION = '1.4'
const DEVICE = { name: 'ToolRoom', uuid: 'boulder-tool-room', id: 'room' } as const
/** One life of this agent: nothing is streamed, so nothing begins anew. */
const INSTANCE = 1

const build = (root: string, body: object): string =>
  new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true, suppressEmptyNode: true }).build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    [root]: { '@xmlns': `urn:mtconnect.org:${root}:${VERSION}`, ...body },
  })

const header = (at: string, more: object = {}) => ({
  '@creationTime': at,
  '@sender': 'boulder',
  '@instanceId': INSTANCE,
  '@version': VERSION,
  ...more,
})

/** @param at ISO 8601; @param assets how many there are */
export const probeDocument = (at: string, assets: number): string =>
  build('MTConnectDevices', {
    Header: header(at, { '@bufferSize': 1, '@assetBufferSize': 4096, '@assetCount': assets }),
    Devices: {
      Device: {
        '@id': DEVICE.id,
        '@name': DEVICE.name,
        '@uuid': DEVICE.uuid,
        DataItems: {
          DataItem: [
            { '@id': 'avail', '@category': 'EVENT', '@type': 'AVAILABILITY' },
            { '@id': 'asset_chg', '@category': 'EVENT', '@type': 'ASSET_CHANGED' },
          ],
        },
      },
    },
  })

/** @param newest the asset that was handed over last; null: none */
export const currentDocument = (at: string, newest: { readonly id: string; readonly at: string } | null): string =>
  build('MTConnectStreams', {
    Header: header(at, { '@bufferSize': 1, '@firstSequence': 1, '@lastSequence': 1, '@nextSequence': 2 }),
    Streams: {
      DeviceStream: {
        '@name': DEVICE.name,
        '@uuid': DEVICE.uuid,
        ComponentStream: {
          ...{ '@component': 'Device', '@name': DEVICE.name, '@componentId': DEVICE.id },
          Events: {
            Availability: { '@dataItemId': 'avail', '@sequence': 1, '@timestamp': at, '#text': 'AVAILABLE' },
            AssetChanged: {
              ...{ '@dataItemId': 'asset_chg', '@sequence': 1, '@assetType': 'CuttingTool' },
              ...{ '@timestamp': newest?.at ?? at, '#text': newest?.id ?? 'UNAVAILABLE' },
            },
          },
        },
      },
    },
  })

export const errorDocument = (at: string, code: 'ASSET_NOT_FOUND' | 'OUT_OF_RANGE', text: string): string =>
  build('MTConnectError', { Header: header(at), Errors: { Error: { '@errorCode': code, '#text': text } } })

/** A tool's name as an asset: its holder and the number of its hand-over. */
export const assetId = ({ serial, issue }: { readonly serial: string; readonly issue: number }): string => `${serial}.${issue}`

/** Tools as assets, each as its own machine keeps it; the newest first. @errors BAD_TEMPLATE never in what is shipped */
export function assetsDocument(
  tools: readonly { readonly machine: Machine; readonly tool: PostTool }[],
  madeAt: string,
): Result<string, { readonly code: 'BAD_TEMPLATE'; readonly detail: string }> {
  const whole = renderPost(ASSET_XML, {
    machine: tools[0]?.machine ?? ({ decimals: 3, unit: 'mm' } as Machine),
    madeAt,
    tools: [],
  })
  if (!whole.ok || tools.length === 0) return whole
  const bodies: string[] = []
  for (const { machine, tool } of tools) {
    const one = renderPost(ASSET_XML, { machine, madeAt, tools: [tool] })
    if (!one.ok) return one
    bodies.push(one.value.slice(one.value.indexOf('<Assets>') + '<Assets>'.length, one.value.indexOf('</Assets>')).trimEnd())
  }
  const [before, after] = [
    whole.value.slice(0, whole.value.indexOf('<Assets>')),
    whole.value.slice(whole.value.indexOf('</Assets>')),
  ]
  return ok(`${before.replace('assetCount="0"', `assetCount="${tools.length}"`)}<Assets>${bodies.join('')}\n  ${after}`)
}
