// Seeds the tool room that every browser test starts from, once; each test then has a copy of its own.
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { root, runScript, startControl, stop } from './lib.mjs'

const [data, port] = [join(root, '.cache/e2e-seed'), Number(process.env.PORT ?? 3210)]
rmSync(data, { recursive: true, force: true })
try {
  await startControl(port + 1, data)
  runScript('scripts/seed.ts', { PORT: String(port), BOULDER_DATA: data, BOULDER_STANDINS: '1' })
  stop(0)
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  stop(1)
}
