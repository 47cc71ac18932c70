/** Labels to a printer at a network port: what it gets, and what is said when it does not. */
import { createServer, type Server } from 'node:net'
import { afterEach, describe, expect, it } from 'vitest'
import { networkPrinter } from '@/devices/printer/network'

const JOB = { name: 'BX1-1', bytes: new Uint8Array(70_000).map((_, i) => i % 251), widthMm: 62, heightMm: 29 }

let server: Server | null = null
afterEach(() => server?.close())

/** A printer that keeps what it is sent. */
async function printer(behave: (got: Buffer[]) => void = () => undefined) {
  const got: Buffer[] = []
  server = createServer((socket) => {
    behave(got)
    socket.on('data', (chunk: Buffer) => got.push(chunk))
    socket.on('error', () => undefined)
  })
  const port = await new Promise<number>((ready) =>
    server!.listen(0, '127.0.0.1', () => ready((server!.address() as { port: number }).port)),
  )
  return { got, port, print: networkPrinter(() => ({ host: '127.0.0.1', port }), 'png', 500) }
}

describe('a printer in the network', () => {
  it('gets the picture as it is, whole', async () => {
    const { got, port, print } = await printer()
    expect(await print.print(JOB)).toEqual({ ok: true, value: { where: `127.0.0.1:${port}` } })
    expect(new Uint8Array(Buffer.concat(got))).toEqual(JOB.bytes)
  })
  it('that is off is told as such', async () => {
    const { port } = await printer()
    await new Promise((closed) => server!.close(closed))
    const off = networkPrinter(() => ({ host: '127.0.0.1', port }), 'png', 500)
    expect(await off.print(JOB)).toEqual({ ok: false, error: { code: 'PRINTER_OFF', detail: 'no connection' } })
  })
  it('without an address is asked for nothing', async () =>
    expect(await networkPrinter(() => null).print(JOB)).toMatchObject({ ok: false, error: { detail: 'no address' } }))
})
