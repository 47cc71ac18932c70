import { describe, expect, it } from 'vitest'
import { USUAL_PRACTICE } from '@/core/clamp'
import { getAssembly } from '@/db/assembly/read'
import { buildOn, listLessons } from '@/db/build/read'
import { currentHandover } from '@/db/handover/read'
import { getHolder } from '@/db/library/read'
import { listRecord } from '@/db/record/read'
import { balanceOf } from '@/db/stock/read'
import { simulatedShrink } from '@/devices/shrink/simulated'
import { abandonBuild, addExtension, beginBuild, tickStep } from '@/stations/build/begin-build'
import { readBuild } from '@/stations/build/build-sheet'
import { buildTool, finishBuild } from '@/stations/build/build-tool'
import { heatOutByHand } from '@/stations/build/heat-out'
import { coolDown, startHeat, takeOut } from '@/stations/build/shrink'
import { disturb, readApart, takeApart } from '@/stations/build/take-apart'
import { addJob } from '@/stations/kit/add-job'
import { readKit } from '@/stations/kit/kit-sheet'
import { neededNow } from '@/stations/kit/needed-now'
import { reserveTool } from '@/stations/kit/reserve'
import { readShift, tickOff, writeNote } from '@/stations/kit/shift'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { readRack } from '@/stations/rack/rack'
import { loadedT4 } from '../support/loaded-t4'
import {
  START,
  codeOf,
  goodT4,
  lastEntry,
  later,
  measured,
  saveMeasurement,
  saving,
  textOf,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'

/** A shrink unit whose clock is the test's. */
function unitOf() {
  let state: string | null = null
  const clock = { s: 0 }
  return {
    clock,
    unit: simulatedShrink({ get: () => state, put: (s) => void (state = s), nowMs: () => Date.parse(START) + 1000 * clock.s }),
  }
}
const tick = (room: ToolRoom, serial: string, ...steps: string[]) =>
  steps.forEach((step) => valueOf(tickStep(room.as('ines'), serial, step, true)))

describe('a build by its steps', () => {
  it('shrink fit: begun by a scan, heated once, cooled, and built by the second scan', async () => {
    const room = withJobs(toolRoom())
    const { clock, unit } = unitOf()
    const heats = getHolder(room.db, 'BX00143')!.heats
    valueOf(beginBuild(room.as('ines'), 'HP-2207', 4, 'BX00143'))
    expect(readKit(room.db, 'HP-2207', START)!.tools[1].standing).toMatchObject({
      type: 'under-way',
      serial: 'BX00143',
      who: 'Ines Varga',
    })
    expect(codeOf(await startHeat(room.as('ines'), unit, 'BX00143'))).toBe('COIL_NOT_CONFIRMED')
    tick(room, 'BX00143', 'shank', 'clean', 'stop', 'coil')
    valueOf(await startHeat(room.as('ines'), unit, 'BX00143'))
    expect(getHolder(room.db, 'BX00143')!.heats).toBe(heats + 1)
    clock.s = 0.5
    expect(codeOf(await coolDown(room.as('ines'), unit, 'BX00143', 1))).toBe('STILL_HEATING')
    clock.s = 15
    const left = finishBuild(room.as('ines'), 'BX00143')
    expect(textOf(left)).toContain('Not done yet: heat and cool')
    valueOf(await coolDown(room.as('tomas'), unit, 'BX00143', 1))
    expect(codeOf(await startHeat(room.as('ines'), unit, 'BX00143'))).toBe('HEATED')
    expect(codeOf(await takeOut(unit, 'BX00143'))).toBe('BODY_HOT')
    const built = valueOf(finishBuild(room.as('tomas'), 'BX00143'))
    const tool = getAssembly(room.db, 'BX00143')!
    expect(tool.heat!.touchAt).toBe(built.touchAt)
    expect(tool.heat!.fromC).toBeGreaterThan(200)
    expect(buildOn(room.db, 'BX00143')).toBeNull()
    expect(getHolder(room.db, 'BX00143')!.heats).toBe(heats + 1)
    clock.s = 400
    expect(codeOf(await takeOut(unit, 'BX00143'))).toBe('ok')
  })
  it('left while it is in the coil, the holder stays hot', async () => {
    const room = withJobs(toolRoom())
    const { unit } = unitOf()
    valueOf(beginBuild(room.as('ines'), 'HP-2207', 4, 'BX00143'))
    tick(room, 'BX00143', 'shank', 'clean', 'stop', 'coil')
    valueOf(await startHeat(room.as('ines'), unit, 'BX00143'))
    // somebody else may go on with it while it heats
    expect(codeOf(beginBuild(room.as('tomas'), 'HP-2207', 4, 'BX00143'))).toBe('ok')
    valueOf(abandonBuild(room.as('tomas'), 'BX00143'))
    expect(codeOf(beginBuild(room.as('ines', 5), 'HP-2207', 4, 'BX00143'))).toBe('HOLDER_HOT')
  })
  it('collet: nothing of a heat, every part out of its drawer', () => {
    const room = withJobs(toolRoom())
    const job = { id: 'HP-9', name: '', machine: 'HERON', dueAt: later(300), quantity: 1, priority: 0, programs: [] }
    valueOf(addJob(room.as('oda'), { ...job, extra: [{ t: 6, name: null, count: 1, minutesEach: null, source: 'by hand' }] }))
    const sheet = readBuild(room.db, 'HP-9', 6, null, START)!
    expect([sheet.clamping, sheet.facts.torque, sheet.facts.travel!.toFixed(4)]).toEqual(['collet', 90, '0.0000'])
    valueOf(beginBuild(room.as('ines'), 'HP-9', 6, 'BX00154'))
    tick(room, 'BX00154', ...sheet.steps.map((s) => s.id))
    valueOf(finishBuild(room.as('ines'), 'BX00154'))
    expect(getAssembly(room.db, 'BX00154')).toMatchObject({ heat: null, stopSetMm: 178, state: 'built' })
    for (const part of ['N25', 'K25-12', 'C-DR102']) expect(balanceOf(room.db, part).built).toBe(1)
  })
  it('somebody else may go on with it; nobody else may build on that holder', () => {
    const room = withJobs(toolRoom())
    valueOf(beginBuild(room.as('ines'), 'HP-2207', 12, 'BX00142'))
    tick(room, 'BX00142', 'shank')
    expect(valueOf(beginBuild(room.as('tomas'), 'HP-2207', 12, 'BX00142')).done).toEqual(['shank'])
    expect(readBuild(room.db, 'HP-2207', 12, null, START)!.free.map((h) => h.serial)).toEqual(['BX00141'])
    expect(codeOf(tickStep(room.as('ines'), 'BX00142', 'no-such-step', true))).toBe('CHANGED')
    valueOf(abandonBuild(room.as('tomas'), 'BX00142'))
    expect(codeOf(tickStep(room.as('ines'), 'BX00142', 'clean', true))).toBe('BUILD_NOT_BEGUN')
  })
  it('an extension is scanned in, belongs to that tool, and its own joint is heated', async () => {
    const { clock, unit } = unitOf()
    const room = withJobs(toolRoom())
    const job = { id: 'HP-9', name: '', machine: 'HERON', dueAt: later(300), quantity: 1, priority: 0, programs: [] }
    valueOf(addJob(room.as('oda'), { ...job, extra: [{ t: 46, name: null, count: 1, minutesEach: null, source: 'by hand' }] }))
    valueOf(beginBuild(room.as('ines'), 'HP-9', 46, 'BX00141'))
    expect(codeOf(addExtension(room.as('ines'), 'BX00141', 'BX00174'))).toBe('NOT_AN_EXTENSION')
    expect(codeOf(finishBuild(room.as('ines'), 'BX00141'))).toBe('NO_EXTENSION')
    valueOf(addExtension(room.as('ines'), 'BX00141', 'BX00173'))
    const heats = (serial: string) => getHolder(room.db, serial)!.heats
    expect([heats('BX00141'), heats('BX00173')]).toEqual([62, 18])
    tick(room, 'BX00141', 'shank', 'clean', 'stop', 'coil')
    valueOf(await startHeat(room.as('ines'), unit, 'BX00141'))
    clock.s = 20
    valueOf(await coolDown(room.as('ines'), unit, 'BX00141', 2))
    expect([heats('BX00141'), heats('BX00173')]).toEqual([62, 19])
    valueOf(finishBuild(room.as('ines'), 'BX00141'))
    expect(getAssembly(room.db, 'BX00141')!.parts.find((p) => p.role === 'extension')).toMatchObject({ serial: 'BX00173' })
    expect(getHolder(room.db, 'BX00173')).toMatchObject({ carries: true, carriesT: 46 })
  })
  it.each([
    ['past its heats', 'BX00150', 77, 'HEATS_USED_UP'],
    ['due for inspection', 'BX00151', 78, 'INSPECTION_DUE'],
  ])('a holder %s is held back', (_, serial, t, code) => {
    const room = withJobs(toolRoom())
    const type = getHolder(room.db, serial)!.component!
    // a tool that this holder would otherwise carry
    const d = room.definitions.find((x) => x.id === 'D-0012')!
    const cutter = type === 'H-HSK63-16' ? 'C-EM16R20' : 'C-EM12R05'
    const size = type === 'H-HSK63-16' ? 16 : 12
    const version = {
      ...d,
      id: `D-X${t}`,
      t,
      parts: [
        { ...d.parts[0], component: type },
        { ...d.parts[1], component: cutter },
      ],
      DC: { ...d.DC, nominal: size },
      RE: null,
      LF: { nominal: size === 16 ? 140 : 128, lower: -0.1, upper: 0.1 },
      reachMm: null,
      torqueNm: null,
    }
    room.db
      .prepare('INSERT INTO definition (id, version, t, body) VALUES (?, 1, ?, ?)')
      .run(version.id, t, JSON.stringify(version))
    valueOf(
      addJob(room.as('oda'), {
        id: 'HP-9',
        name: '',
        machine: 'HERON',
        dueAt: later(300),
        quantity: 1,
        priority: 0,
        programs: [],
        extra: [{ t, name: null, count: 1, minutesEach: null, source: 'by hand' }],
      }),
    )
    expect(codeOf(beginBuild(room.as('ines'), 'HP-9', t, serial))).toBe(code)
    expect(readKit(room.db, 'HP-9', START)!.tools[0].standing.type).toBe('cannot-build')
  })
  it('a wrong or old pull stud, as the holder has it, is refused', () => {
    const room = withJobs(toolRoom())
    valueOf(
      addJob(room.as('oda'), {
        id: 'HP-9',
        name: '',
        machine: 'DIPPER',
        dueAt: later(300),
        quantity: 1,
        priority: 0,
        programs: [],
        extra: [2, 11].map((t) => ({ t, name: null, count: 1, minutesEach: null, source: 'by hand' as const })),
      }),
    )
    expect(codeOf(beginBuild(room.as('ines'), 'HP-9', 2, 'BX00162'))).toBe('STUD_TOO_OLD')
    expect(codeOf(beginBuild(room.as('ines'), 'HP-9', 11, 'BX00165'))).toBe('WRONG_STUD')
    expect(codeOf(beginBuild(room.as('ines'), 'HP-9', 2, 'BX00161'))).toBe('ok')
  })
})

describe('the stop, learned at the bench', () => {
  it('takes what three cold builds of a holder type did, and says so', () => {
    const room = withJobs(toolRoom())
    const setting = () => readBuild(room.db, 'HP-2207', 4, null, START)!.stop!
    const computed = setting().highMm
    expect(setting().builds).toBe(0)
    for (let i = 0; i < 3; i++) {
      valueOf(buildTool(room.as('ines', 10 * i), 'HP-2207', 4, 'BX00143'))
      const set = getAssembly(room.db, 'BX00143')!.stopSetMm!
      const long = goodT4({ z: set - 0.131 })
      valueOf(
        saveMeasurement(room.as('ines', 10 * i + 9), room.evidence, saving('BX00143', long, { takenAt: later(10 * i + 9) })),
      )
      valueOf(heatOutByHand(room.as('ines', 10 * i + 9), 'BX00143', 'contact', null))
      valueOf(
        takeApart(room.as('ines', 10 * i + 9), {
          serial: 'BX00143',
          dispositions: [{ component: 'C-EM10R10', count: 1, to: 'back', wear: '' }],
        }),
      )
    }
    expect(setting()).toMatchObject({ builds: 3 })
    expect(setting().highMm).toBeCloseTo(0.131, 3)
    expect(setting().highMm).not.toBeCloseTo(computed, 3)
    expect(listLessons(room.db, 'H-HSK63-10')).toHaveLength(3)
  })
  it('learns nothing from a warm tool', () => {
    const room = withT4(withJobs(toolRoom()))
    saveMeasurement(room.as('ines', 1), room.evidence, saving('BX00143', goodT4(), { takenAt: later(1) }))
    expect(listLessons(room.db, 'H-HSK63-10')).toEqual([])
  })
})

describe('taking apart and other mishaps', () => {
  it('parts go back or are scrapped, the holder is free, the heat is counted, the hand-over is void', async () => {
    const room = measured(withT4(withJobs(toolRoom())))
    valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
    const sheet = readApart(room.db, 'BX00143', later(80))!
    expect(sheet.heat!.temperatureC).toBeGreaterThan(USUAL_PRACTICE.ambientC + 200)
    const disposition = { component: 'C-EM10R10', count: 1, to: 'scrap' as const, wear: 'corner broken' }
    expect(codeOf(takeApart(room.as('ines', 80), { serial: 'BX00143', dispositions: [disposition] }))).toBe('NEEDS_HEAT')
    const { heats } = getHolder(room.db, 'BX00143')!
    valueOf(heatOutByHand(room.as('ines', 80), 'BX00143', 'contact', null))
    expect(codeOf(heatOutByHand(room.as('ines', 80), 'BX00143', 'contact', null))).toBe('HEATED')
    expect(codeOf(takeApart(room.as('ines', 80), { serial: 'BX00143', dispositions: [] }))).toBe('PART_LEFT')
    valueOf(takeApart(room.as('ines', 80), { serial: 'BX00143', dispositions: [disposition] }))
    expect(getHolder(room.db, 'BX00143')).toMatchObject({ carries: false, heats: heats + 1 })
    expect(balanceOf(room.db, 'C-EM10R10')).toMatchObject({ built: 0, scrapped: 1, hand: 3 })
    expect(currentHandover(room.db, 'BX00143')).toBeNull()
    expect(lastEntry(room.db, 'BX00143')).toContain('corner broken')
  })
  it.each(['heated', 're-clamped', 'insert turned', 'adjusted', 'dropped'] as const)(
    '%s: back to be measured, hand-over void, in the record',
    async (what) => {
      const room = measured(withT4(withJobs(toolRoom())))
      valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
      const { heats } = getHolder(room.db, 'BX00143')!
      expect(valueOf(disturb(room.as('tomas', 80), 'BX00143', what)).voided).toBe(1)
      expect(getAssembly(room.db, 'BX00143')!.state).toBe('built')
      expect(listRecord(room.db, { serial: 'BX00143' })[0]).toMatchObject({ what, who: 'Tomas Lind' })
      expect(getHolder(room.db, 'BX00143')!.heats).toBe(heats + (what === 'heated' ? 1 : 0))
      expect(getAssembly(room.db, 'BX00143')!.heat!.touchAt > later(80)).toBe(what === 'heated')
    },
  )
})

describe('needed now', () => {
  it('one scan of the broken tool puts its sister before everything', async () => {
    const room = await loadedT4()
    expect(readKit(room.db, 'HP-2207', later(80))!.tools[1].standing.type).toBe('in-machine')
    const job = valueOf(neededNow(room.as('tomas', 80), 'BX00143'))
    const [first] = readRack(room.db, 'build', later(80)).items
    expect(first).toMatchObject({ t: 4, urgent: true, machine: 'Heron' })
    expect(readKit(room.db, job.id, later(80))!.tools[0]).toMatchObject({
      standing: { type: 'to-build' },
      replaces: { serial: 'BX00143' },
    })
    expect(codeOf(neededNow(room.as('tomas', 81), 'BX00143'))).toBe('RUSHED_ALREADY')
    expect(codeOf(neededNow(room.as('tomas', 81), 'BX00142'))).toBe('UNKNOWN_SERIAL')
  })
})

describe('reserving and handing on the shift', () => {
  it('a tool kept for one job does not count for another; only a lead gives it away', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    const extra = [{ t: 4, name: null, count: 1, minutesEach: null, source: 'by hand' as const }]
    valueOf(
      addJob(room.as('oda'), {
        id: 'HP-9',
        name: '',
        machine: 'HERON',
        dueAt: later(10),
        quantity: 1,
        priority: 5,
        programs: [],
        extra,
      }),
    )
    expect(readKit(room.db, 'HP-9', later(70))!.tools[0].standing.type).toBe('to-build')
    expect(codeOf(reserveTool(room.as('ines', 70), 'BX00143', 'HP-9'))).toBe('RESERVED')
    valueOf(reserveTool(room.as('oda', 70), 'BX00143', 'HP-9'))
    expect(readKit(room.db, 'HP-9', later(70))!.tools[0].standing.type).toBe('ready')
    expect(readKit(room.db, 'HP-2207', later(70))!.tools[1].standing.type).toBe('to-build')
  })
  it('says when a measurement is old, a tool worn or its definition newer', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    const standing = (days: number) => readKit(room.db, 'HP-2207', later(60 + 1440 * days))!.tools[1].standing
    expect(standing(14).type).toBe('ready')
    expect(standing(15)).toMatchObject({ type: 'stale', stale: { why: 'age', days: 15 } })
    const d = room.definitions.find((x) => x.id === 'D-0004')!
    room.db
      .prepare('INSERT INTO definition (id, version, t, body) VALUES (?, 2, 4, ?)')
      .run(d.id, JSON.stringify({ ...d, version: 2 }))
    expect(standing(1)).toMatchObject({ type: 'stale', stale: { why: 'superseded', built: 1, current: 2 } })
  })
  it('the next shift sees what is half built, hot and waiting, and the notes', () => {
    const room = withT4(withJobs(toolRoom()))
    valueOf(beginBuild(room.as('ines'), 'HP-2207', 12, 'BX00142'))
    valueOf(writeNote(room.as('ines'), 'coil flickers'))
    expect(codeOf(writeNote(room.as('ines'), ' '))).toBe('NOTE_EMPTY')
    const now = readShift(room.db, START)
    expect([now.builds.map((b) => b.serial), now.hot.map((a) => a.serial), now.waiting]).toEqual([['BX00142'], ['BX00143'], []])
    expect(readShift(room.db, later(60)).waiting.map((a) => a.serial)).toEqual(['BX00143'])
    valueOf(tickOff(room.as('tomas'), now.notes[0].id))
    expect(readShift(room.db, START).notes).toEqual([])
  })
})
