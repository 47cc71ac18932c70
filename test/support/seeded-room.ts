/** A seeded tool room in a folder, with a control of its own, for what needs more than a database in memory. */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openShop, type Shop } from '@/runtime/shop'

const tsx = join('node_modules', '.bin', 'tsx')

export interface ControlProcess {
  readonly address: string
  readonly child: ChildProcess
}

/** The control stand-in with what is in this folder, at a port that is free; it ends with its input. */
export function startControl(folder: string): Promise<ControlProcess> {
  const child = spawn(tsx, ['standins/control/server.ts'], {
    env: { ...process.env, CONTROL_PORT: '0', CONTROL_DATA: join(folder, 'control'), CONTROL_STAYS: '0' },
    stdio: ['pipe', 'pipe', 'inherit'],
  })
  return new Promise((done, failed) => {
    let said = ''
    child.on('error', failed)
    child.stdout.on('data', (text: Buffer) => {
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec((said += text.toString()))?.[0]
      if (address) done({ address, child })
    })
  })
}

/** Seeds a folder as the demo is; half a minute. */
export async function seedFolder(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'boulder-seeded-'))
  const control = await startControl(folder)
  const { status } = spawnSync(tsx, ['--conditions=react-server', 'scripts/seed.ts'], {
    env: { ...process.env, BOULDER_DATA: folder, BOULDER_STANDINS: '1', BOULDER_CONTROL: control.address },
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  control.child.stdin?.end()
  if (status !== 0) throw new Error('the seed failed')
  return folder
}

/** A copy of it as a shop; its control is the one that is given, or none answers. */
export async function inCopy<T>(seeded: string, withControl: boolean, work: (shop: Shop) => Promise<T> | T): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'boulder-copy-'))
  cpSync(seeded, folder, { recursive: true })
  const control = withControl ? await startControl(folder) : null
  const shop = openShop({
    folder,
    backups: join(folder, 'backups'),
    control: control?.address ?? 'http://127.0.0.1:9',
    lineBench: null,
    standIns: true,
    realTime: false,
    migrations: 'src/db/migrations',
  })
  try {
    return await work(shop)
  } finally {
    shop.heads.stop()
    shop.db.close()
    control?.child.stdin?.end()
    rmSync(folder, { recursive: true, force: true })
  }
}
