import { spawnSync } from 'node:child_process'
import drawPin from './camera-file'

/** Once for all browser tests: what the camera sees, and the tool room that each of them copies. */
export default function setUp(): void {
  drawPin()
  const { status } = spawnSync(process.execPath, ['scripts/seed-room.mjs', '.cache/e2e-seed'], { stdio: 'inherit' })
  if (status !== 0) throw new Error('The tool room of the browser tests could not be seeded.')
}
