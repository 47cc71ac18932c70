/** Machines that are reached otherwise than through the gateway: by files in a folder, and with an MTConnect agent beside them. */
import { spawn, type ChildProcess } from 'node:child_process'
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { Machine } from '@/core/tool'
import { inTransaction } from '@/db/connection'
import { getAssembly } from '@/db/assembly/read'
import { currentHandover } from '@/db/handover/read'
import { getMachine } from '@/db/machine/read'
import { updateMachine } from '@/db/machine/write'
import { askAgent } from '@/devices/control/agent'
import { probeOnChecker, tryOnChecker } from '@/devices/control/checker'
import { folderControl, FRESH_MS } from '@/devices/control/folder'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { beginLoad, tickStep } from '@/stations/load/begin-load'
import { readLoad } from '@/stations/load/load-sheet'
import { loadTool } from '@/stations/load/load-tool'
import { codeOf, later, measured, toolRoom, UNBALANCED, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

const data = mkdtempSync(join(tmpdir(), 'boulder-connections-'))
const checker: { child: ChildProcess | null; url: string } = { child: null, url: '' }
const servers: Server[] = []

const listening = (server: Server): Promise<number> =>
  new Promise((found) => server.listen(0, '127.0.0.1', () => found((server.address() as AddressInfo).port)))

beforeAll(async () => {
  const probe = createServer()
  const port = await listening(probe)
  await new Promise((shut) => probe.close(shut))
  checker.child = spawn(join('node_modules', '.bin', 'tsx'), ['standins/control/server.ts'], {
    env: { ...process.env, CONTROL_PORT: String(port), CONTROL_DATA: join(data, 'control'), CONTROL_CHECKS_ONLY: '1' },
    stdio: 'ignore',
  })
  checker.url = `http://127.0.0.1:${port}`
  for (let up = false; !up; await new Promise((wait) => setTimeout(wait, 50)))
    up = await fetch(checker.url).then(
      () => true,
      () => false,
    )
})
afterAll(() => {
  checker.child?.kill()
  rmSync(data, { recursive: true, force: true })
})

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(data, 'folder-'))
})
afterEach(() => servers.splice(0).forEach((server) => server.close()))

const table = (text: string, ageMs = -1000) => {
  mkdirSync(folder, { recursive: true })
  const file = join(folder, 'table.csv')
  writeFileSync(file, text)
  const at = (Date.now() - ageMs) / 1000
  utimesSync(file, at, at)
}
const files = () => readdirSync(folder).filter((name) => name.startsWith('offsets-'))
const nothing = () => Promise.reject(new Error('not asked'))
const control = (waitMs = 0) => folderControl({ folder, put: writeFileSync, tryFile: nothing, waitMs, nowMs: () => Date.now() })

