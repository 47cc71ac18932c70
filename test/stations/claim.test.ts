/** Several at one tool and one control: nobody says what is not so, and what broke off is found and put right. */
import { describe, expect, it } from 'vitest'
import { isEmptyRow } from '@/core/handover'
import { fail, ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { dropClaims, renewClaims, takeClaims } from '@/db/claim/write'
import { inTransaction } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { getLoadRun } from '@/db/load/read'
import { getMachine } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import { getUnloadRun } from '@/db/unload/read'
import type { Control, ControlError } from '@/devices/control/port'
import { claimed, claimKeys, controlOf } from '@/stations/claim'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { beginLoad, turnMagazine } from '@/stations/load/begin-load'
import { dropLoad } from '@/stations/load/drop-load'
import { loadTool } from '@/stations/load/load-tool'
import { readInside } from '@/stations/return/inside'
import { settleUnloads } from '@/stations/return/settle'
import { unloadTool } from '@/stations/return/unload'
import { loadedT4 } from '../support/loaded-t4'
import {
  codeOf,
  later,
  measured,
  TestControl,
  textOf,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'

const SERIAL = 'BX00143'
const tool = (room: ToolRoom) => getAssembly(room.db, SERIAL)!
const heron = (room: ToolRoom) => getMachine(room.db, 'HERON')!
const wait = (ms: number) => new Promise<void>((done) => setTimeout(done, ms))

/** The same control, slow or with something that happens at a question. */
function through(control: Control, before: (name: keyof Control, n: number) => Promise<void> | void): Control {
  let n = 0
  const asked =
    <A extends unknown[], T>(name: keyof Control, ask: (...given: A) => Promise<Result<T, ControlError>>) =>
    async (...given: A) => {
      await before(name, ++n)
      return ask(...given)
    }
  return {
    table: asked('table', control.table),
    tryFile: asked('tryFile', control.tryFile),
    run: asked('run', control.run),
    state: asked('state', control.state),
    turnTo: asked('turnTo', control.turnTo),
    assign: asked('assign', control.assign),
  }
}

/** Ready to be written: the tool stands in its pocket, the door is shut. */
async function standing(): Promise<ToolRoom> {
  const room = measured(withT4(withJobs(toolRoom())))
  valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: SERIAL, scanned: SERIAL }))
  const scans = { machine: 'HERON', serial: SERIAL, label: currentHandover(room.db, SERIAL)!.label }
  const reasons = [{ rule: 'balance' as const, reason: 'short job at low speed' }]
  valueOf(await beginLoad(room.as('ines', 75), room.control, { ...scans, reasons }))
  valueOf(await turnMagazine(room.as('ines', 76), room.control, SERIAL))
  room.control.hand('HERON', { do: 'open' }, { do: 'put' }, { do: 'shut' })
  return room
}
async function outOfPocket(): Promise<ToolRoom> {
  const room = await loadedT4()
  room.control.live.HERON['4'] = { ...room.control.live.HERON['4'], lengthWear: -0.02 }
  room.control.hand('HERON', { do: 'open' }, { do: 'take' }, { do: 'shut' })
  return room
}
const unload = { serial: SERIAL, disposition: 'measure', reason: 'job done', cutMin: 42 } as const

/** Record and control tell the same of the tool. */
async function agree(room: ToolRoom): Promise<void> {
  const { state, pocket } = tool(room)
  const row = (await room.control.table('HERON')) as Extract<Awaited<ReturnType<Control['table']>>, { ok: true }>
  const held = row.value.get(4) ?? {}
  const listed = room.control.cell('HERON').pockets
  if (state === 'loaded') {
    expect(isEmptyRow(held, heron(room)), 'loaded, and its row is not empty').toBe(false)
    expect(listed[pocket!]).toBe(4)
  } else if (!getLoadRun(room.db, SERIAL)) {
    expect(isEmptyRow(held, heron(room)), 'not loaded, and its row is empty').toBe(true)
    expect(Object.values(listed)).not.toContain(4)
  }
}

