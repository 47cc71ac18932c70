// npm run demo: installs, builds, seeds and starts whatever is missing. npm run dev: the same, in development mode.
import { existsSync, mkdirSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import {
  bin,
  buildWorkers,
  ensureBuilt,
  ensureInstalled,
  hasPracticeSeed,
  keepPracticeSeed,
  root,
  runScript,
  say,
  seedPractice,
  start,
  startControl,
  startLineBench,
  stop,
  waitFor,
} from './lib.mjs'

const dev = process.argv.includes('--dev')
const port = Number(process.env.PORT ?? 3000)
const data = resolve(root, process.env.BOULDER_DATA ?? 'data')
const token = process.env.BOULDER_API_TOKEN ?? 'demo-token'
const env = {
  PORT: String(port),
  BOULDER_DATA: data,
  BOULDER_API_TOKEN: token,
  BOULDER_PLACE: process.env.BOULDER_PLACE ?? 'Hollowbeck Pumps',
  BOULDER_LINE_BENCH: process.env.BOULDER_LINE_BENCH ?? `127.0.0.1:${port + 2}`,
  BOULDER_STANDINS: '1',
  // faults alone: who tries the demo wants to read its address
  BOULDER_LOG: process.env.BOULDER_LOG ?? 'warn',
  // its clock can be set forward only while every device is a stand-in
  BOULDER_REAL_TIME: process.env.BOULDER_CONTROL || process.env.BOULDER_LINE_BENCH ? '1' : '0',
  NEXT_TELEMETRY_DISABLED: '1',
}

try {
  ensureInstalled()
  if (dev) buildWorkers()
  else ensureBuilt()
  mkdirSync(data, { recursive: true })
  await startControl(port + 1, data)
  if (!process.env.BOULDER_LINE_BENCH) startLineBench(port + 2)
  const database = join(data, 'boulder.sqlite')
  if (!existsSync(database)) {
    say('Seeding Hollowbeck Pumps …')
    try {
      const seededMs = Date.now()
      runScript('scripts/seed.ts', env)
      // practice rooms begin as the demo does
      if (!hasPracticeSeed()) keepPracticeSeed(data, seededMs)
    } catch (error) {
      for (const end of ['', '-wal', '-shm']) rmSync(database + end, { force: true })
      throw error
    }
  }
  start('The server', bin('next'), [dev ? 'dev' : 'start', '--port', String(port)], env)
  await waitFor(`http://127.0.0.1:${port}/api/health`, 120)
  say(`Boulder is at http://localhost:${port}`)
  console.log(`  API token: ${token}${token === 'demo-token' ? ' (the demo’s; set BOULDER_API_TOKEN for your own)' : ''}`)
  seedPractice()
  console.log(`  Data: ${data}. Control stand-in: http://127.0.0.1:${port + 1}. Ctrl-C ends both.`)
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  stop(1)
}
