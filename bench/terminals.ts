/** Ten terminals at once: each scans, opens sheets, writes, and looks again when another has done something. */
import { cpSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { seededRandom } from '@/core/numeric'
import { ask, signedIn } from '../test/support/attack'
import { median } from './median'
import { DEMO, openServer, prepareDemo } from './server'

const TERMINALS = 10
const SECONDS = 30
/** Most answers come within this. */
const MOST_MS = 300
/** People who are quick: between two acts of one terminal, ms. */
const REST = { least: 1000, most: 3000 }
const PEOPLE = ['ines', 'oda', 'ruth', 'tomas'] as const
const SHEETS = [
  '/kit',
  '/kit/HP-2240',
  '/build',
  '/measure',
  '/hand-over',
  '/load?machine=HERON',
  '/return',
  '/tools/BX00143',
  '/records',
]
const SCANS = ['BX00143', 'BX00148', 'HP-2207', 'C-EM10R10', 'ELM-3']

/** Calls `hear` for each event until it is stopped. */
async function listen(url: string, cookie: string, signal: AbortSignal, hear: () => void): Promise<void> {
  const answer = await fetch(`${url}/api/events`, { headers: { cookie }, signal })
  const text = new TextDecoder()
  try {
    for await (const bytes of answer.body!) if (text.decode(bytes).includes('event: done')) hear()
  } catch {
    // stopped
  }
}

export async function terminalsBench(): Promise<void> {
  prepareDemo()
  const data = join('.cache', 'terminals')
  rmSync(data, { recursive: true, force: true })
  cpSync(DEMO, data, { recursive: true })
  const server = await openServer(data, 3740)
  const { url } = server
  const taken: Record<'sheet' | 'scan' | 'write' | 'look again', number[]> = { sheet: [], scan: [], write: [], 'look again': [] }
  const stop = new AbortController()
  const rest = (ms: number) => new Promise((later) => setTimeout(later, ms))
  const timed = async (what: keyof typeof taken, work: () => Promise<unknown>) => {
    const from = performance.now()
    await work()
    taken[what].push(performance.now() - from)
  }
  let heard = 0
  const terminal = async (n: number) => {
    const { uniform } = seededRandom(n + 1)
    const pick = <T>(list: readonly T[]): T => list[Math.floor(uniform() * list.length)]
    const cookie = await signedIn(url, PEOPLE[n % PEOPLE.length])
    const open = async (path: string) => (await fetch(url + path, { headers: { cookie, rsc: '1' } })).arrayBuffer()
    let sheet = pick(SHEETS)
    let again: Promise<void> | null = null
    void listen(url, cookie, stop.signal, () => {
      heard++
      again ??= rest(150 + 600 * uniform())
        .then(() => timed('look again', () => open(sheet)))
        // the server may have gone at the end
        .catch(() => undefined)
        .finally(() => (again = null))
    })
    const until = performance.now() + 1000 * SECONDS
    while (performance.now() < until) {
      await rest(REST.least + uniform() * (REST.most - REST.least))
      const what = uniform()
      if (what < 0.5) await timed('sheet', () => open((sheet = pick(SHEETS))))
      else if (what < 0.85) await timed('scan', () => ask(url, cookie, 'answerScanAction', pick(SCANS)))
      else await timed('write', () => ask(url, cookie, 'writeNoteAction', { text: `Coolant of Heron topped up ${n}` }))
    }
  }
  try {
    for (const path of SHEETS) await (await fetch(url + path, { headers: { cookie: await signedIn(url, 'oda') } })).arrayBuffer()
    const health: number[] = []
    for (let i = 0; i < 50; i++) {
      const from = performance.now()
      await (await fetch(`${url}/api/health`)).arrayBuffer()
      health.push(performance.now() - from)
    }
    await Promise.all(Array.from({ length: TERMINALS }, (_, n) => terminal(n)))
    stop.abort()
    const reference = median(health)
    const all = Object.values(taken).flat()
    console.log(`\n  ${TERMINALS} terminals for ${SECONDS} s; an answer of /api/health alone takes ${reference.toFixed(1)} ms`)
    for (const [what, times] of [...Object.entries(taken), ['all', all] as const]) {
      if (times.length === 0) continue
      const sorted = times.toSorted((a, b) => a - b)
      const p95 = sorted[Math.floor(0.95 * sorted.length)]
      const holds = p95 <= MOST_MS
      console.log(
        `${holds ? ' ' : '!'} ${what.padEnd(12)} ${String(times.length).padStart(5)} answers, half within ${median(times).toFixed(0)} ms, 95 % within ${p95.toFixed(0)} ms (${(p95 / reference).toFixed(0)} ×), worst ${sorted.at(-1)!.toFixed(0)} ms`,
      )
    }
    console.log(`  heard of what others did: ${heard} times; wanted: 95 % of all within ${MOST_MS} ms`)
  } finally {
    server.stop()
  }
}