describe('a claim', () => {
  const free = (room: ToolRoom, token: string, keys: readonly string[], leaseMs = 60_000) =>
    inTransaction(room.db, (tx) => takeClaims(tx, token, keys, { what: 'load', personId: 'ines' }, leaseMs))
  it('is had by one, all of its keys or none, until it is given back', () => {
    const room = toolRoom()
    expect(free(room, 'a', ['x', 'y'])).toBeNull()
    expect(free(room, 'b', ['z', 'y'])).toEqual({ what: 'load', personId: 'ines' })
    inTransaction(room.db, (tx) => dropClaims(tx, 'a'))
    expect(free(room, 'b', ['z', 'y'])).toBeNull()
  })
  it('that has ended is taken over, and whoever had it is told at the next look', async () => {
    const room = toolRoom()
    const seen: number[] = []
    const done = await claimed(room.as('ines'), { what: 'load', keys: ['x'], waits: false }, async (claim) => {
      claim.hold()
      room.db.prepare('UPDATE claim SET until_ms = 0').run()
      expect(free(room, 'b', ['x'])).toBeNull()
      seen.push(inTransaction(room.db, (tx) => renewClaims(tx, 'b', 60_000)))
      claim.hold()
      return ok(null)
    })
    expect(codeOf(done)).toBe('CLAIM_LOST')
    expect(seen).toEqual([1])
    // what is not ours any more is not given back either
    expect(free(room, 'c', ['x'])).not.toBeNull()
  })
  it('is given back whatever happens', async () => {
    const room = toolRoom()
    const asked = { what: 'unload', keys: ['x'], waits: false } as const
    await expect(
      claimed(room.as('ines'), asked, () => {
        throw new Error('ours')
      }),
    ).rejects.toThrow('ours')
    expect(codeOf(await claimed(room.as('ines'), asked, async () => fail({ code: 'NOBODY' })))).toBe('NOBODY')
    expect(codeOf(await claimed(room.as('ines'), asked, async () => ok(1)))).toBe('ok')
  })
  it('is looked at before and after every question to the control', async () => {
    const room = toolRoom()
    const control = through(room.control, () => void room.db.prepare('DELETE FROM claim').run())
    const done = await claimed(room.as('ines'), { what: 'load', keys: ['x'], waits: false }, async (claim) => {
      const answer = await controlOf(claim, control).table('HERON')
      return answer.ok ? ok(answer.value) : fail({ code: 'CONTROL', error: answer.error })
    })
    expect(codeOf(done)).toBe('CLAIM_LOST')
  })
})

describe('two terminals at one control', () => {
  it.each([0, 40, 120, 250, 400])(
    'one loads, the other gives up %d ms later: it is in, or it is out, for the record and for the control',
    async (after) => {
      const room = await standing()
      const slow = through(room.control, () => wait(30))
      const [loadedIt, gaveUp] = await Promise.all([
        loadTool(room.as('ines', 80), slow, SERIAL),
        wait(after).then(() => dropLoad(room.as('tomas', 80), slow, SERIAL, 'wrong cutter in it')),
      ])
      expect([codeOf(loadedIt), codeOf(gaveUp)].filter((code) => code === 'ok')).toHaveLength(1)
      expect(['LOAD_OVER', 'LOAD_NOT_BEGUN', 'CHANGED', 'CLAIMED', 'ok']).toContain(codeOf(gaveUp))
      await agree(room)
    },
  )
  it('two release at once: one does, the other is told who', async () => {
    const room = measured(withT4(withJobs(toolRoom())))
    const slow = through(room.control, () => wait(20))
    const release = (who: string) => releaseHandover(room.as(who, 70), slow, { serial: SERIAL, scanned: SERIAL })
    const done = await Promise.all([release('ines'), release('tomas')])
    expect(done.map(codeOf).sort()).toEqual(['CLAIMED', 'ok'])
    expect(textOf(done.find((d) => !d.ok)!)).toMatch(/is just releasing this tool/)
    expect(currentHandover(room.db, SERIAL)!.values.issue).toBe(1)
  })
  it('one unloads while the other does as well, on a slow control: one entry', async () => {
    const room = await outOfPocket()
    const slow = through(room.control, () => wait(20))
    const codes = (await Promise.all(['ines', 'tomas'].map((who) => unloadTool(room.as(who, 500), slow, null, unload)))).map(
      codeOf,
    )
    expect(codes.sort()).toEqual(['CHANGED', 'ok'])
    expect(listRecord(room.db).filter((e) => e.what === 'unloaded')).toHaveLength(1)
    await agree(room)
  })
})

