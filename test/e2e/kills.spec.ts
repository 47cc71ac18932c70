/** The server is killed in the middle of its work: what it says afterwards is so, for the record and for the control. */
import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, readFileSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { expect, test } from '@playwright/test'
import { isEmptyRow } from '@/core/handover'
import { seededRandom } from '@/core/numeric'
import { getAssembly } from '@/db/assembly/read'
import { inTransaction, openDatabase, type Db } from '@/db/connection'
import { getMachine } from '@/db/machine/read'
import { listRecord, verifyChain } from '@/db/record/read'
import { verifySeals } from '@/db/record/seal'
import { ask, signedIn } from '../support/attack'
import { SEEDED } from './room'

const PORT = 3296
const URL_OF = `http://localhost:${PORT}`
const CONTROL = `http://127.0.0.1:${PORT + 1}`
const DATA = resolve('.cache', 'kills')
/** `KILLS=200 npx playwright test kills` for an evening. */
const KILLS = Number(process.env.KILLS ?? 10)
/** In the demo it stands in Heron, with wear that somebody typed. */
const SERIAL = 'BX00143'

const env = {
  ...process.env,
  PORT: String(PORT),
  BOULDER_DATA: DATA,
  BOULDER_API_TOKEN: 'demo-token',
  BOULDER_STANDINS: '1',
  CONTROL_PORT: String(PORT + 1),
  CONTROL_DATA: join(DATA, 'control'),
  NEXT_TELEMETRY_DISABLED: '1',
}
const start = (...args: string[]): ChildProcess =>
  spawn(process.execPath, args, { env, stdio: ['ignore', 'ignore', 'ignore'], detached: true })
const startServer = () => start(resolve('node_modules', '.bin', 'next'), 'start', '--port', String(PORT))
const startControl = () => start(resolve('.cache', 'workers', 'control.mjs'))
/** With whatever it has started itself, and without a chance to tidy up. */
const kill = (child: ChildProcess) =>
  new Promise<void>((gone) => {
    if (child.exitCode !== null || child.signalCode !== null) return gone()
    child.once('exit', () => gone())
    process.kill(-child.pid!, 'SIGKILL')
  })

async function up(url: string): Promise<void> {
  for (;;) {
    try {
      if ((await fetch(url)).ok) return
    } catch {
      // not yet; the test's own limit ends this
    }
    await new Promise((later) => setTimeout(later, 40))
  }
}

const atControl = (what: string, body: unknown) =>
  fetch(`${CONTROL}/machines/HERON/${what}`, { method: 'POST', body: JSON.stringify(body) })

interface Row {
  readonly length?: number
  readonly size?: number
}
const heron = () =>
  (
    JSON.parse(readFileSync(join(DATA, 'control', 'state.json'), 'utf8')) as {
      HERON: { table: Record<string, Row>; pockets: Record<string, number> }
    }
  ).HERON

/** Record, control, ledger and both chains tell the same. */
function agree(db: Db, t: number): void {
  const machine = getMachine(db, 'HERON')!
  const tool = getAssembly(db, SERIAL)!
  const { table, pockets } = heron()
  const row = table[String(t)] ?? {}
  const empty = isEmptyRow({ length: row.length, [machine.sizeRegister]: row.size }, machine)
  const listed = Object.values(pockets).includes(t)
  expect({ empty, listed }, `${tool.state}`).toEqual(
    tool.state === 'loaded' ? { empty: false, listed: true } : { empty: true, listed: false },
  )
  expect(listRecord(db, { serial: SERIAL, what: 'unloaded' }).length).toBe(tool.state === 'loaded' ? 0 : 1)
  expect(db.pragma('integrity_check', { simple: true })).toBe('ok')
  expect(db.pragma('foreign_key_check')).toEqual([])
  expect(verifyChain(db)).toMatchObject({ whole: true })
  expect(verifySeals(db)).toMatchObject({ whole: true })
  const negative = db
    .prepare(
      `SELECT component_id, place, sum(n) AS n FROM (
         SELECT component_id, to_place AS place, count AS n FROM move WHERE to_account = 'hand'
         UNION ALL SELECT component_id, from_place, -count FROM move WHERE from_account = 'hand')
       GROUP BY component_id, place HAVING sum(n) < 0`,
    )
    .all()
  expect(negative).toEqual([])
}

test('killed in an unloading, with others at work beside it: the next look ends it, or nothing has happened', async () => {
  test.setTimeout(1_800_000 + 60_000 * KILLS)
  const random = seededRandom(7)
  const ended = { out: 0, in: 0 }
  for (let n = 0; n < KILLS; n++) {
    rmSync(DATA, { recursive: true, force: true })
    cpSync(resolve(SEEDED), DATA, { recursive: true })
    const children = [startServer(), startControl()]
    try {
      await Promise.all([up(`${URL_OF}/api/health`), up(`${CONTROL}/`)])
      const cookie = await signedIn(URL_OF, 'oda')
      const before = openDatabase(join(DATA, 'boulder.sqlite'))
      const { t, pocket } = getAssembly(before, SERIAL)!
      before.close()
      await fetch(`${CONTROL}/machines/HERON/turn`, { method: 'POST', body: JSON.stringify({ pocket }) })
      for (const act of ['open', 'take', 'shut']) await atControl('hand', { do: act })
      // slow, so that a kill hits every step of it; some of them with a control that lies besides
      await atControl('faults', { slowMs: 40, drop: null })
      if (n % 5 === 4) await atControl('lie', { lie: 'serves an old table' })
      const unload = ask(URL_OF, cookie, 'unloadAction', {
        serial: SERIAL,
        disposition: 'measure',
        reason: 'job done',
        cutMin: 1,
      }).catch(() => '')
      const others = Promise.all(
        Array.from({ length: 4 }, (_, i) => ask(URL_OF, cookie, 'writeNoteAction', { text: `note ${i}` }).catch(() => '')),
      )
      // the first is let through to its end, the second is killed before anything can have happened
      if (n === 0) await unload
      else if (n > 1) await new Promise((later) => setTimeout(later, 60 + random.uniform() * 1200))
      await kill(children[0])
      await Promise.all([unload, others])
      await atControl('lie', { lie: 'none' })
      await atControl('faults', { slowMs: 0, drop: null })
      // the claim of a server that died ends by itself; here it is ended at once
      const db = openDatabase(join(DATA, 'boulder.sqlite'))
      inTransaction(db, (tx) => tx.prepare('UPDATE claim SET until_ms = 0').run())
      children[0] = startServer()
      await up(`${URL_OF}/api/health`)
      const look = await fetch(`${URL_OF}/return`, { headers: { cookie } })
      await look.arrayBuffer()
      agree(db, t!)
      ended[getAssembly(db, SERIAL)!.state === 'loaded' ? 'in' : 'out']++
      db.close()
    } finally {
      await Promise.all(children.map(kill))
    }
  }
  expect(ended.in).toBeGreaterThan(0)
  expect(ended.out).toBeGreaterThan(0)
  rmSync(DATA, { recursive: true, force: true })
})
