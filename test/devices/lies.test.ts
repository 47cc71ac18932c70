/** A control that says that all is well while it is not: the stand-in, as a process of its own, tells one lie at a time. */
import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { createServer, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { isEmptyRow, registersOf } from '@/core/handover'
import { getAssembly } from '@/db/assembly/read'
import { currentHandover } from '@/db/handover/read'
import { getMachine } from '@/db/machine/read'
import { httpControl } from '@/devices/control/http'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { beginLoad, turnMagazine } from '@/stations/load/begin-load'
import { dropLoad } from '@/stations/load/drop-load'
import { loadTool } from '@/stations/load/load-tool'
import { readLoadPage } from '@/stations/load/pages'
import { settleUnloads } from '@/stations/return/settle'
import { unloadTool } from '@/stations/return/unload'
import { LIES, type Lie } from '../../standins/control/lie'
import type { Cell } from '../../standins/control/cell'
import { codeOf, later, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

const SERIAL = 'BX00143'
const data = mkdtempSync(join(tmpdir(), 'boulder-lies-'))
const held: { child: ChildProcess | null; url: string } = { child: null, url: '' }

const freePort = () =>
  new Promise<number>((found) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo
      server.close(() => found(port))
    })
  })

beforeAll(async () => {
  const port = await freePort()
  const tsx = join('node_modules', '.bin', 'tsx')
  held.child = spawn(tsx, ['standins/control/server.ts'], {
    env: { ...process.env, CONTROL_PORT: String(port), CONTROL_DATA: data },
    stdio: 'ignore',
  })
  held.url = `http://127.0.0.1:${port}`
  for (;;) {
    const up = await fetch(held.url).then(
      () => true,
      () => false,
    )
    if (up) return
    await new Promise((later) => setTimeout(later, 50))
  }
})
afterAll(() => {
  held.child?.kill()
  rmSync(data, { recursive: true, force: true })
})

const tell = async (what: 'hand' | 'lie', body: unknown) => {
  const answer = await fetch(`${held.url}/machines/HERON/${what}`, { method: 'POST', body: JSON.stringify(body) })
  expect(answer.status).toBe(200)
}
const lie = (of: Lie) => tell('lie', { lie: of })
const hands = async (...acts: string[]) => {
  for (const act of acts) await tell('hand', { do: act })
}
/** What the control really keeps. */
const truth = (): Cell => (JSON.parse(readFileSync(join(data, 'state.json'), 'utf8')) as { HERON: Cell }).HERON

/** What is said of each lie while a tool is loaded; one that is not here does no harm. */
const FOUND: Readonly<Partial<Record<Lie, string>>> = {
  'changes another row': 'UNSTEADY',
  'keeps another value than it reports': 'UNSTEADY',
  'reports another value than it keeps': 'READ_BACK',
  'runs half': 'UNSTEADY',
  'runs nothing': 'UNSTEADY',
  'serves an old table': 'UNSTEADY',
  rounds: 'READ_BACK',
  'reports another unit': 'READ_BACK',
  'writes another row': 'UNSTEADY',
  'lists it elsewhere': 'LISTED_WRONG',
  'turns to another pocket': 'STEP_FIRST',
  'cuts its answer': 'CONTROL',
  'answers late': 'CONTROL',
  'answers twice': 'CONTROL',
  'answers nothing': 'CONTROL',
  'answers for another machine': 'CONTROL',
  'changes after it was looked at': 'UNSTEADY',
}

const OTHER = { length: 150, lengthWear: 0, size: 8, sizeWear: 0 }
/** Waits as long as a slow machine needs, but not for an answer that never comes. */
const control = (of: Lie = 'none') => httpControl(held.url, of === 'answers late' ? 700 : 60_000)
const tool = (room: ToolRoom) => getAssembly(room.db, SERIAL)!

