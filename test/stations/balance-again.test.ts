/** Balancing when something comes between: a touch, another terminal, a newer calibration, a release, a load; rings and drilled holes. */
import { beforeEach, describe, expect, it } from 'vitest'
import { heavyHere } from '@/codecs/heavy'
import { fail } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { currentBalance, holderBalance, listRuns, spindleUse } from '@/db/balance/read'
import { currentHandover, listHandovers } from '@/db/handover/read'
import { balanceOf } from '@/db/stock/read'
import { nextSeat, presentRound, readBalance } from '@/stations/balance/balance-sheet'
import { chooseFit, computeFits, confirmStep, saveBalance, setWanted, typeBalance } from '@/stations/balance/correct'
import { startSpin, takeSpin } from '@/stations/balance/spin'
import { buildTool } from '@/stations/build/build-tool'
import { disturb } from '@/stations/build/take-apart'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { addJob } from '@/stations/kit/add-job'
import { readKit, readLookahead } from '@/stations/kit/kit-sheet'
import { cleanPictures } from '@/stations/measure/clean-pictures'
import { balanceRoom } from '../support/balance-station'
import {
  codeOf,
  goodT4,
  later,
  loaded,
  measured,
  saveMeasurement,
  saving,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
} from '../support/tool-room'

const SERIAL = 'BX00143'
let at: ReturnType<typeof balanceRoom>
beforeEach(async () => {
  at = balanceRoom(measured(withT4(withJobs(toolRoom()), SERIAL)), SERIAL)
  await at.calibrate()
})
const sheet = (serial = SERIAL) => readBalance(at.db, serial)!
const now = () => ({ serial: SERIAL, version: at.version() })
const start = async (version = at.version()) =>
  codeOf(await startSpin(at.work(), at.spindle, { serial: SERIAL, seat: 0, version }))
const take = async () => codeOf(await takeSpin(at.work(), at.spindle, heavyHere, at.files, now()))
const type = (grade: number) => valueOf(typeBalance(at.work(), { serial: SERIAL, grade, rpm: 16_000, by: 'Larch Balancing' }))
const release = () => releaseHandover(at.work(), at.control, { serial: SERIAL, scanned: SERIAL })

describe('a tool that was touched after its runs', () => {
  it('is run again: what was found before is not saved, and an open sheet is told', async () => {
    await at.runBoth()
    const before = now()
    valueOf(disturb(at.work(), SERIAL, 'adjusted'))
    expect(codeOf(saveBalance(at.work(), before))).toBe('CHANGED')
    expect(codeOf(saveBalance(at.work(), now()))).toBe('NOT_BALANCED')
    expect([sheet().runs.length, nextSeat(sheet()), presentRound(sheet()), sheet().work.fits]).toEqual([2, 0, null, []])
  })
  it('keeps what somebody wants it balanced for', async () => {
    valueOf(await setWanted(at.work(), heavyHere, { ...now(), grade: 6.3, rpm: 12_000 }))
    valueOf(disturb(at.work(), SERIAL, 'adjusted'))
    expect([sheet().wanted, sheet().wantedFrom]).toEqual([{ grade: 6.3, rpm: 12_000 }, 'typed'])
  })
  it('is as it was where it measured the same; a jump voids what it was balanced to', () => {
    type(2)
    const again = (edges: ReturnType<typeof goodT4>, reason?: string) =>
      valueOf(
        saveMeasurement(
          at.work(),
          at.evidence,
          saving(SERIAL, edges, { takenAt: later(301), ...(reason === undefined ? {} : { reason }) }),
        ),
      )
    again(goodT4())
    expect(currentBalance(at.db, sheet().assembly.id)).not.toBeNull()
    again(goodT4({ z: 118.06 }), 'cutter crept')
    expect(currentBalance(at.db, sheet().assembly.id)).toBeNull()
  })
})

describe('two terminals', () => {
  it('the one that saw an older state does nothing', async () => {
    await at.runBoth()
    const old = now()
    valueOf(chooseFit(at.work(), { ...old, fit: 1 }))
    const refused = [
      await start(old.version),
      codeOf(chooseFit(at.work(), { ...old, fit: 0 })),
      codeOf(confirmStep(at.work(), { ...old, step: 0 })),
      codeOf(saveBalance(at.work(), old)),
      codeOf(await computeFits(at.work(), heavyHere, old)),
      codeOf(await setWanted(at.work(), heavyHere, { ...old, grade: 1, rpm: 10_000 })),
    ]
    expect(new Set(refused)).toEqual(new Set(['CHANGED']))
    expect([sheet().work.chosen, holderBalance(at.db, SERIAL).screws, sheet().wantedFrom]).toEqual([1, [], 'definition'])
  })
})

