/** A tool room of its own for every browser test: a copy of the seeded one, with a server and stand-ins of its own. */
import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { test as base, type APIRequestContext } from '@playwright/test'

export { expect } from '@playwright/test'

export const SEEDED = join('.cache', 'e2e-seed')
const FIRST_PORT = 3300
/** Ports of one worker: page, control and line of one test, then those of the next. */
const PORTS_OF_WORKER = 600
const bin = (name: string) => resolve('node_modules', '.bin', name)
const bundle = (name: string) => resolve('.cache', 'workers', `${name}.mjs`)

export interface Room {
  readonly url: string
  /** Its data folder. */
  readonly data: string
}

let used = 0

async function answers(url: string): Promise<void> {
  for (;;) {
    try {
      if ((await fetch(url)).ok) return
    } catch {
      // not yet; the test's own limit ends this
    }
    await new Promise((later) => setTimeout(later, 50))
  }
}

const ended = (child: ChildProcess) =>
  new Promise<void>((done) => {
    if (child.exitCode !== null || child.signalCode !== null) return done()
    child.once('exit', () => done())
    child.kill('SIGTERM')
    setTimeout(() => child.kill('SIGKILL'), 2000).unref()
  })

/** The control of a machine that an empty shop sets up. */
const KITE = { name: 'Kite', unit: 'inch', decimals: 4, sizeIs: 'diameter', highestTool: 99, pockets: 20 }

/** Opens a room, and shuts it when it is not used any more. */
async function withRoom(
  worker: number,
  give: (room: Room) => Promise<void>,
  kind: 'demo' | 'empty' | 'real' = 'demo',
): Promise<void> {
  const port = FIRST_PORT + worker * PORTS_OF_WORKER + 3 * (used++ % 190)
  const data = resolve('.cache', `e2e-${port}`)
  rmSync(data, { recursive: true, force: true })
  if (kind === 'demo') cpSync(SEEDED, data, { recursive: true })
  else {
    mkdirSync(data)
    writeFileSync(join(data, 'machines.json'), JSON.stringify({ KITE }))
  }
  const env = {
    ...process.env,
    PORT: String(port),
    BOULDER_DATA: data,
    BOULDER_API_TOKEN: 'demo-token',
    ...(kind === 'demo'
      ? { BOULDER_PLACE: 'Hollowbeck Pumps' }
      : { BOULDER_FIRST_CODE: FIRST_CODE, CONTROL_MACHINES: join(data, 'machines.json') }),
    ...(kind === 'real' ? {} : { BOULDER_LINE_BENCH: `127.0.0.1:${port + 2}` }),
    BOULDER_STANDINS: kind === 'real' ? '0' : '1',
    BOULDER_LOG: 'warn',
    CONTROL_PORT: String(port + 1),
    CONTROL_DATA: join(data, 'control'),
    LINE_PORT: String(port + 2),
    NEXT_TELEMETRY_DISABLED: '1',
  }
  const start = (command: string, ...args: string[]) =>
    spawn(process.execPath, [command, ...args], { env, stdio: ['ignore', 'ignore', 'inherit'] })
  const children = [
    // a connection that the server gives up just as the next request takes it would lose that request
    start(bin('next'), 'start', '--port', String(port), '--keepAliveTimeout', '300000'),
    start(bundle('control')),
    start(bundle('line-bench')),
  ]
  const url = `http://localhost:${port}`
  await Promise.all([answers(`${url}/api/health`), answers(`http://127.0.0.1:${port + 1}/`)])
  await give({ url, data })
  await Promise.all(children.map(ended))
  rmSync(data, { recursive: true, force: true })
}

/** A test that changes what is in the room: it has one of its own. */
export const test = base.extend<{ room: Room }>({
  room: [async ({}, use, info) => withRoom(info.parallelIndex, use), { auto: true, timeout: 120_000 }],
  baseURL: async ({ room }, give) => give(room.url),
})

/** A test that only looks: all of a worker's share a room. Who is signed in, and in which unit, is each browser's own. */
export const lookingTest = base.extend<object, { room: Room }>({
  room: [async ({}, use, info) => withRoom(info.parallelIndex, use), { auto: true, scope: 'worker', timeout: 120_000 }],
  baseURL: async ({ room }, give) => give(room.url),
})

/** What the server of an empty room was started with. */
export const FIRST_CODE = 'K7QM-2XPA'

/** A shop in which nobody has ever worked. */
export const emptyTest = base.extend<{ room: Room }>({
  room: [async ({}, use, info) => withRoom(info.parallelIndex, use, 'empty'), { auto: true, timeout: 120_000 }],
  baseURL: async ({ room }, give) => give(room.url),
})

/** The same without stand-ins, as a shop has it: only the machine's control answers, and nothing knows that it is a simulated one. */
export const realTest = base.extend<{ room: Room }>({
  room: [async ({}, use, info) => withRoom(info.parallelIndex, use, 'real'), { auto: true, timeout: 120_000 }],
  baseURL: async ({ room }, give) => give(room.url),
})

/** Sets the clock of the room forward: nobody waits for a simulated nose to cool. */
export async function later(request: APIRequestContext, seconds: number): Promise<void> {
  const done = await request.post('/api/clock', {
    headers: { authorization: 'Bearer demo-token' },
    data: { forwardS: seconds },
    maxRetries: 2,
  })
  if (!done.ok()) throw new Error(await done.text())
}