describe('a server that dies', () => {
  class Died extends Error {}
  /** Nothing after the n-th question happens, and its claim is left lying until it ends. */
  async function dies(room: ToolRoom, n: number, after: boolean, work: (control: Control) => Promise<unknown>): Promise<boolean> {
    const questions = { asked: 0 }
    const control = through(room.control, (name) => {
      if (++questions.asked === n && !after) throw new Died()
      if (questions.asked > n) throw new Died()
      void name
    })
    try {
      await work(control)
      return false
    } catch (error) {
      if (!(error instanceof Died)) throw error
      return true
    }
  }
  it.each([false, true])(
    'in an unloading (after its question: %s): the next look ends it, or nothing had begun',
    async (after) => {
      for (let n = 1; ; n++) {
        const room = await outOfPocket()
        if (!(await dies(room, n, after, (control) => unloadTool(room.as('tomas', 500), control, null, unload)))) break
        const emptied = isEmptyRow((await readInside(room.db, room.control, SERIAL))?.row ?? {}, heron(room))
        await settleUnloads(room.db, room.control, later(520))
        await agree(room)
        expect(tool(room).state, `died at ${n}`).toBe(emptied ? 'built' : 'loaded')
        expect(getUnloadRun(room.db, SERIAL)).toBeNull()
        if (emptied) {
          expect(listRecord(room.db)[0]).toMatchObject({ what: 'unloaded', entry: { late: true, disposition: 'measure' } })
          expect(listRecord(room.db)[0].after).toMatchObject({
            cutMin: 42,
            wear: { lengthMm: expect.closeTo(-0.02, 9) as number },
          })
        } else valueOf(await unloadTool(room.as('ines', 530), room.control, null, unload))
        await agree(room)
      }
    },
  )
  it.each([false, true])('in a load (after its question: %s): pressed again or given up, all agree', async (after) => {
    for (let n = 1; ; n++) {
      const room = await standing()
      if (!(await dies(room, n, after, (control) => loadTool(room.as('ines', 80), control, SERIAL)))) break
      await agree(room)
      if (n % 2) valueOf(await loadTool(room.as('tomas', 81), room.control, SERIAL))
      else valueOf(await dropLoad(room.as('tomas', 81), room.control, SERIAL, 'the server went down'))
      expect(tool(room).state).toBe(n % 2 ? 'loaded' : 'released')
      await agree(room)
    }
  })
  it('holds nobody up for longer than its lease', async () => {
    const room = await outOfPocket()
    const keys = [claimKeys.tool(SERIAL), claimKeys.machine('HERON')]
    inTransaction(room.db, (tx) => takeClaims(tx, 'dead', keys, { what: 'unload', personId: 'oda' }, 300))
    expect(await settleUnloads(room.db, room.control, later(500))).toEqual([])
    // it waits for whoever is at it, and the lease ends meanwhile
    expect(codeOf(await unloadTool(room.as('ines', 500), room.control, null, unload))).toBe('ok')
  })
  it('a control that is silent then leaves it for later', async () => {
    const room = await outOfPocket()
    expect(await dies(room, 6, true, (control) => unloadTool(room.as('tomas', 500), control, null, unload))).toBe(true)
    const silent = new TestControl()
    silent.cutAt = 1
    expect(await settleUnloads(room.db, silent, later(520))).toEqual(['later'])
    expect(getUnloadRun(room.db, SERIAL)).not.toBeNull()
  })
})
