/** The built application on a data folder of its own, for benches. */
import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'

/** The demo as the browser tests have it. */
export const DEMO = join('.cache', 'e2e-seed')

export function prepareDemo(): void {
  if (!existsSync(join(DEMO, 'boulder.sqlite'))) execFileSync(process.execPath, ['scripts/seed-room.mjs', DEMO], { stdio: 'inherit' })
}

export interface Server {
  readonly url: string
  readonly pid: number
  readonly stop: () => void
}

async function answers(url: string): Promise<void> {
  for (;;) {
    try {
      if ((await fetch(url)).ok) return
    } catch {
      // not yet
    }
    await new Promise((later) => setTimeout(later, 100))
  }
}

export async function openServer(data: string, port: number): Promise<Server> {
  const folder = resolve(data)
  const env = {
    ...process.env,
    PORT: String(port),
    BOULDER_DATA: folder,
    BOULDER_API_TOKEN: 'bench',
    BOULDER_STANDINS: '1',
    BOULDER_LOG: 'warn',
    CONTROL_PORT: String(port + 1),
    CONTROL_DATA: join(folder, 'control'),
    NEXT_TELEMETRY_DISABLED: '1',
  }
  const start = (...args: string[]): ChildProcess =>
    spawn(process.execPath, args, { env, stdio: ['ignore', 'ignore', 'inherit'] })
  const children = [
    start(join('node_modules', '.bin', 'next'), 'start', '--port', String(port)),
    start(join('.cache', 'workers', 'control.mjs')),
  ]
  await answers(`http://localhost:${port}/api/health`)
  await answers(`http://127.0.0.1:${port + 1}/`)
  return { url: `http://localhost:${port}`, pid: children[0].pid ?? 0, stop: () => children.forEach((child) => child.kill()) }
}
