/**
 * The control stand-in: a process of its own with its own state file, reached by HTTP on loopback.
 * Environment: CONTROL_PORT, CONTROL_DATA (folder).
 */
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import { join } from 'node:path'
import { takeFile } from './gateway'
import { Refused, type MachineFacts, type Table } from './interpreter'

const port = Number(process.env.CONTROL_PORT ?? 3001)
const folder = process.env.CONTROL_DATA ?? './data/control'
const file = join(folder, 'state.json')
const machines = JSON.parse(readFileSync(join(import.meta.dirname, 'machines.json'), 'utf8')) as Record<string, MachineFacts>
const LARGEST_FILE = 1_000_000

mkdirSync(folder, { recursive: true })

function readState(): Record<string, Table> {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Record<string, Table>
  } catch {
    return {}
  }
}

/** Whole file or none: a stand-in stopped in the middle keeps the old state. */
function writeState(state: Record<string, Table>): void {
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

async function handle(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const match = /^\/machines\/([^/]+)\/(table|scratch|run)$/.exec(new URL(request.url ?? '/', 'http://control').pathname)
  if (request.url === '/') return answer(response, 200, { machines: Object.keys(machines) })
  const key = match ? decodeURIComponent(match[1]) : ''
  const facts = machines[key]
  if (!match || !facts) return answer(response, 404, { line: null, detail: 'no such machine' })
  const state = readState()
  const live = state[key] ?? {}
  if (match[2] === 'table') return answer(response, 200, { sizeIs: facts.sizeIs, tools: live })
  if (request.method !== 'POST') return answer(response, 405, { line: null, detail: 'send the file by POST' })
  const text = await bodyOf(request)
  const tools = takeFile(facts, match[2] === 'scratch' ? {} : live, text)
  if (match[2] === 'run') writeState({ ...state, [key]: tools })
  answer(response, 200, { sizeIs: facts.sizeIs, tools })
}

const server = createServer((request, response) => {
  handle(request, response).catch((error: unknown) => {
    if (error instanceof Refused) answer(response, 422, { line: error.line, detail: error.message })
    else answer(response, 500, { line: null, detail: 'the control stopped on a fault of its own' })
  })
})
server.listen(port, '127.0.0.1', () => console.log(`control stand-in on http://127.0.0.1:${port}`))
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => server.close(() => process.exit(0)))
