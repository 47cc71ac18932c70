/** Every page in a full shop and in the demo, in one run: whole answers, the median of nine, beside each other. */
import { cpSync, existsSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { openDatabase } from '@/db/connection'
import { answerScan } from '@/stations/scan/answer-scan'
import { fillShop } from '../scripts/fill-shop'
import { signedIn } from '../test/support/attack'
import { median } from './median'
import { DEMO, openServer, prepareDemo, type Server } from './server'

const RUNS = 9
/** No answer takes longer in a full shop, or no longer than so many times the demo's. */
const MOST_MS = 150
const MOST_TIMES = 3
const FULL = join('.cache', 'full-shop')
/** The demo, with somebody signed in. */
const COPY = join('.cache', 'bench-demo')

const PAGES = [
  '/kit',
  '/kit/HP-2240',
  '/kit/HP-2240/fetch',
  '/kit/carts?job=HP-2240',
  '/kit/ahead',
  '/kit/now',
  '/kit/shift',
  '/kit/slots',
  '/build',
  '/build?job=HP-2207&t=12',
  '/measure',
  '/measure/BX00147',
  '/measure/masters',
  '/measure/pictures',
  '/hand-over',
  '/hand-over/BX00144',
  '/hand-over/posts',
  '/hand-over/labels',
  '/load?machine=HERON',
  '/load?machine=HERON&serial=BX00144',
  '/load/rules?machine=HERON',
  '/return',
  '/return?serial=BX00143',
  '/library',
  '/library/parts/C-EM10R10',
  '/library/tools',
  '/library/tools/D-0031',
  '/library/holders',
  '/library/store?place=ELM-3',
  '/library/stock',
  '/records',
  '/records?words=life',
  '/records?tool=T4',
  '/records?machine=HERON&what=loaded',
  '/records/quality?by=machine&days=3650',
  '/records/wear',
  '/records/returns?days=365',
  '/records/learned',
  '/records/that-day?machine=HERON',
  '/records/watch',
  '/records/worth?days=365',
  '/records/study',
  '/plan/magazine',
  '/plan/machines',
  '/tools/BX00143',
  '/settings',
  '/api/records?limit=100',
  '/api/assemblies',
  '/api/handovers?serial=BX00143',
  '/api/library/parts?count=100',
  '/api/library/parts?count=100&words=carbide&sort=size',
] as const
const SCANS = ['BX00143', 'BX00148', 'HP-2207', 'C-EM10R10', 'ELM-3', 'NOT-KNOWN'] as const

const clock = () => performance.now()

/** Whole answers; the first, which may compile or open something, does not count. */
async function pageMs({ url }: Server, cookie: string, path: string): Promise<{ readonly ms: number; readonly kB: number }> {
  const times: number[] = []
  let kB = 0
  for (let i = 0; i <= RUNS; i++) {
    const t = clock()
    const answer = await fetch(url + path, { headers: { cookie } })
    kB = (await answer.arrayBuffer()).byteLength / 1000
    if (!answer.ok) throw new Error(`${path} answers ${answer.status}`)
    if (i > 0) times.push(clock() - t)
  }
  return { ms: median(times), kB }
}

function scanMs(data: string, text: string): number {
  const db = openDatabase(join(data, 'boulder.sqlite'))
  const times = Array.from({ length: RUNS + 1 }, () => {
    const t = clock()
    answerScan(db, text, new Date().toISOString())
    return clock() - t
  })
  db.close()
  return median(times.slice(1))
}

function line(name: string, demo: number, full: number, kB: number | null): boolean {
  const holds = full <= Math.max(MOST_MS, MOST_TIMES * demo)
  const size = kB === null ? '' : `${kB.toFixed(0).padStart(6)} kB`
  console.log(
    `${holds ? ' ' : '!'} ${name.padEnd(40)} ${demo.toFixed(1).padStart(8)} ms ${full.toFixed(1).padStart(8)} ms ${(full / demo).toFixed(1).padStart(6)} × ${size}`,
  )
  return holds
}

/** Fills the two shops when they are not there; that of twenty years takes some minutes. */
function prepare(): void {
  prepareDemo()
  const full = join(FULL, 'boulder.sqlite')
  const old = existsSync(full) && statSync(full).mtimeMs < statSync(join('src', 'db', 'migrations')).mtimeMs
  if (existsSync(full) && !old) return
  rmSync(FULL, { recursive: true, force: true })
  cpSync(DEMO, FULL, { recursive: true })
  fillShop(full, undefined, (text) => process.stderr.write(`\r${text.padEnd(50)}`))
  process.stderr.write('\r'.padEnd(52) + '\r')
}

export async function shopBench(only = ''): Promise<void> {
  prepare()
  rmSync(COPY, { recursive: true, force: true })
  cpSync(DEMO, COPY, { recursive: true })
  const [demo, full] = [await openServer(COPY, 3700), await openServer(FULL, 3710)]
  const [there, here] = [await signedIn(demo.url, 'oda'), await signedIn(full.url, 'oda')]
  let good = 0
  let all = 0
  console.log(`\n  ${'whole answers, median of 9'.padEnd(40)}        demo   full shop`)
  try {
    for (const path of PAGES.filter((p) => p.includes(only))) {
      const [a, b] = [await pageMs(demo, there, path), await pageMs(full, here, path)]
      all++
      if (line(path, a.ms, b.ms, b.kB)) good++
    }
  } finally {
    demo.stop()
    full.stop()
  }
  for (const scan of SCANS) {
    all++
    if (line(`scan ${scan}`, scanMs(DEMO, scan), scanMs(FULL, scan), null)) good++
  }
  console.log(`  ${good} of ${all} within ${MOST_MS} ms, or ${MOST_TIMES} times the demo’s`)
}
