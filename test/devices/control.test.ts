/** The HTTP control against servers that answer, refuse, stay silent or break off. */
import { createServer, type RequestListener, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterEach, describe, expect, it } from 'vitest'
import { httpControl } from '@/devices/control/http'

let server: Server | null = null
async function control(listener: RequestListener, timeoutMs = 400) {
  server = createServer(listener)
  await new Promise<void>((resolve) => server!.listen(0, '127.0.0.1', resolve))
  return httpControl(`http://127.0.0.1:${(server.address() as AddressInfo).port}`, timeoutMs)
}
afterEach(() => {
  server?.closeAllConnections()
  server?.close()
})
const json =
  (status: number, body: unknown): RequestListener =>
  (_, response) =>
    void response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body))
const error = async (listener: RequestListener) => {
  const answer = await (await control(listener)).run('HERON', 'G21')
  return answer.ok ? null : answer.error
}

describe('a control over HTTP', () => {
  it('names registers by what the machine keeps', async () => {
    const radius = await control(
      json(200, { sizeIs: 'radius', tools: { 12: { length: 152.3, lengthWear: 0, size: 10, sizeWear: 0 }, 13: { length: 1 } } }),
    )
    const table = await radius.table('HERON')
    expect(table.ok && [...table.value]).toEqual([
      [12, { length: 152.3, 'length wear': 0, radius: 10, 'radius wear': 0 }],
      [13, { length: 1 }],
    ])
  })
  it('sends the file as it is to the place that was meant', async () => {
    const asked: string[] = []
    const c = await control((request, response) => {
      let text = ''
      request.on('data', (chunk: Buffer) => (text += chunk.toString()))
      request.on('end', () => {
        asked.push(`${request.method} ${request.url} ${text}`)
        json(200, { sizeIs: 'diameter', tools: {} })(request, response)
      })
    })
    await c.tryFile('A B', 'G21')
    await c.run('A B', 'G20')
    await c.table('A B')
    expect(asked).toEqual(['POST /machines/A%20B/scratch G21', 'POST /machines/A%20B/run G20', 'GET /machines/A%20B/table '])
  })
  it('tells a refusal, with its line, from silence', async () => {
    expect(await error(json(422, { line: 3, detail: 'L99 is no register' }))).toEqual({
      code: 'REFUSED',
      line: 3,
      detail: 'L99 is no register',
    })
    expect(await error(json(404, {}))).toMatchObject({ code: 'REFUSED' })
    expect(await error(json(500, {}))).toMatchObject({ code: 'UNREACHABLE' })
    expect(await error(json(200, { tools: 'none' }))).toMatchObject({ code: 'UNREACHABLE' })
    expect(await error((request) => void request.socket.destroy())).toMatchObject({
      code: 'UNREACHABLE',
      detail: 'no connection',
    })
    expect(await error(() => undefined)).toMatchObject({ code: 'UNREACHABLE', detail: 'timeout' })
  })
  it('asks again only what changes nothing', async () => {
    let asked = 0
    const c = await control((request) => {
      asked++
      request.socket.destroy()
    })
    await c.table('HERON')
    expect(asked).toBe(2)
    await c.run('HERON', 'G21')
    expect(asked).toBe(3)
  })
})
