/**
 * Everything that may come over the wire, at every route and every action of a running server. The list of doors is the
 * build's own, so that a new one cannot be forgotten. What is sent is made from a seed: the same every time.
 */
import { Worker } from 'node:worker_threads'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { deflateSync } from 'node:zlib'
import { strToU8, zipSync } from 'fflate'
import type { z } from 'zod'
import { seededRandom } from '@/core/numeric'
import { VERBS } from '@/stations/rights'

export interface Attack {
  readonly url: string
  /** Cookie of a terminal where a lead is signed in. */
  readonly cookie: string
  readonly count: number
  readonly seed: number
}

export interface Attacked {
  readonly doors: number
  readonly count: number
  readonly byStatus: Readonly<Record<string, number>>
  /** Requests that broke something: what was sent, and what came back. */
  readonly broken: readonly string[]
  readonly worstMs: number
  readonly worst: string
  /** How long another request waited at most while all this went on, ms. */
  readonly worstWaitMs: number
  /** How many waits do not count, since the machine itself stood still meanwhile. */
  readonly starved: number
  /** What was at work then. */
  readonly waitedFor: string
}

interface Door {
  readonly name: string
  /** Ways of asking that it answered 405 to are not tried again. */
  readonly methods: Set<string>
  readonly ask: (random: Random) => { readonly path: string; readonly init: RequestInit; readonly about: string }
}

const SERVER = join('.next', 'server')
const json = <T>(file: string): T => JSON.parse(readFileSync(join(SERVER, file), 'utf8')) as T

interface Random {
  whole(below: number): number
  pick<T>(list: readonly T[]): T
}
function randomOf(seed: number): Random {
  const { uniform } = seededRandom(seed)
  const whole = (below: number) => Math.floor(uniform() * below)
  return { whole, pick: (list) => list[whole(list.length)] }
}

const NAMES = [
  ...[
    'BX00143',
    'BX00142',
    'BX00151',
    'HP-2207',
    'HERON',
    'DIPPER',
    'BITTERN',
    'D-0004',
    'K25-12',
    'CEDAR-4',
    'C2-1',
    'ines',
    'oda',
  ],
  ...['1', '2', '4', '0', '-1', '999999999', '1e9', 'NaN', '', ' ', '..', '../../etc/passwd', '%00', '%', 'a/b', 'a\\b'],
  ...[
    "';DROP TABLE tool;--",
    '<script>',
    '{{ 7 | plus: 1 }}',
    "{% render 'package.json' %}",
    '__proto__',
    'constructor',
    '𝕏🔧',
    '\u0000',
    '\u202e',
  ],
  'x'.repeat(3000),
]
const NUMBERS = [0, 1, -1, 3, 4, 12, 60, 0.5, 1e-9, 1e9, 1e308, -1e308, 2 ** 53, -0]

function value(random: Random, depth = 2): unknown {
  switch (random.whole(depth > 0 ? 10 : 7)) {
    case 0:
      return null
    case 1:
      return random.whole(2) === 0
    case 2:
    case 3:
      return random.pick(NUMBERS)
    case 7:
      return Array.from({ length: random.whole(4) }, () => value(random, depth - 1))
    case 8:
      return Object.fromEntries(Array.from({ length: random.whole(4) }, () => [random.pick(FIELDS), value(random, depth - 1)]))
    case 9:
      return Array.from({ length: 300 }, () => random.pick(NAMES.slice(0, 20)))
    default:
      return random.pick(NAMES)
  }
}

const shapeOf = (schema: z.ZodType): string[] => ('shape' in schema ? Object.keys(schema.shape as object) : [])
/** Fields that any contract has. */
const FIELDS = [...new Set(VERBS.flatMap(({ contract }) => shapeOf(contract.input)))]

/** An object with the very fields that a contract asks for. */
function shaped(random: Random, fields: readonly string[]): unknown {
  const told: Record<string, unknown> = {}
  for (const field of fields) {
    if (random.whole(12) === 0) continue
    if (/^(serial|scanned)$/.test(field) && random.whole(3))
      told[field] = random.pick(['BX00143', 'BX00142', 'BX00144', 'BX00151'])
    else if (/^(job|id)$/.test(field) && random.whole(2)) told[field] = random.pick(['HP-2207', 'HP-2240', 1, 2])
    else if (/^(text|template)$/.test(field) && random.whole(2)) told[field] = text(random)
    else if (/^(count|found|quantity|version|t)$/.test(field) && random.whole(2)) told[field] = random.pick(NUMBERS)
    else told[field] = value(random)
  }
  return told
}

