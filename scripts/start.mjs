// npm start: a shop of your own. Installs and builds whatever is missing; no demo data, and no stand-ins unless BOULDER_STANDINS=1 asks for them.
import { randomInt } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { resolve } from 'node:path'
import { bin, ensureBuilt, ensureInstalled, root, say, seedPractice, start, startControl, startLineBench, stop, waitFor } from './lib.mjs'

const port = Number(process.env.PORT ?? 3000)
const data = resolve(root, process.env.BOULDER_DATA ?? 'data')
const standIns = process.env.BOULDER_STANDINS === '1'

/** No letter that is taken for another. */
const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789'
const four = () => Array.from({ length: 4 }, () => LETTERS[randomInt(LETTERS.length)]).join('')

try {
  ensureInstalled()
  ensureBuilt()
  mkdirSync(data, { recursive: true })
  const code = process.env.BOULDER_FIRST_CODE ?? `${four()}-${four()}`
  const env = {
    PORT: String(port),
    BOULDER_DATA: data,
    BOULDER_STANDINS: standIns ? '1' : '0',
    BOULDER_REAL_TIME: process.env.BOULDER_CONTROL || process.env.BOULDER_LINE_BENCH ? '1' : '0',
    BOULDER_FIRST_CODE: code,
    NEXT_TELEMETRY_DISABLED: '1',
    ...(standIns && !process.env.BOULDER_LINE_BENCH ? { BOULDER_LINE_BENCH: `127.0.0.1:${port + 2}` } : {}),
  }
  await startControl(port + 1, data, !standIns)
  if (standIns) startLineBench(port + 2)
  start('The server', bin('next'), ['start', '--port', String(port)], env)
  await waitFor(`http://127.0.0.1:${port}/api/health`, 120)
  seedPractice()
  say(`Boulder is at ${process.env.BOULDER_URL ?? `http://localhost:${port}`}`)
  console.log(`  Data: ${data}`)
  console.log(`  Where nobody works here yet, the first page asks for this code: ${code}`)
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  stop(1)
}