/** Released, begun, and standing in its pocket; T31 of somebody else stands in the magazine. */
async function standing(): Promise<ToolRoom> {
  rmSync(join(data, 'state.json'), { force: true })
  await tell('hand', { do: 'fill', pocket: 9, t: 31, length: OTHER.length, size: OTHER.size })
  const room = measured(withT4(withJobs(toolRoom())))
  valueOf(await releaseHandover(room.as('ines', 70), control(), { serial: SERIAL, scanned: SERIAL }))
  const reasons = [{ rule: 'balance' as const, reason: 'short job at low speed' }]
  const { label } = currentHandover(room.db, SERIAL)!
  valueOf(await beginLoad(room.as('ines', 75), control(), { machine: 'HERON', serial: SERIAL, label, reasons }))
  valueOf(await turnMagazine(room.as('ines', 76), control(), SERIAL))
  await hands('open', 'put', 'shut')
  return room
}

const wanted = (room: ToolRoom) => {
  const { values } = currentHandover(room.db, SERIAL)!
  const rows = registersOf(values, getMachine(room.db, 'HERON')!)
  const of = (register: string) => rows.find((r) => r.register === register)!.rounded
  return { length: of('length'), size: of('radius') }
}
const heldRow = (row: Cell['table'][string] | undefined) => ({ length: row?.length, radius: row?.size })

describe.each(LIES)('a control that %s', (of) => {
  it('never has a tool recorded as loaded with other figures than were released, unless the next look says so', async () => {
    const room = await standing()
    await lie(of)
    const done = await loadTool(room.as('ines', 80), control(of), SERIAL)
    const { table, pockets } = truth()
    expect(done.ok).toBe(FOUND[of] === undefined)
    if (done.ok) {
      const right = expect.objectContaining(wanted(room)) as unknown
      const page = await readLoadPage(room.db, control(of), { machine: 'HERON' }, later(81))
      if (page.differences.length === 0) {
        expect(table['4']).toEqual(right)
        expect(table['31']).toMatchObject(OTHER)
        expect(pockets).toMatchObject({ [tool(room).pocket!]: 4, 9: 31 })
      }
    } else {
      expect(tool(room)).toMatchObject({ state: 'released', pocket: null })
      expect(codeOf(done)).toBe(FOUND[of])
    }
    // the truth again: pressed once more it is in, or it is given up; then all three agree
    await lie('none')
    if (done.ok) return
    const again = await loadTool(room.as('ines', 90), control(), SERIAL)
    if (!again.ok) valueOf(await dropLoad(room.as('ines', 91), control(), SERIAL, 'the control is not to be trusted'))
    expect(tool(room).state).toBe(again.ok ? 'loaded' : 'released')
    if (again.ok) expect(truth().table['4']).toMatchObject(wanted(room))
    else expect(isEmptyRow(heldRow(truth().table['4']), getMachine(room.db, 'HERON')!)).toBe(true)
  })
  it('never has a tool recorded as out while its row is not empty or its list has it', async () => {
    const room = await standing()
    valueOf(await loadTool(room.as('ines', 80), control(), SERIAL))
    await hands('open', 'take', 'shut')
    await lie(of)
    const unload = { serial: SERIAL, disposition: 'measure', reason: 'job done', cutMin: 42 } as const
    const done = await unloadTool(room.as('tomas', 500), control(of), null, unload)
    const machine = getMachine(room.db, 'HERON')!
    const isOut = () => {
      const { table, pockets } = truth()
      return isEmptyRow(heldRow(table['4']), machine) && !Object.values(pockets).includes(4)
    }
    if (done.ok) {
      // a control that changes its mind when nobody looks any more is told of by whoever looks next
      if (of !== 'changes after it was looked at') expect(isOut()).toBe(true)
      expect(truth().table['31']).toMatchObject(OTHER)
    } else expect(tool(room).state).toBe('loaded')
    await lie('none')
    if (done.ok) return
    await settleUnloads(room.db, control(), later(510))
    if (tool(room).state === 'loaded') valueOf(await unloadTool(room.as('tomas', 520), control(), null, unload))
    expect(isOut()).toBe(true)
    expect(tool(room).state).toBe('built')
  })
})

it('every lie but running a file twice is found at once', () =>
  expect(LIES.filter((of) => FOUND[of] === undefined)).toEqual(['none', 'runs twice']))