const png = (width: number, height: number): Uint8Array => {
  const bytes = new Uint8Array(64)
  bytes.set([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52])
  new DataView(bytes.buffer).setUint32(16, width)
  new DataView(bytes.buffer).setUint32(20, height)
  bytes.set([16, 6], 24)
  return bytes
}
const frames = (random: Random): Uint8Array =>
  zipSync({
    'frameset.json': strToU8(
      JSON.stringify({
        format: random.pick(['boulder-frameset/1', 'x']),
        mmPerPixel: { x: random.pick(NUMBERS), z: 0.01 },
        frames: [{ file: 'a.png', edge: random.pick([1, -1]), spindle: 0, centreX: 1, centreZ: random.pick(NUMBERS) }],
      }),
    ),
    'a.png': random.pick([png(20_000, 20_000), png(64, 64), strToU8('x'), deflateSync(Buffer.alloc(2 ** 20))]),
  })

/** Text of the files that people bring along, right and spoilt. */
function text(random: Random): string {
  const lines = random.pick([3, 30, 3000])
  switch (random.whole(8)) {
    case 0:
      return 'G21\nT4 M6\nG43 H4\nM30\n'.repeat(lines)
    case 1:
      return `id,name,kind,price\n${'A-1,x,collet,4\n'.repeat(lines)}`
    case 2:
      return 'BT1;S=BX00143;I=1;T=4;M=HERON;L=118.0000;X=5.0006;U=MM;A=2611251042;C=0000'
    case 3:
      return '('.repeat(lines)
    case 4:
      return `0\nSECTION\n2\nENTITIES\n${'0\nLINE\n'.repeat(lines)}0\nEOF\n`
    case 5:
      return '{% for i in (1..400000000) %}{% endfor %}'
    case 6:
      return JSON.stringify(value(random, 4))
    default:
      return random.pick(NAMES)
  }
}

const BODIES: readonly ((random: Random) => readonly [type: string, body: string | Uint8Array])[] = [
  (random) => ['text/plain', text(random)],
  (random) => ['application/json', JSON.stringify(shaped(random, ['machine', 'assemblies', 'post', 'forwardS']))],
  (random) => ['application/json', text(random)],
  (random) => ['application/zip', frames(random)],
  (random) => ['application/zip', strToU8(text(random))],
  (random) => ['image/png', png(random.pick([1, 9000, 100_000]), 64)],
  (random) => ['application/octet-stream', strToU8(text(random).slice(0, 2048))],
  () => ['application/x-www-form-urlencoded', 'a=1'],
]
const bytesOf = (body: string | Uint8Array) => (typeof body === 'string' ? body : new Uint8Array(body))

const QUERY = [
  'kind',
  'ids',
  'on',
  't',
  'machine',
  'state',
  'serial',
  'scanned',
  'taken',
  'check',
  'program',
  'reason',
  'format',
  'limit',
  'before',
  'words',
  'what',
  'from',
  'to',
  'count',
  'sort',
  'down',
  'sizeMm',
  'tool',
  'person',
  'role',
]

function query(random: Random): string {
  const told = new URLSearchParams()
  for (let i = random.whole(4); i > 0; i--)
    told.append(random.pick(QUERY), random.pick([...NAMES, 'mill', 'lathe', 'csv', 'json', 'sheet', '1,1,1,1', '500']))
  return told.size ? `?${told.toString()}` : ''
}

/** A part of an address: encoded, or as it would be if nobody had. */
const part = (random: Random): string => {
  const name = random.pick(NAMES)
  return random.whole(12) === 0 ? '%ff' : encodeURIComponent(name || 'x')
}

const built = (end: string): string[] =>
  Object.keys(json<Record<string, string>>('app-paths-manifest.json'))
    .filter((path) => path.endsWith(end))
    .map((path) => path.slice(0, -end.length) || '/')

/** Every route of the API and every page, as the build knows them: `/kit/[job]`. */
export const routeNames = (): string[] => built('/route').filter((path) => path.startsWith('/api/'))
export const pageNames = (): string[] => built('/page').filter((path) => !path.startsWith('/_'))

function routes(): Door[] {
  return routeNames().map((name) => {
    const methods = new Set(['GET', 'POST', 'PUT', 'DELETE'])
    return {
      name,
      methods,
      ask(random) {
        const path = name.replace(/\[\.\.\.\w+\]|\[\w+\]/g, () => part(random)) + query(random)
        const method = random.pick([...methods])
        if (method === 'GET' || method === 'DELETE') return { path, init: { method }, about: `${method} ${path}` }
        const [type, body] = random.pick(BODIES)(random)
        const init = { method, headers: { 'content-type': type }, body: bytesOf(body) }
        return { path, init, about: `${method} ${path} ${type} ${typeof body === 'string' ? body.slice(0, 80) : body.length}` }
      },
    }
  })
}

interface ServerAction {
  readonly filename: string
  readonly exportedName: string
}

const allActions = () => Object.entries(json<{ node: Record<string, ServerAction> }>('server-reference-manifest.json').node)

const asked = (id: string, body: string): RequestInit => ({
  method: 'POST',
  headers: { 'next-action': id, accept: 'text/x-component', 'content-type': 'text/plain;charset=UTF-8' },
  body,
})

/** Every action that a page can ask for, as the build knows them. */
export const actionNames = (): string[] => allActions().map(([, { exportedName }]) => exportedName)

