/**
 * The control stand-in: a process of its own with its own state file, reached by HTTP on loopback.
 * `POST /probe` runs a check block against a tool setter. `POST /check` tries a file on an empty table, for any machine whose facts the question names; it keeps nothing.
 * Environment: CONTROL_CHECKS_ONLY=1 (only that), CONTROL_PORT (0: any that is free), CONTROL_DATA (folder), CONTROL_STAYS=0 (ends with its input), CONTROL_MACHINES (a file like machines.json with further ones).
 */
import facts from './machines.json'
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import { join } from 'node:path'
import { z } from 'zod'
import { assign, Hand, hand, keepTable, newCell, report, storeProgram, turnTo, type Cell, type CellFacts } from './cell'
import { takeFile } from './gateway'
import { NO_MODAL, Refused } from './interpreter'
import { LIES } from './lie'
import { runCheck } from './probe'
import { keptAfterLook, keptAfterRun, toldState, toldTable, wireOf, type Wire } from './lies'

const port = Number(process.env.CONTROL_PORT ?? 3001)
const folder = process.env.CONTROL_DATA ?? './data/control'
const file = join(folder, 'state.json')
const more = process.env.CONTROL_MACHINES
const machines = {
  ...(facts as unknown as Record<string, CellFacts>),
  ...(more ? (JSON.parse(readFileSync(more, 'utf8')) as Record<string, CellFacts>) : {}),
}
/** A real shop has machines of its own: here files are only tried out. */
const checksOnly = process.env.CONTROL_CHECKS_ONLY === '1'
const LARGEST_FILE = 1_000_000

mkdirSync(folder, { recursive: true })

type State = Readonly<Record<string, Cell>>

function readState(): State {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as State
  } catch {
    return {}
  }
}

/** Whole file or none: a stand-in stopped in the middle keeps the old state. */
function writeState(state: State): void {
  writeFileSync(`${file}.new`, JSON.stringify(state, null, 1))
  renameSync(`${file}.new`, file)
}

async function bodyOf(request: IncomingMessage): Promise<string> {
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of request as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > LARGEST_FILE) throw new Refused(null, 'the file is too large')
    chunks.push(chunk)
  }
  return Buffer.concat(chunks).toString('utf8')
}

function answer(response: ServerResponse, status: number, body: unknown): void {
  // one request a connection: a kept one may be shut just as the next request is sent
  response.writeHead(status, { 'content-type': 'application/json', connection: 'close' }).end(JSON.stringify(body))
}

/** How the control reads a file that is tried out: any machine's, said with the question. */
const Checked = z.object({
  kind: z.enum(['mill', 'lathe']),
  dialect: z.enum(['word address', 'rs274']),
  unit: z.enum(['mm', 'inch']),
  decimals: z.coerce.number().int().min(0).max(8),
  sizeIs: z.enum(['radius', 'diameter']),
  highestTool: z.coerce.number().int().min(1).max(99_999),
})
/** Where the tool setter stands, and how much longer the tool is than its offset says. */
const Setter = z.object({ at: z.coerce.number(), off: z.coerce.number() })
const Turn = z.object({ pocket: z.number() })
const Assign = z.object({ pocket: z.number(), t: z.number().nullable() })
const Lying = z.object({ lie: z.enum(LIES) })
const Faults = z.object({ slowMs: z.number().min(0).max(60_000), drop: z.enum(['before', 'after']).nullable() })

function json<S extends z.ZodType>(schema: S, text: string): z.output<S> {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    throw new Refused(null, 'it is no JSON')
  }
  const read = schema.safeParse(value)
  if (!read.success) throw new Refused(null, read.error.issues[0].message)
  return read.data
}

interface Done {
  readonly cell?: Cell
  readonly body: unknown
}

/** One request's work on one machine; nothing is kept when it throws. */
function workOn(facts: CellFacts, key: string, cell: Cell, what: string, name: string, text: string): Done {
  const { lie, last } = cell
  const machine = lie === 'answers for another machine' ? `${key}-2` : key
  const told = (tools: unknown) => ({ machine, sizeIs: facts.sizeIs, tools })
  const stateOf = (next: Cell) => ({ machine, ...toldState(facts, lie, report(facts, next)) })
  const moved = (next: Cell): Done => ({ cell: next, body: stateOf(next) })
  switch (what) {
    case 'table': {
      const looks = last.looks + 1
      const next = keptAfterLook(lie, { ...cell, last: { ...last, looks } }, looks)
      return { cell: next, body: told(toldTable(lie, cell.table, next.last)) }
    }
    case 'scratch':
      return { body: told(takeFile(facts, {}, text, NO_MODAL).table) }
    case 'run': {
      if (facts.takes === 'typing') throw new Refused(null, 'this control takes no files: its figures are typed')
      const honest = keepTable(cell, takeFile(facts, cell.table, text, cell.modal))
      const kept = keptAfterRun(facts, lie, cell, honest, text)
      const next = { ...kept, last: { before: cell.table, honest: honest.table, looks: 0 } }
      return { cell: next, body: told(toldTable(lie, kept.table, next.last)) }
    }
    case 'state':
      if (facts.takes === 'typing') throw new Refused(null, 'this control has no network')
      return { body: stateOf(cell) }
    case 'turn':
      return moved(turnTo(facts, cell, json(Turn, text).pocket))
    case 'pockets': {
      const { pocket, t } = json(Assign, text)
      return moved(assign(facts, cell, pocket, t))
    }
    case 'programs':
      return moved(storeProgram(cell, name, text))
    case 'faults':
      return moved({ ...cell, faults: json(Faults, text) })
    case 'lie':
      return moved({ ...cell, lie: json(Lying, text).lie })
    default:
      return moved(hand(facts, cell, json(Hand, text)))
  }
}