describe('a machine with a folder', () => {
  it('has run a file once a table is there that is younger than it', async () => {
    table('T,length,radius\n4,118.0,5\n', 5000)
    const first = await control().run('KITE', 'G10 L10 P4 R118.04')
    expect(first).toMatchObject({ ok: false, error: { code: 'WAITS', file: files()[0] } })
    expect(readFileSync(join(folder, files()[0]), 'utf8')).toBe('G10 L10 P4 R118.04')
    // asked again it waits on, and writes no second file
    expect(codeOf(await control().run('KITE', 'G10 L10 P4 R118.04'))).toBe('WAITS')
    expect(files()).toHaveLength(1)
    table('T,length,length wear,radius,radius wear\n4,118.04,0,5.001,\n7,60.5,,,\n')
    const done = valueOf(await control().run('KITE', 'G10 L10 P4 R118.04'))
    expect([...done]).toEqual([
      [4, { length: 118.04, 'length wear': 0, radius: 5.001 }],
      [7, { length: 60.5 }],
    ])
    expect(files()).toEqual([])
  })
  it('is not believed by an old table, none, or one that is none', async () => {
    expect(codeOf(await control().table('KITE'))).toBe('NO_TABLE')
    table('T,length\n4,118\n', FRESH_MS + 1000)
    expect(codeOf(await control().table('KITE'))).toBe('OLD_TABLE')
    for (const [text, fault] of [
      ['length,T\n118,4\n', 'NO_T'],
      ['T,lenght\n4,118\n', 'COLUMN'],
      ['T,length\n4,118;2\n', 'NUMBER'],
      ['T,length\n4,"1,180"\n', 'NUMBER'],
      ['T,length\n4,118\n4,119\n', 'NUMBER'],
    ] as const) {
      table(text)
      expect(await control().table('KITE'), text).toMatchObject({ error: { code: 'BAD_TABLE', fault: { code: fault } } })
    }
  })

  it('takes a tool like any other: the file tried out, run by people, and read back', async () => {
    const room = measured(withT4(withJobs(toolRoom())))
    const heron: Machine = { ...getMachine(room.db, 'HERON')!, figures: 'folder' }
    inTransaction(room.db, (tx) => updateMachine(tx, getMachine(room.db, 'HERON')!, heron))
    const here = folderControl({
      folder,
      put: writeFileSync,
      tryFile: (text) => tryOnChecker(checker.url, heron, text),
      waitMs: 0,
      nowMs: () => Date.now(),
    })
    valueOf(await releaseHandover(room.as('ines', 70), here, { serial: 'BX00143', scanned: 'BX00143' }))
    const { label, values } = currentHandover(room.db, 'BX00143')!
    const scans = { machine: 'HERON', serial: 'BX00143', label }
    const begin = () => beginLoad(room.as('ines', 75), here, { ...scans, pocket: 9, reasons: UNBALANCED })
    // nothing is known of its offsets: nothing is begun
    expect(codeOf(await begin())).not.toBe('ok')
    table('T,length,radius\n1,0,0\n', 1000)
    valueOf(await begin())
    await tickAll(room, here, scans)
    expect(codeOf(await loadTool(room.as('ines', 80), here, 'BX00143'))).toBe('WAITS')
    expect(getAssembly(room.db, 'BX00143')!.state).toBe('released')
    table(
      `T,length,length wear,radius,radius wear\n1,0,,0,\n4,${values.lengthMm.toFixed(3)},0,${(values.radiusMm + 1).toFixed(3)},0\n`,
    )
    expect(codeOf(await loadTool(room.as('ines', 80), here, 'BX00143'))).toBe('READ_BACK')
    table('T,length,radius\n1,0,0\n', 1000)
    expect(codeOf(await loadTool(room.as('ines', 80), here, 'BX00143'))).toBe('WAITS')
    table(
      `T,length,length wear,radius,radius wear\n1,0,,0,\n4,${values.lengthMm.toFixed(3)},0,${values.radiusMm.toFixed(3)},0\n`,
      -3000,
    )
    valueOf(await loadTool(room.as('ines', 80), here, 'BX00143'))
    expect(getAssembly(room.db, 'BX00143')).toMatchObject({ state: 'loaded', pocket: 9 })
  })
})

/** Whatever no switch watches is confirmed by whoever loads. */
async function tickAll(room: ToolRoom, control: Parameters<typeof readLoad>[1], scans: object): Promise<void> {
  for (;;) {
    const { steps } = await readLoad(room.db, control, scans, later(76))
    const due = steps.find((line) => line.state !== 'done')
    if (!due || due.step === 'written') return
    valueOf(await tickStep(room.as('ines', 77), control, 'BX00143', due.step))
  }
}

// element names as in MTConnect Part 2 (Streams) and Part 4 (Assets), from memory
const CURRENT = `<?xml version="1.0"?><m:MTConnectStreams xmlns:m="urn:mtconnect.org:MTConnectStreams:1.4" xmlns="urn:mtconnect.org:MTConnectStreams:1.4">
<Header instanceId="1"/><Streams><DeviceStream name="Kite"><ComponentStream component="Door"><Events>
<DoorState dataItemId="d1" sequence="4" timestamp="2026-11-25T08:00:00Z">CLOSED</DoorState></Events></ComponentStream>
<ComponentStream component="Path"><Events><Execution dataItemId="e" sequence="5">ACTIVE</Execution><Program dataItemId="p">HP2207-20.nc</Program>
<ToolNumber dataItemId="t">4</ToolNumber></Events></ComponentStream></DeviceStream></Streams></m:MTConnectStreams>`
const ASSETS = `<MTConnectAssets xmlns="urn:mtconnect.org:MTConnectAssets:1.4"><Header/><Assets>
<CuttingTool assetId="a" toolId="T4" serialNumber="BX00143"><CuttingToolLifeCycle><ToolLife type="MINUTES" countDirection="UP" limit="90">31.5</ToolLife>
<ProgramToolNumber>4</ProgramToolNumber><Location type="POT">9</Location></CuttingToolLifeCycle></CuttingTool>
<CuttingTool assetId="b"><CuttingToolLifeCycle><ToolLife type="MINUTES" countDirection="DOWN" initial="60">45</ToolLife><ToolLife type="PART_COUNT" countDirection="UP">7</ToolLife>
<ProgramToolNumber>6</ProgramToolNumber><Location type="CRIB">2</Location></CuttingToolLifeCycle></CuttingTool>
<CuttingTool assetId="c" removed="true"><CuttingToolLifeCycle><ProgramToolNumber>8</ProgramToolNumber><Location type="POT">3</Location></CuttingToolLifeCycle></CuttingTool>
</Assets></MTConnectAssets>`

