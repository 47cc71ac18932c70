/** Balancing at the bench: a spindle calibrated, a tool run, corrected with screws from the drawer, and what voids it. */
import { beforeEach, describe, expect, it } from 'vitest'
import { heavyHere } from '@/codecs/heavy'
import { decodeSpin } from '@/codecs/spin-file'
import { inStep } from '@/core/balance'
import { currentBalance, holderBalance, listRuns } from '@/db/balance/read'
import { balanceOf } from '@/db/stock/read'
import { loadRotor, ROTOR } from '@/runtime/unbalance-ticket'
import { readBalance, nextSeat } from '@/stations/balance/balance-sheet'
import {
  beginCalibration,
  CALIBRATION_RUNS,
  readCalibration,
  startCalibrationSpin,
  takeCalibrationSpin,
} from '@/stations/balance/calibrate'
import { chooseFit, confirmStep, dropBalance, saveBalance, setWanted, typeBalance } from '@/stations/balance/correct'
import { startSpin, takeSpin } from '@/stations/balance/spin'
import { disturb } from '@/stations/build/take-apart'
import { readRack } from '@/stations/rack/rack'
import { answerScan } from '@/stations/scan/answer-scan'
import { balanceRoom } from '../support/balance-station'
import { codeOf, lastEntry, later, measured, toolRoom, valueOf, withJobs, withT4 } from '../support/tool-room'

const SERIAL = 'BX00143'
const TRIAL = { rotor: 'R-1', backMm: 25, frontMm: 95, trialGmm: 150 }
const room = () => balanceRoom(measured(withT4(withJobs(toolRoom()), SERIAL)), SERIAL)

let at: ReturnType<typeof room>
beforeEach(() => {
  at = room()
})

describe('before a run', () => {
  const start = async (serial = SERIAL) =>
    codeOf(await startSpin(at.work(), at.spindle, { serial, seat: 0, version: at.version() }))
  it('what is in the way is said: no tool, no calibration, too old, the guard, the spindle empty', async () => {
    expect(await start('BX00199')).toBe('UNKNOWN_SERIAL')
    expect(await start()).toBe('NOT_CALIBRATED')
    await at.calibrate()
    await at.clamp(SERIAL, 0)
    expect(await start()).toBe('ok')
    at.wait(2)
    await at.spindle.hands.takeOut()
    expect(await start()).toBe('EMPTY')
    await at.clamp(SERIAL, 0)
    await at.spindle.hands.guard('open')
    expect(await start()).toBe('GUARD_OPEN')
    await at.spindle.hands.adapter('SK 40')
    expect(await start()).toBe('SPINDLE_ADAPTER')
    await at.spindle.hands.adapter('HSK-A63')
    at.wait(60 * 24 * 31)
    expect(await start()).toBe('NOT_CALIBRATED')
  })
  it('a speed above the weakest part, and nothing to be balanced for', async () => {
    const set = async (rpm: number) =>
      codeOf(await setWanted(at.work(), heavyHere, { serial: SERIAL, grade: 2.5, rpm, version: at.version() }))
    expect(await set(40_000)).toBe('ABOVE_WEAKEST')
    expect(await set(12_000)).toBe('ok')
    expect(readBalance(at.db, SERIAL)?.wanted).toEqual({ grade: 2.5, rpm: 12_000 })
  })
})

