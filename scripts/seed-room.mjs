// Seeds a tool room with a control of its own, and keeps a copy for practice rooms: node scripts/seed-room.mjs [FOLDER that stays]
import { rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { resolve } from 'node:path'
import { keepPracticeSeed, root, runScript, startControl, stop } from './lib.mjs'

/** A port that nobody uses just now. */
const freePort = () =>
  new Promise((done) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address()
      server.close(() => done(port))
    })
  })

const folder = process.argv[2]
const data = resolve(root, folder ?? '.cache/seeding')
rmSync(data, { recursive: true, force: true })
try {
  const port = await freePort()
  await startControl(port, data)
  const seededMs = Date.now()
  runScript('scripts/seed.ts', {
    BOULDER_DATA: data,
    BOULDER_STANDINS: '1',
    BOULDER_CONTROL: `http://127.0.0.1:${port}`,
  })
  keepPracticeSeed(data, seededMs)
  if (!folder) rmSync(data, { recursive: true, force: true })
  stop(0)
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  stop(1)
}