describe('a newer calibration', () => {
  it('in the middle of a round: the run of before is made again', async () => {
    await at.run(0)
    expect(nextSeat(sheet())).toBe(180)
    const [first] = sheet().runs
    await at.calibrate()
    expect(nextSeat(sheet())).toBe(0)
    await at.runBoth()
    expect(presentRound(sheet())).not.toBeNull()
    expect(first.calibration).not.toBe(sheet().calibration!.id)
    // the old run stays in the record and is not what was saved
    expect(saveOf().runs).toEqual(
      listRuns(at.db, sheet().assembly.id)
        .slice(1)
        .map(({ id }) => id),
    )
  })
  const saveOf = () => {
    valueOf(saveBalance(at.work(), now()))
    return currentBalance(at.db, sheet().assembly.id)!
  }
})

describe('a run', () => {
  it('that broke off is nobody’s: the spindle is free for the next', async () => {
    await at.clamp(SERIAL, 0)
    expect(await start()).toBe('ok')
    await at.spindle.hands.guard('open')
    expect(await take()).toBe('BROKEN_OFF')
    expect(spindleUse(at.db)).toBeNull()
    await at.spindle.hands.guard('shut')
    expect(await start()).toBe('ok')
  })
  it('stays to be taken when the server was too busy for it', async () => {
    await at.clamp(SERIAL, 0)
    expect(await start()).toBe('ok')
    at.wait(1)
    const busy = { ...heavyHere, spin: () => Promise.resolve(fail({ code: 'BUSY' } as const)) }
    expect(codeOf(await takeSpin(at.work(), at.spindle, busy, at.files, now()))).toBe('BUSY')
    expect(listRuns(at.db, sheet().assembly.id)).toEqual([])
    expect(await take()).toBe('ok')
    // and only once
    expect(await take()).toBe('OTHER_RUN')
  })
  it('is never cleaned away with the pictures', async () => {
    await at.runBoth()
    const [run] = listRuns(at.db, sheet().assembly.id)
    const old = {
      list: () => [...at.files.kept.keys()].map((place) => ({ place, bytes: 1, at: later(-60 * 24 * 90) })),
      drop: at.files.drop,
    }
    valueOf(cleanPictures(at.as('oda', 400), old, 30))
    expect(at.files.kept.has(run.evidence)).toBe(true)
  })
})

describe('a tool that was handed over', () => {
  it('is handed over again after it was balanced again; not twice where nothing was known', async () => {
    type(2)
    valueOf(await release())
    expect(currentHandover(at.db, SERIAL)!.values.balance).toMatchObject({ grade: 2, rpm: 16_000 })
    type(1.8)
    expect(currentHandover(at.db, SERIAL)).toBeNull()
    expect([getAssembly(at.db, SERIAL)!.state, listHandovers(at.db, SERIAL)[0].voidReason]).toEqual([
      'measured',
      { code: 'BALANCED_AGAIN' },
    ])
  })
  it('loses what it was balanced to with the first screw that is put in', async () => {
    type(2)
    valueOf(await release())
    await at.runBoth()
    expect(currentBalance(at.db, sheet().assembly.id)).not.toBeNull()
    valueOf(confirmStep(at.work(), { ...now(), step: 0 }))
    expect([currentBalance(at.db, sheet().assembly.id), currentHandover(at.db, SERIAL)]).toEqual([null, null])
  })
  it('and is in a machine is not balanced', async () => {
    await at.runBoth()
    valueOf(await release())
    valueOf(await loaded(at, { machine: 'HERON', serial: SERIAL, label: currentHandover(at.db, SERIAL)!.label }, 330))
    expect(codeOf(confirmStep(at.work(), { ...now(), step: 0 }))).toBe('IN_A_MACHINE')
    expect(codeOf(saveBalance(at.work(), now()))).toBe('IN_A_MACHINE')
    expect(codeOf(typeBalance(at.work(), { serial: SERIAL, grade: 2, rpm: 16_000, by: 'x' }))).toBe('IN_A_MACHINE')
    expect(await start()).toBe('IN_A_MACHINE')
  })
})

