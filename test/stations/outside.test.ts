/** What other programs read: MTConnect documents that our own agent reader understands, and one table. */
import { XMLParser, XMLValidator } from 'fast-xml-parser'
import { describe, expect, it } from 'vitest'
import { assetsDocument, currentDocument, errorDocument, probeDocument } from '@/codecs/mtconnect-answer'
import { readAgent } from '@/codecs/mtconnect-agent'
import { decodeCsv } from '@/codecs/csv'
import { listHandedOver, measuredCsv } from '@/stations/outside/assets'
import { holdHandover } from '@/db/handover/write'
import { inTransaction } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { later, toolRoom, valueOf } from '../support/tool-room'
import { loadedT4 } from '../support/loaded-t4'

const parser = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '@', parseTagValue: false })
type Read = Record<string, Record<string, never>>
const parsed = (xml: string) => {
  expect(XMLValidator.validate(xml)).toBe(true)
  return parser.parse(xml) as Read
}

describe('as an MTConnect agent', () => {
  it('tells its tools as assets, each with what it is and where', async () => {
    const room = await loadedT4()
    const tools = listHandedOver(room.db)
    expect(tools.map((t) => t.id)).toEqual(['BX00143.1'])
    const xml = valueOf(assetsDocument(tools, later(500)))
    const { MTConnectAssets: document } = parsed(xml) as unknown as {
      MTConnectAssets: { Header: Record<string, string>; Assets: { CuttingTool: Record<string, unknown> } }
    }
    expect(document.Header['@assetCount']).toBe('1')
    expect(document.Assets.CuttingTool).toMatchObject({ '@assetId': 'BX00143.1', '@serialNumber': 'BX00143', '@toolId': 'T4' })
    expect(xml).toMatch(/<FunctionalLength code="LF" units="MILLIMETER">118\.0\d+/)
    // our own reader of agents understands what we answer
    const state = valueOf(readAgent(currentDocument(later(500), tools[0]), xml))
    expect(state.magazine.size).toBe(tools[0].tool.pocket === null ? 0 : 1)
  })
  it('of no tool is an empty document, and what is held is not told', async () => {
    expect(parsed(valueOf(assetsDocument([], later(0))))).toHaveProperty('MTConnectAssets')
    const room = await loadedT4()
    const { id } = currentHandover(room.db, 'BX00143')!
    inTransaction(room.db, (tx) => holdHandover(tx, id, { code: 'DRIFTED', movedMm: 0.01, foundAt: later(1) }))
    expect(listHandedOver(room.db)).toEqual([])
  })
  it('says what it is, and what it does not have', () => {
    expect(parsed(probeDocument(later(0), 3))).toMatchObject({
      MTConnectDevices: { Devices: { Device: { '@name': 'ToolRoom' } }, Header: { '@assetCount': '3' } },
    })
    expect(parsed(errorDocument(later(0), 'ASSET_NOT_FOUND', 'no <such> tool'))).toMatchObject({
      MTConnectError: { Errors: { Error: { '@errorCode': 'ASSET_NOT_FOUND', '#text': 'no <such> tool' } } },
    })
  })
})

it('one table of everything that is handed over', async () => {
  const room = await loadedT4()
  const { columns, rows } = valueOf(decodeCsv(measuredCsv(room.db)))
  expect(columns.slice(0, 4)).toEqual(['serial', 'issue', 'T', 'machine'])
  expect(rows[0].slice(0, 4)).toEqual(['BX00143', '1', '4', 'Heron'])
  expect(measuredCsv(toolRoom().db).trim()).toMatch(/^serial,issue,T,machine,name,.*released at$/)
})
