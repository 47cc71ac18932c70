// The demo on a fresh data folder, for the browser tests.
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './lib.mjs'

rmSync(join(root, process.env.BOULDER_DATA ?? '.cache/e2e-data'), { recursive: true, force: true })
await import('./demo.mjs')
