/** The control stand-in as a process of its own: its magazine, its switches, its faults, and what is left after it is stopped. */
import { spawn, type ChildProcess } from 'node:child_process'
import { createHash } from 'node:crypto'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { httpControl } from '@/devices/control/http'
import { codeOf, valueOf } from '../support/tool-room'
import { runFile, runOffsets } from '../../standins/control/interpreter'

const PORT = 32_471
const base = `http://127.0.0.1:${PORT}`
let process_: ChildProcess | null = null
const folder = mkdtempSync(join(tmpdir(), 'cell-'))

async function start(): Promise<void> {
  const tsx = join(process.cwd(), 'node_modules/.bin/tsx')
  process_ = spawn(tsx, ['standins/control/server.ts'], {
    env: { ...process.env, CONTROL_PORT: String(PORT), CONTROL_DATA: folder },
    stdio: 'ignore',
    detached: true,
  })
  for (let i = 0; i < 200; i++) {
    const up = await fetch(base).then(
      (r) => r.ok,
      () => false,
    )
    if (up) return
    await new Promise((done) => setTimeout(done, 50))
  }
  throw new Error('the stand-in did not start')
}
async function stop(): Promise<void> {
  const child = process_
  process_ = null
  if (!child?.pid) return
  const gone = new Promise((done) => child.once('exit', done))
  process.kill(-child.pid, 'SIGKILL')
  await gone
}
afterEach(stop)

const post = async (machine: string, what: string, body: unknown) => {
  const answer = await fetch(`${base}/machines/${machine}/${what}`, { method: 'POST', body: JSON.stringify(body) })
  return [answer.status, (await answer.json()) as Record<string, unknown>] as const
}
const hand = async (machine: string, act: string) => (await post(machine, 'hand', { do: act }))[0]
const FILE = 'G21 G90\nG10 L10 P7 R101.5'

describe('the control stand-in', () => {
  it('turns with the door shut, sees a tool only at the loading place, keeps its own list, and all of it through a kill', async () => {
    await start()
    const control = httpControl(base)
    expect(valueOf(await control.turnTo('HERON', 12))).toMatchObject({ atDoor: 12, toolAtDoor: false, door: 'shut' })
    expect(await hand('HERON', 'put')).toBe(422)
    expect(await hand('HERON', 'open')).toBe(200)
    expect(codeOf(await control.turnTo('HERON', 13))).toBe('REFUSED')
    expect(await hand('HERON', 'put')).toBe(200)
    expect(await hand('HERON', 'put')).toBe(422)
    await hand('HERON', 'shut')
    valueOf(await control.run('HERON', FILE))
    expect(valueOf(await control.assign('HERON', 12, 7)).magazine).toEqual(new Map([[12, 7]]))
    expect(codeOf(await control.assign('HERON', 13, 7))).toBe('REFUSED')
    expect(codeOf(await control.assign('HERON', 99, 8))).toBe('REFUSED')
    await stop()
    expect(codeOf(await control.state('HERON'))).toBe('UNREACHABLE')
    await start()
    expect(valueOf(await control.state('HERON'))).toMatchObject({ atDoor: 12, toolAtDoor: true, magazine: new Map([[12, 7]]) })
    expect(valueOf(await control.table('HERON')).get(7)).toEqual({ length: 101.5 })
    expect(Object.keys(JSON.parse(readFileSync(join(folder, 'state.json'), 'utf8')) as object)).toEqual(['HERON'])
  })
  it('keeps programs by their hash, locks door and magazine while one runs, and says which tools it uses', async () => {
    await start()
    const text = 'T4 M6\n(T9 in a comment)\nT12 M6'
    await fetch(`${base}/machines/DIPPER/programs?name=A.nc`, { method: 'POST', body: text })
    await post('DIPPER', 'hand', { do: 'run', program: 'A.nc' })
    const state = valueOf(await httpControl(base).state('DIPPER'))
    expect(state.running).toEqual({ program: 'A.nc', tools: [4, 12] })
    expect(state.programs).toEqual([{ name: 'A.nc', hash: createHash('sha256').update(text).digest('hex') }])
    expect(await hand('DIPPER', 'open')).toBe(422)
    expect(codeOf(await httpControl(base).turnTo('DIPPER', 2))).toBe('REFUSED')
    await post('DIPPER', 'hand', { do: 'cut', t: 4, minutes: 12 })
    expect(valueOf(await httpControl(base).state('DIPPER')).cutMin).toEqual(new Map([[4, 12]]))
  })
  it('cut before its work nothing is done, cut after it all of it; once only', async () => {
    await start()
    const control = httpControl(base)
    for (const drop of ['before', 'after'] as const) {
      await post('GREBE', 'faults', { slowMs: 0, drop })
      expect(codeOf(await control.run('GREBE', `G21 G90\nG10 L1 P7 Z${drop === 'before' ? 50 : 60}`))).toBe('UNREACHABLE')
      expect(valueOf(await control.table('GREBE')).get(7)?.length).toBe(drop === 'before' ? undefined : 60)
    }
    expect(codeOf(await control.run('GREBE', 'G21 G90\nG10 L1 P7 Z70'))).toBe('ok')
  })
  it('slow answers run into the time limit', async () => {
    await start()
    await post('HERON', 'faults', { slowMs: 600, drop: null })
    expect(codeOf(await httpControl(base, 150).table('HERON'))).toBe('UNREACHABLE')
    await post('HERON', 'faults', { slowMs: 0, drop: null })
    expect(codeOf(await httpControl(base, 2000).table('HERON'))).toBe('ok')
  })
  it('one that only takes typing takes no file and tells nothing', async () => {
    await start()
    const control = httpControl(base)
    expect(codeOf(await control.run('BITTERN', FILE))).toBe('REFUSED')
    expect(codeOf(await control.state('BITTERN'))).toBe('REFUSED')
    await post('BITTERN', 'hand', { do: 'type', t: 7, register: 'length', value: 99.5 })
    expect(valueOf(await control.table('BITTERN')).get(7)).toEqual({ length: 99.5 })
  })
  it('what is in force stays in force from file to file; on a scratch table nothing is', () => {
    const facts = { name: '', unit: 'mm' as const, decimals: 3, sizeIs: 'radius' as const, highestTool: 99 }
    const inch = runFile(facts, {}, 'G20 G91', { unit: 'mm', incremental: false }).modal
    expect(inch).toEqual({ unit: 'inch', incremental: true })
    // the danger of a file that does not say its units: 4 becomes 101.6
    expect(runFile(facts, {}, 'G10 L10 P1 R4.', inch).table['1'].length).toBe(101.6)
    expect(() => runOffsets(facts, {}, 'G10 L10 P1 R4.')).toThrow('neither G20 nor G21')
  })
})