async function agent(answers: Readonly<Record<string, string>>): Promise<string> {
  const server = createServer((request, response) => {
    const text = answers[request.url ?? '']
    response.writeHead(text === undefined ? 404 : 200, { 'content-type': 'text/xml' }).end(text)
  })
  servers.push(server)
  return `http://127.0.0.1:${await listening(server)}/Kite`
}

describe('an MTConnect agent', () => {
  it('tells of door, program, spindle, pockets and minutes', async () => {
    const base = await agent({ '/Kite/current': CURRENT, '/Kite/assets?type=CuttingTool': ASSETS })
    const state = valueOf(await askAgent(base))
    expect(state).toMatchObject({ door: 'shut', spindle: 4, running: { program: 'HP2207-20.nc', tools: [4] }, listed: false })
    expect([...state.magazine]).toEqual([[9, 4]])
    expect([...state.cutMin]).toEqual([
      [4, 31.5],
      [6, 15],
    ])
  })
  it('leaves unknown what it calls unavailable', async () => {
    const unknown = CURRENT.replace('CLOSED', 'UNAVAILABLE').replace('ACTIVE', 'UNAVAILABLE').replace('>4<', '>UNAVAILABLE<')
    const base = await agent({ '/Kite/current': unknown, '/Kite/assets?type=CuttingTool': ASSETS })
    expect(valueOf(await askAgent(base))).toMatchObject({ door: null, spindle: null, running: null })
  })
  it('is not taken for one where something else answers, or nobody', async () => {
    const page = '<html><body>It works</body></html>'
    const other = await agent({ '/Kite/current': page, '/Kite/assets?type=CuttingTool': page })
    expect(await askAgent(other)).toMatchObject({ error: { code: 'UNREACHABLE', detail: 'other' } })
    expect(await askAgent(await agent({}))).toMatchObject({ error: { code: 'UNREACHABLE', detail: 'answered 404' } })
    expect(await askAgent('http://127.0.0.1:1')).toMatchObject({ error: { code: 'UNREACHABLE', detail: 'no connection' } })
  })
})

describe('the checker', () => {
  it('tries a file for any machine, and keeps nothing', async () => {
    const kite = { kind: 'mill', post: 'word-address-mill', unit: 'inch', decimals: 4, sizeRegister: 'diameter' } as Machine
    const facts = { ...kite, registers: { min: 1, max: 40 } }
    const tried = valueOf(await tryOnChecker(checker.url, facts, 'G20 G90\nG10 L10 P31 R4.6472\n'))
    expect([...tried]).toEqual([[31, { length: 4.6472 }]])
    expect(await tryOnChecker(checker.url, facts, 'G20 G90\nG10 L10 P41 R4.6\n')).toMatchObject({ error: { code: 'REFUSED' } })
    expect((await fetch(`${checker.url}/machines/HERON/table`)).status).toBe(503)
    const block = 'G38.2 Z-1\no1 if [#5063 LT 4]\nM0\no1 endif\n'
    expect(valueOf(await probeOnChecker(checker.url, block, { at: 5, off: 0 }))).toMatchObject({ stopped: false })
    expect(valueOf(await probeOnChecker(checker.url, block, { at: 5, off: -2 }))).toMatchObject({ stopped: true })
    expect(await probeOnChecker(checker.url, 'G999', { at: 5, off: 0 })).toMatchObject({ error: { code: 'REFUSED', line: 1 } })
  })
})
