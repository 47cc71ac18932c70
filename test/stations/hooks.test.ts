/** Other programs are told of what happens: with the entry itself, signed, and again until they take it. */
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterEach, describe, expect, it } from 'vitest'
import { httpTeller, signatureOf } from '@/devices/hook/http'
import type { Told, Teller } from '@/devices/hook/port'
import { disturb } from '@/stations/build/take-apart'
import { makeHook, readHooks, tellAgain, tellHooks, endHook, WAITS_S } from '@/stations/outside/hooks'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { fail, ok } from '@/core/units'
import {
  codeOf,
  goodT4,
  later,
  measured,
  saveMeasurement,
  saving,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'

const SECRET = 'key-of-both'
const hook = { name: 'Office list', url: 'http://office.example/boulder', events: ['released', 'refused'] as const }

/** Takes what it is told, or not. */
function listener(takes: () => boolean = () => true) {
  const heard: Told[] = []
  const teller: Teller = {
    tell: (told) => {
      heard.push(told)
      return Promise.resolve(takes() ? ok({ status: 200 }) : fail({ code: 'NOT_TAKEN', status: 503 }))
    },
  }
  return { heard, teller }
}
const withHook = (room: ToolRoom) => {
  valueOf(makeHook(room.as('oda'), SECRET, hook))
  return room
}
const released = async (room: ToolRoom) => {
  valueOf(await releaseHandover(measured(room).as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
  return room
}
const tell = (room: ToolRoom, teller: Teller, minutes: number) => tellHooks(room.db, teller, () => later(minutes))

describe('a web hook', () => {
  it('tells of a released hand-over and of what was refused, once, and of nothing else', async () => {
    const room = await released(withHook(withT4(withJobs(toolRoom()))))
    const { heard, teller } = listener()
    await tell(room, teller, 200)
    await tell(room, teller, 201)
    const told = heard.map(({ event, body }) => [event, JSON.parse(body) as Record<string, unknown>] as const)
    expect(told).toEqual([
      ['released', expect.objectContaining({ event: 'released', serial: 'BX00143', t: 4, machine: 'HERON', issue: 1 })],
    ])
    valueOf(disturb(room.as('ines', 210), 'BX00143', 'dropped'))
    await tell(room, teller, 211)
    expect(heard).toHaveLength(1)
    const other = saving('BX00143', goodT4(), { scanned: 'BX00144', takenAt: later(212) })
    expect(codeOf(saveMeasurement(room.as('ines', 212), room.evidence, other))).toBe('OTHER_HOLDER')
    await tell(room, teller, 213)
    expect(JSON.parse(heard[1].body)).toEqual({
      ...{ event: 'refused', at: later(212), serial: 'BX00143', t: 4, machine: 'HERON', by: 'Ines Varga' },
      ...{ where: 'Measure', why: 'OTHER_HOLDER' },
    })
  })
  it('forgets after a month what was taken, and nothing that was not', async () => {
    const room = await released(withHook(withT4(withJobs(toolRoom()))))
    const { teller } = listener()
    await tell(room, teller, 200)
    const kept = () => (room.db.prepare('SELECT count(*) AS n FROM hook_call').get() as { n: number }).n
    expect(kept()).toBe(1)
    const other = saving('BX00143', goodT4(), { scanned: 'BX00144', takenAt: later(212) })
    expect(codeOf(saveMeasurement(room.as('ines', 212), room.evidence, other))).toBe('OTHER_HOLDER')
    await tell(room, teller, 200 + 31 * 1440)
    expect(kept()).toBe(1)
  })
  it('tells nothing of what was undone, and nobody who was ended', async () => {
    const room = withHook(withT4(withJobs(toolRoom())))
    const [{ id }] = readHooks(room.db)
    await released(room)
    valueOf(endHook(room.as('oda', 150), id))
    const { heard, teller } = listener()
    await tell(room, teller, 200)
    expect(heard).toEqual([])
    expect(codeOf(endHook(room.as('oda', 151), id))).toBe('UNKNOWN_HOOK')
  })
  it('is tried again with growing waits, then given up, and once more when somebody says so', async () => {
    const room = await released(withHook(withT4(withJobs(toolRoom()))))
    let up = false
    const { heard, teller } = listener(() => up)
    let at = 200
    const ats = [at]
    for (const wait of WAITS_S) {
      await tell(room, teller, at)
      const next = readHooks(room.db)[0].last?.nextAt
      expect(next).toBe(later(at + wait / 60))
      // nothing before its time
      const before = heard.length
      await tell(room, teller, at + wait / 60 - 0.01)
      expect(heard).toHaveLength(before)
      at += wait / 60
      ats.push(at)
    }
    await tell(room, teller, at)
    expect(heard).toHaveLength(WAITS_S.length + 1)
    expect(new Set(heard.map((t) => t.delivery)).size).toBe(1)
    expect(heard.map((t) => t.time)).toEqual(ats.map(later))
    expect(readHooks(room.db)[0]).toMatchObject({ givenUp: 1, waiting: 0, last: { problem: 'HTTP 503', nextAt: null } })
    up = true
    expect(valueOf(tellAgain(room.as('oda', at + 10), readHooks(room.db)[0].id))).toEqual({ count: 1 })
    await tell(room, teller, at + 11)
    expect(readHooks(room.db)[0]).toMatchObject({ givenUp: 0, last: { takenAt: later(at + 11), problem: null } })
  })
})

describe('over the web', () => {
  const servers: ReturnType<typeof createServer>[] = []
  afterEach(() => servers.splice(0).forEach((s) => s.close()))
  const serve = (answer: number, location?: string) =>
    new Promise<{ url: string; heard: { headers: Record<string, unknown>; body: string }[] }>((done) => {
      const heard: { headers: Record<string, unknown>; body: string }[] = []
      const server = createServer((request, response) => {
        let body = ''
        request.on('data', (d: Buffer) => (body += d.toString()))
        request.on('end', () => {
          heard.push({ headers: request.headers, body })
          response.writeHead(answer, location ? { location } : {}).end('{}')
        })
      })
      servers.push(server)
      server.listen(0, '127.0.0.1', () => done({ url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/in`, heard }))
    })
  const told = (url: string): Told => ({
    ...{ url, secret: SECRET, delivery: 7, event: 'loaded' },
    ...{ time: '2026-11-30T06:00:00.000Z', body: '{"event":"loaded"}' },
  })
  // computed with the hmac module of Python 3.11
  const SIGNATURE = '51133164db63b23bc13fafe32049672364863b9a8fd1c26654e415fae86620a3'

  it('carries a signature over its time and its body', async () => {
    expect(signatureOf(told(''))).toBe(SIGNATURE)
    const { url, heard } = await serve(204)
    expect(await httpTeller().tell(told(url))).toEqual(ok({ status: 204 }))
    expect(heard[0].body).toBe('{"event":"loaded"}')
    expect(heard[0].headers).toMatchObject({
      ...{ 'x-boulder-signature': SIGNATURE, 'x-boulder-time': '2026-11-30T06:00:00.000Z' },
      ...{ 'x-boulder-delivery': '7', 'x-boulder-event': 'loaded', 'content-type': 'application/json' },
    })
  })
  it('says why it was not taken, and follows nobody to another address', async () => {
    const other = await serve(200)
    const moved = await serve(302, other.url)
    expect(await httpTeller().tell(told(moved.url))).toEqual(fail({ code: 'NOT_TAKEN', status: 302 }))
    expect(other.heard).toEqual([])
    expect(await httpTeller().tell(told('http://127.0.0.1:1/'))).toMatchObject({ ok: false, error: { code: 'NOT_REACHED' } })
  })
})