/** Longer than anybody waits. */
const LATE_MS = 600_000

/** Sends an answer as it is, or spoilt on its way. */
async function send(response: ServerResponse, body: unknown, wire: Wire): Promise<void> {
  if (wire === 'answers late') await new Promise((done) => setTimeout(done, LATE_MS).unref())
  if (wire === null || wire === 'answers late') return answer(response, 200, body)
  const text = JSON.stringify(body)
  const spoilt = wire === 'answers nothing' ? '' : wire === 'answers twice' ? text + text : text.slice(0, text.length / 2)
  response.writeHead(200, { 'content-type': 'application/json', connection: 'close' }).end(spoilt)
}

async function handle(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const url = new URL(request.url ?? '/', 'http://control')
  if (url.pathname === '/check' && request.method === 'POST') {
    const facts = Checked.parse(Object.fromEntries(url.searchParams))
    const { table } = takeFile({ ...facts, name: 'check' }, {}, await bodyOf(request), NO_MODAL)
    return answer(response, 200, { sizeIs: facts.sizeIs, tools: table })
  }
  if (url.pathname === '/probe' && request.method === 'POST') {
    const setter = Setter.parse(Object.fromEntries(url.searchParams))
    return answer(response, 200, runCheck(await bodyOf(request), setter))
  }
  if (checksOnly && url.pathname !== '/') return answer(response, 503, { line: null, detail: 'files are only tried out here' })
  const match = /^\/machines\/([^/]+)\/(table|scratch|run|state|turn|pockets|programs|hand|faults|lie)$/.exec(url.pathname)
  if (url.pathname === '/') return answer(response, 200, { machines: Object.keys(machines) })
  const key = match ? decodeURIComponent(match[1]) : ''
  const facts = Object.hasOwn(machines, key) ? machines[key] : undefined
  if (!match || !facts) return answer(response, 404, { line: null, detail: 'no such machine' })
  const [, , what] = match
  if (what !== 'table' && what !== 'state' && request.method !== 'POST')
    return answer(response, 405, { line: null, detail: 'send it by POST' })
  const text = await bodyOf(request)
  const { slowMs, drop } = { ...newCell(facts), ...readState()[key] }.faults
  if (slowMs && what !== 'faults') await new Promise((done) => setTimeout(done, slowMs))
  // a fault cuts one request; whoever plays at the machine is never cut
  const cuts = drop !== null && what !== 'faults' && what !== 'hand' && what !== 'programs'
  const state = readState()
  const before: Cell = { ...newCell(facts), ...state[key] }
  const mended: Cell = cuts ? { ...before, faults: { slowMs, drop: null } } : before
  if (cuts && drop === 'before') {
    writeState({ ...state, [key]: mended })
    request.socket.destroy()
    return
  }
  const { cell, body } = workOn(facts, key, mended, what, url.searchParams.get('name') ?? 'PROGRAM', text)
  if (cell ?? cuts) writeState({ ...state, [key]: cell ?? mended })
  // whoever plays at the machine is always told the truth of what they did
  const played = what === 'lie' || what === 'hand' || what === 'faults' || what === 'programs'
  if (cuts) request.socket.destroy()
  else await send(response, body, played ? null : wireOf(mended.lie))
}

const server = createServer((request, response) => {
  handle(request, response).catch((error: unknown) => {
    if (error instanceof z.ZodError) answer(response, 422, { line: null, detail: 'its facts are not those of a machine' })
    else if (error instanceof Refused) answer(response, 422, { line: error.line, detail: error.message })
    else answer(response, 500, { line: null, detail: 'the control stopped on a fault of its own' })
  })
})
server.listen(port, '127.0.0.1', () => {
  const at = server.address()
  console.log(`control stand-in on http://127.0.0.1:${typeof at === 'object' && at ? at.port : port}`)
})
// where whoever started it holds its input, it ends with them
if (process.env.CONTROL_STAYS === '0') process.stdin.resume().on('end', () => process.exit(0))
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => server.close(() => process.exit(0)))