describe('a tool', () => {
  it('is run, corrected from the drawer, run again, and good; the runs are kept as they were recorded', async () => {
    await at.calibrate()
    const before = (await at.runBoth()).grade!
    expect(before).toBeGreaterThan(2.5)
    const { work, provision } = readBalance(at.db, SERIAL)!
    expect(provision.screws.map((p) => p.name)).toEqual(['back', 'front'])
    expect(work.fits[0].kind).toBe('screws')
    expect(work.fits[0].after.grade).toBeLessThan(2.5)
    expect(work.fits.length).toBeGreaterThan(1)
    const screw = work.fits[0].steps[0]
    const stock = screw.type === 'screw in' ? balanceOf(at.db, screw.part).hand : 0
    at.correct()
    expect(nextSeat(readBalance(at.db, SERIAL)!)).toBe(0)
    if (screw.type === 'screw in') expect(balanceOf(at.db, screw.part).hand).toBeLessThan(stock)
    const after = (await at.runBoth()).grade!
    expect(after).toBeLessThan(2.5)
    const saved = valueOf(saveBalance(at.work(), { serial: SERIAL, version: at.version() }))
    expect(saved.grade).toBeCloseTo(after, 9)
    expect(saved.goodToRpm).toBeGreaterThan(16_000)
    const { id } = readBalance(at.db, SERIAL)!.assembly
    const runs = listRuns(at.db, id)
    expect(runs.map(({ round, seat }) => [round, seat])).toEqual([
      [0, 0],
      [0, 180],
      [1, 0],
      [1, 180],
    ])
    // the file that is kept gives the same answer once more
    const again = inStep(decodeSpin(at.evidence.kept.get(runs[0].evidence)!))
    expect(again.ok && again.value.answers[0].value.re).toBeCloseTo(runs[0].answers[0].value.re, 6)
    expect(currentBalance(at.db, id)).toMatchObject({ elsewhere: null, rpm: 16_000 })
    expect(holderBalance(at.db, SERIAL).screws.length).toBeGreaterThan(0)
    expect(lastEntry(at.db)).toMatch(/^G [\d.]+ at 16,000 rev\/min, G 2.5 wanted; good to [\d,]+ rev\/min$/)
  })
  it('waits at Balance after it is measured, and at Hand over once it is balanced; a touch undoes that', async () => {
    const at0 = (station: 'balance' | 'hand-over') => readRack(at.db, station, later(400)).items.map((i) => i.key)
    expect([at0('balance'), at0('hand-over')].map((all) => all.includes(SERIAL))).toEqual([true, false])
    expect(answerScan(at.db, SERIAL, later(400)).text).toContain('to balance')
    valueOf(typeBalance(at.work(), { serial: SERIAL, grade: 2, rpm: 16_000, by: 'Larch Balancing' }))
    expect([at0('balance'), at0('hand-over')].map((all) => all.includes(SERIAL))).toEqual([false, true])
    valueOf(disturb(at.work(), SERIAL, 'adjusted'))
    expect(currentBalance(at.db, readBalance(at.db, SERIAL)!.assembly.id)).toBeNull()
  })
  it('another correction may be chosen before the first step, not after it; a step is done once', async () => {
    await at.calibrate()
    await at.runBoth()
    valueOf(chooseFit(at.work(), { serial: SERIAL, fit: 1, version: at.version() }))
    expect(codeOf(chooseFit(at.work(), { serial: SERIAL, fit: 19, version: at.version() }))).toBe('NOTHING_TO_CORRECT')
    const v = at.version()
    valueOf(confirmStep(at.work(), { serial: SERIAL, step: 0, version: v }))
    expect(codeOf(confirmStep(at.work(), { serial: SERIAL, step: 0, version: v }))).toBe('CHANGED')
    if (readBalance(at.db, SERIAL)!.work.done === 0) return
    expect(codeOf(chooseFit(at.work(), { serial: SERIAL, fit: 0, version: at.version() }))).toBe('FIT_UNDER_WAY')
    expect(codeOf(saveBalance(at.work(), { serial: SERIAL, version: at.version() }))).toBe('NOT_BALANCED')
    expect(codeOf(await startSpin(at.work(), at.spindle, { serial: SERIAL, seat: 0, version: at.version() }))).toBe(
      'FIT_UNDER_WAY',
    )
  })
  it('a screw that nobody has any more is not put in, and nothing is half written', async () => {
    await at.calibrate()
    await at.runBoth()
    const { work } = readBalance(at.db, SERIAL)!
    const step = work.fits[0].steps[0]
    if (step.type !== 'screw in') throw new Error('a new holder has no screws')
    at.db
      .prepare(
        'INSERT INTO move (component_id, name, from_account, to_account, count, from_place, at) VALUES (?, ?, ?, ?, ?, ?, ?)',
      )
      .run(step.part, 'counted', 'hand', 'outside', balanceOf(at.db, step.part).hand, 'CEDAR-8', later(350))
    expect(codeOf(confirmStep(at.work(), { serial: SERIAL, step: 0, version: at.version() }))).toBe('NO_SCREW')
    expect(holderBalance(at.db, SERIAL).screws).toEqual([])
    expect(readBalance(at.db, SERIAL)!.work.done).toBe(0)
  })
  it('a run that broke off, or that another tool made, is not taken', async () => {
    await at.calibrate()
    await at.clamp(SERIAL, 0)
    valueOf(await startSpin(at.work(), at.spindle, { serial: SERIAL, seat: 0, version: at.version() }))
    await at.spindle.hands.guard('open')
    const take = async () =>
      codeOf(await takeSpin(at.work(), at.spindle, heavyHere, at.files, { serial: SERIAL, version: at.version() }))
    expect(await take()).toBe('BROKEN_OFF')
    withT4(at, 'BX00144')
    at.wait(60)
    await at.clamp('BX00144', 0)
    valueOf(await startSpin(at.work(), at.spindle, { serial: 'BX00144', seat: 0, version: 0 }))
    at.wait(2)
    expect(await take()).toBe('OTHER_RUN')
  })
  it('begins anew: the runs stay, the next is a round of its own', async () => {
    await at.calibrate()
    await at.runBoth()
    valueOf(dropBalance(at.work(), SERIAL))
    const sheet = readBalance(at.db, SERIAL)!
    expect([sheet.runs.length, sheet.work.round, nextSeat(sheet)]).toEqual([2, 1, 0])
  })
  it('a typed result says who balanced it, and how fast it may run', () => {
    valueOf(typeBalance(at.work(), { serial: SERIAL, grade: 5, rpm: 16_000, by: 'Larch Balancing' }))
    const result = currentBalance(at.db, readBalance(at.db, SERIAL)!.assembly.id)!
    // G5 at 16,000 is G2.5 at 8,000 rev/min
    expect([result.elsewhere, result.goodToRpm]).toEqual(['Larch Balancing', 8000])
    expect(codeOf(typeBalance(at.work(), { serial: SERIAL, grade: 1, rpm: 40_000, by: 'Larch' }))).toBe('ABOVE_WEAKEST')
  })
})

it('a rotor without its mass, or with it in the wrong plane, makes no calibration', async () => {
  valueOf(beginCalibration(at.work(), { ...TRIAL, version: 0 }))
  let last = 'ok'
  for (const { seat } of CALIBRATION_RUNS) {
    loadRotor(at.db, null)
    await at.clamp(ROTOR, seat)
    valueOf(await startCalibrationSpin(at.work(), at.spindle, readCalibration(at.db).version))
    at.wait(1)
    last = codeOf(await takeCalibrationSpin(at.work(), at.spindle, heavyHere, at.files, readCalibration(at.db).version))
  }
  expect(last).toBe('NO_ANSWER')
  expect(readCalibration(at.db).last).toEqual([])
  expect(codeOf(beginCalibration(at.work(), { ...TRIAL, frontMm: 25, version: readCalibration(at.db).version }))).toBe(
    'BAD_BALANCE',
  )
})
