/** Benches that are no stand-in of ours: pictures from files, a camera that stands still, a bench at the end of a line. */
import { spawn, type ChildProcess } from 'node:child_process'
import { connect, createServer, type AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { decodeLineFigures } from '@/codecs/line-figures'
import { averaged, cameraBench } from '@/devices/bench/camera'
import { filesBench } from '@/devices/bench/files'
import type { BenchPicture } from '@/devices/bench/port'
import { tcpLineBench } from '@/devices/line-bench/tcp'

const frame = (grey: number) => ({ width: 16, height: 16, data: new Uint8Array(256).fill(grey) })

describe('pictures from files as a bench', () => {
  const picture = (grey: number, centreX: number, centreZ: number, spindleDeg: number): BenchPicture => ({
    frame: frame(grey),
    centreX,
    centreZ,
    spindleDeg,
  })
  it('goes to the picture that was taken nearest to where it is asked to go', async () => {
    const opened = filesBench([picture(1, 9, 150, 0), picture(2, 9, 150, 90), picture(3, 1, 152, 0)], { x: 0.01, z: 0.01 })
    if (!opened.ok) throw new Error(opened.error.code)
    const bench = opened.value
    const seen = async () => (await bench.grab()).frame.data[0]
    expect(await seen()).toBe(1)
    await bench.turnTo(85)
    expect(await seen()).toBe(2)
    await bench.turnTo(359)
    expect(await seen()).toBe(1)
    await bench.moveTo(2, 151)
    expect(await seen()).toBe(3)
    expect(bench.facts).toMatchObject({ widthPx: 16, heightPx: 16, reach: { x: 9, z: 152 } })
  })
  it('is none without a picture', () => {
    expect(filesBench([], { x: 1, z: 1 })).toEqual({ ok: false, error: { code: 'NO_PICTURE' } })
  })
})

describe('a camera that stands still', () => {
  it('averages what it sees, and says where it was calibrated to stand', async () => {
    let n = 0
    const take = async () => frame(100 + (n++ % 3))
    expect((await averaged(take, 3)).data[0]).toBe(101)
    const bench = cameraBench(take, { width: 16, height: 16 }, { mmPerPixel: { x: 0.01, z: 0.01 }, centreX: 0.2, centreZ: 58 })
    await bench.moveTo(50, 50)
    await bench.turnTo(30)
    expect(await bench.grab()).toMatchObject({ centreX: 0.2, centreZ: 58, spindleDeg: 30 })
  })
})

describe('a bench at the end of a line', () => {
  const port = 43_117
  let standIn: ChildProcess
  beforeAll(async () => {
    standIn = spawn('node_modules/.bin/tsx', ['standins/line-bench/server.ts'], {
      env: { ...process.env, LINE_PORT: String(port) },
    })
    for (let i = 0; i < 100; i++) {
      const there = await new Promise<boolean>((done) => {
        const socket = connect(port, '127.0.0.1')
        socket.on('connect', () => (socket.destroy(), done(true)))
        socket.on('error', () => done(false))
      })
      if (there) return
      await new Promise((done) => setTimeout(done, 100))
    }
  }, 20_000)
  afterAll(() => standIn.kill())

  const put = (line: string) =>
    new Promise<void>((done) => {
      const socket = connect(port, '127.0.0.1', () => socket.write(`${line}\r\n`))
      socket.on('data', () => (socket.destroy(), done()))
    })
  const bench = tcpLineBench(`127.0.0.1:${port}`, 1500)
  const figures = async () => {
    const lines = await bench.read()
    return lines.ok ? decodeLineFigures(lines.value) : lines
  }

  it('sends what stands on its readouts', async () => {
    await put('PUT LF=118.0203 DC=10.001')
    expect(await figures()).toEqual({ ok: true, value: { LF: 118.0203, DC: 10.001, RE: null } })
    await put('PUT LF=-0.5')
    expect(await figures()).toEqual({ ok: true, value: { LF: -0.5, DC: null, RE: null } })
    await put('PUT')
    expect(await bench.read()).toEqual({ ok: true, value: [] })
  })
  it('says when nothing answers, when it stops in the middle, and when it talks nonsense without end', async () => {
    expect(await tcpLineBench('127.0.0.1:9', 500).read()).toMatchObject({ ok: false, error: { code: 'UNREACHABLE' } })
    const other = async (answer: string | null) => {
      const server = createServer((socket) => {
        socket.on('error', () => undefined)
        if (answer === null) socket.end('LF +1')
        else socket.write(answer)
      })
      await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
      const read = await tcpLineBench(`127.0.0.1:${(server.address() as AddressInfo).port}`, 400).read()
      server.close()
      return read
    }
    expect(await other(null)).toMatchObject({ error: { code: 'UNREACHABLE', detail: 'incomplete' } })
    expect(await other('LF +1')).toMatchObject({ error: { code: 'UNREACHABLE', detail: 'timeout' } })
    expect(await other('x'.repeat(5000))).toMatchObject({ error: { code: 'GARBLED' } })
  })
})