it('an empty drawer finds nothing; filled and computed again it does', async () => {
  const screws = sheet().provision.thread
  const parts = (
    at.db.prepare("SELECT id FROM component WHERE body ->> '$.kind' = 'balance-screw'").all() as { id: string }[]
  ).map(({ id }) => id)
  const stock = parts.map((part) => balanceOf(at.db, part).hand)
  const move = (from: string, to: string) =>
    parts.forEach((part, i) => {
      if (stock[i] === 0) return
      at.db
        .prepare(
          'INSERT INTO move (component_id, name, from_account, to_account, count, from_place, to_place, at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
        )
        .run(
          part,
          'counted',
          from,
          to,
          stock[i],
          from === 'hand' ? 'CEDAR-8' : null,
          to === 'hand' ? 'CEDAR-8' : null,
          later(350),
        )
    })
  expect(screws).not.toBeNull()
  move('hand', 'outside')
  await at.runBoth()
  expect(sheet().work.fits.flatMap((fit) => fit.steps)).toEqual([])
  expect(codeOf(confirmStep(at.work(), { ...now(), step: 0 }))).toBe('CHANGED')
  move('outside', 'hand')
  valueOf(await computeFits(at.work(), heavyHere, now()))
  expect(sheet().work.fits[0].steps.length).toBeGreaterThan(0)
})

describe('what is still to be begun by when', () => {
  const line = () => readLookahead(at.db, later(330)).find(({ t }) => t === 4)
  it('names a measured tool that is to be balanced, until it is', () => {
    expect(line()?.minutes).toBe(10)
    const standing = readKit(at.db, 'HP-2207', later(330))!.tools.find(({ wanted }) => wanted.t === 4)!.standing
    expect(standing).toMatchObject({ type: 'ready', toBalance: true })
    type(2)
    expect(line()).toBeUndefined()
  })
})

describe('other holders', () => {
  const build = (t: number, serial: string, machine = 'HERON') => {
    const job = { id: 'HP-9', name: '', machine, dueAt: later(900), quantity: 1, priority: 0, programs: [] }
    valueOf(addJob(at.as('oda'), { ...job, extra: [{ t, name: null, count: 1, minutesEach: null, source: 'by hand' }] }))
    valueOf(buildTool(at.as('ines'), 'HP-9', t, serial))
    return balanceRoom(at, serial)
  }
  it('two rings in a plane are turned on their scale; the tool gets better as it was said', async () => {
    const rings = build(6, 'BX00154')
    rings.wait(400)
    valueOf(await setWanted(rings.work(), heavyHere, { serial: 'BX00154', grade: 2.5, rpm: 6000, version: 0 }))
    await rings.runBoth()
    const [fit] = sheet('BX00154').work.fits
    const [before] = sheet('BX00154').rounds
    expect(fit.kind).toBe('rings')
    expect(fit.steps).toHaveLength(4)
    rings.correct()
    await rings.runBoth()
    const after = sheet('BX00154').rounds[1].standing.grade
    expect(after).toBeLessThan(before.standing.grade)
    expect(Math.abs(after - fit.after.grade)).toBeLessThan(0.3)
    expect(holderBalance(at.db, 'BX00154').rings.map(({ plane, ring }) => [plane, ring])).toHaveLength(4)
  })
  it('metal is drilled away where it may be; the hole stays a hole', async () => {
    const drill = build(2, 'BX00161', 'DIPPER')
    drill.wait(400)
    await drill.spindle.hands.adapter('SK 40')
    await drill.calibrate()
    valueOf(await setWanted(drill.work(), heavyHere, { serial: 'BX00161', grade: 2.5, rpm: 10_000, version: 0 }))
    await drill.runBoth()
    const [before] = sheet('BX00161').rounds
    const [fit] = sheet('BX00161').work.fits
    expect(fit.kind).toBe('drill')
    const never = (deg: number) => (deg >= 80 && deg <= 100) || (deg >= 260 && deg <= 280)
    for (const step of fit.steps) expect(step.type === 'drill' && never(step.deg)).toBe(false)
    drill.correct()
    await drill.runBoth()
    expect(sheet('BX00161').rounds[1].standing.grade).toBeLessThan(before.standing.grade)
    expect(holderBalance(at.db, 'BX00161').holes).toHaveLength(fit.steps.length)
  })
  it('mass is put on at its places, and stays on', async () => {
    const add = build(25, 'BX00158')
    add.wait(400)
    valueOf(await setWanted(add.work(), heavyHere, { serial: 'BX00158', grade: 2.5, rpm: 8000, version: 0 }))
    await add.runBoth()
    const [before] = sheet('BX00158').rounds
    const [fit] = sheet('BX00158').work.fits
    expect(fit.kind).toBe('add')
    add.correct()
    await add.runBoth()
    expect(sheet('BX00158').rounds[1].standing.grade).toBeLessThan(before.standing.grade)
    expect(holderBalance(at.db, 'BX00158').added).toHaveLength(fit.steps.length)
  })
})
