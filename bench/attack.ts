/** Twenty thousand requests of all kinds at every route and every action: worst answer, worst wait of another, memory. */
import { cpSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { attack, signedIn } from '../test/support/attack'
import { DEMO, openServer, prepareDemo } from './server'

const COUNT = 20_000
const SEED = 1
/** No answer takes longer, and nobody else waits longer. */
const MOST_MS = 3_000
const MOST_WAIT_MS = 200

/** The most memory that a process ever had, MB. */
const mostMb = (pid: number): number =>
  Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? NaN) / 1024

export async function attackBench(count = COUNT): Promise<void> {
  prepareDemo()
  const data = join('.cache', 'attacked')
  rmSync(data, { recursive: true, force: true })
  cpSync(DEMO, data, { recursive: true })
  const server = await openServer(data, 3730)
  try {
    const before = mostMb(server.pid)
    const done = await attack({ url: server.url, cookie: await signedIn(server.url, 'oda'), count, seed: SEED })
    console.log(`\n  ${done.count} requests at ${done.doors} routes and actions: ${JSON.stringify(done.byStatus)}`)
    console.log(`${done.broken.length ? '!' : ' '} broken: ${done.broken.length}`)
    for (const one of done.broken.slice(0, 20)) console.log(`    ${one}`)
    console.log(
      `${done.worstMs > MOST_MS ? '!' : ' '} worst answer ${done.worstMs.toFixed(0)} ms (at most ${MOST_MS}): ${done.worst}`,
    )
    console.log(
      `${done.worstWaitMs > MOST_WAIT_MS ? '!' : ' '} worst wait of another request ${done.worstWaitMs.toFixed(0)} ms (at most ${MOST_WAIT_MS}): ${done.waitedFor}`,
    )
    console.log(`  left out since this machine itself had no time: ${done.starved} waits`)
    console.log(`  memory ${before.toFixed(0)} MB before, ${mostMb(server.pid).toFixed(0)} MB at most`)
  } finally {
    server.stop()
  }
}