/** One action, asked as a page asks it. @returns the whole answer, as the protocol has it */
export const ask = async (url: string, cookie: string, action: string, given: unknown): Promise<string> =>
  (await send(url, cookie, action, given)).text()

function send(url: string, cookie: string, action: string, given: unknown): Promise<Response> {
  const [id] = allActions().find(([, { exportedName }]) => exportedName === action)!
  const init = asked(id, JSON.stringify([given]))
  return fetch(`${url}/kit`, { ...init, headers: { ...init.headers, cookie } })
}

/** @returns the cookie of a terminal where this person is signed in; null: nobody */
export async function signedIn(url: string, person: string | null): Promise<string> {
  const page = await fetch(`${url}/kit`)
  await page.arrayBuffer()
  const [cookie] = (page.headers.get('set-cookie') ?? '').split(';')
  if (person === null) return cookie
  const signed = await send(url, cookie, 'signInAction', { personId: person, pin: null })
  await signed.arrayBuffer()
  return (signed.headers.get('set-cookie') ?? '').split(';')[0]
}

function actions(): Door[] {
  return allActions().map(([id, { exportedName }]) => {
    const verb = exportedName.replace(/Action$/, '')
    const contract = VERBS.find(({ name }) => name.endsWith(`.${verb}`))?.contract
    const fields = contract ? shapeOf(contract.input) : []
    return {
      name: exportedName,
      methods: new Set(['POST']),
      ask(random) {
        const given = fields.length && random.whole(5) ? shaped(random, fields) : value(random)
        // what stands at the beginning of a text would be read as a mark of the protocol
        const body = JSON.stringify([given]).replace(/"\$/g, '"S')
        return { path: '/kit', init: asked(id, body), about: `${exportedName} ${body.slice(0, 160)}` }
      },
    }
  })
}

/** Asks something small again and again, and says how long each answer took, and how late its own clock was meanwhile, ms. */
const STARVED_MS = 40
const CANARY = `
  const { parentPort, workerData } = require('node:worker_threads')
  let late = 0
  let last = performance.now()
  setInterval(() => {
    const now = performance.now()
    late = Math.max(late, now - last - 5)
    last = now
  }, 5)
  const ask = async () => {
    late = 0
    const from = performance.now()
    await fetch(workerData).then((answer) => answer.arrayBuffer())
    parentPort.postMessage({ waitMs: performance.now() - from, lateMs: late })
    setTimeout(ask, 20)
  }
  ask()
`

/** After these somebody else, or nobody, is signed in; or the answer goes on for as long as somebody listens. */
const ENDS: readonly string[] = ['signInAction', 'signOutAction', '/api/events']

/** Every door, in turn and at random, one request after the other, while another one is asked again and again. */
export async function attack({ url, cookie, count, seed }: Attack): Promise<Attacked> {
  const random = randomOf(seed)
  // who is signed in at this terminal stays signed in
  const doors = [...routes(), ...actions()].filter(({ name }) => !ENDS.includes(name) && name !== '/api/clock')
  const byStatus: Record<string, number> = {}
  const broken: string[] = []
  const worst = { ms: 0, about: '', waitMs: 0, waitedFor: '' }
  const going = { about: '' }
  // in a thread of its own: what holds up whoever attacks is no wait of anybody else
  const canary = new Worker(CANARY, { eval: true, workerData: `${url}/api/health` })
  let starved = 0
  canary.on('message', ({ waitMs, lateMs }: { readonly waitMs: number; readonly lateMs: number }) => {
    // a thread that does nothing else and whose clock is late has no processor: that is this machine's wait, not the server's
    if (lateMs > STARVED_MS) starved++
    else if (waitMs > worst.waitMs) Object.assign(worst, { waitMs, waitedFor: going.about })
  })
  try {
    for (let i = 0; i < count; i++) {
      const door = doors[i < doors.length ? i : random.whole(doors.length)]
      const { path, init, about } = door.ask(random)
      going.about = about
      const from = performance.now()
      try {
        const answer = await fetch(url + path, { ...init, headers: { ...init.headers, cookie }, redirect: 'manual' })
        await answer.arrayBuffer()
        byStatus[answer.status] = (byStatus[answer.status] ?? 0) + 1
        if (answer.status === 405 && door.methods.size > 1) door.methods.delete(init.method ?? 'GET')
        if (answer.status === 500 || answer.status > 507) broken.push(`${answer.status}: ${about}`)
      } catch (error) {
        broken.push(`no answer (${String(error)}): ${about}`)
      }
      const ms = performance.now() - from
      if (ms > worst.ms) Object.assign(worst, { ms, about })
    }
  } finally {
    await canary.terminate()
  }
  return {
    doors: doors.length,
    count,
    byStatus,
    broken,
    worstMs: worst.ms,
    worst: worst.about,
    worstWaitMs: worst.waitMs,
    starved,
    waitedFor: worst.waitedFor,
  }
}
