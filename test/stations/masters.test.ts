/** The bench's zero: checked with a master through the stand-in, held back when due, overruled by a lead. */
import { describe, expect, it } from 'vitest'
import { encodeFrameSet } from '@/codecs/frame-set'
import type { Picture } from '@/core/sets'
import type { Zero } from '@/core/judge'
import { lastCheck, listChecks, listMasters } from '@/db/bench/read'
import { currentHandover } from '@/db/handover/read'
import { listRecord } from '@/db/record/read'
import { BENCH_FACTS } from '@/devices/bench/port'
import { simulatedBench } from '@/devices/bench/simulated'
import { makeMaster, toTicket } from '@/devices/world/tool-truth'
import { changeAdapter, overruleCheck, renewMaster } from '@/stations/measure/adapter'
import { heldBack, readBench } from '@/stations/measure/bench-state'
import { finishCheck, mayCheck, MASTER_STEPS, type CheckSave, type CheckSaved } from '@/stations/measure/check-bench'
import { readHeld } from '@/stations/measure/look-back'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import {
  codeOf,
  goodT4,
  later,
  saving,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
  saveMeasurement,
} from '../support/tool-room'
import { emptyLight, evenBench, standStill } from '@/workers/bench-cycle'
import type { EvidenceStore } from '@/stations/measure/evidence-store'
import type { Work } from '@/stations/work'
import { measureFramesHere } from '@/workers/server/measure-frames'
import type { Refusal } from '@/stations/refusals'
import type { Result } from '@/core/units'

/** Pictures of the master while the axes read so much too much. */
async function pictures(
  zeroMm: Zero,
  taken: Zero,
  turns = [0, 180],
  master = { LF: 150.0021, DC: 40.0004 },
): Promise<Uint8Array> {
  const raw = simulatedBench(toTicket({ ...makeMaster(4, master), zeroMm }), taken)
  const bench = evenBench(raw, await emptyLight(raw))
  await bench.moveTo(master.DC / 2 - 1, master.LF - 1.4)
  await standStill(bench)
  const all: Picture[] = []
  for (const [i, deg] of turns.entries()) {
    await bench.turnTo(deg)
    const p = await bench.grab()
    all.push({ name: `${deg}.png`, frame: p.frame, edge: i + 1, spindleDeg: deg, centreX: p.centreX, centreZ: p.centreZ })
  }
  return encodeFrameSet({ mmPerPixel: BENCH_FACTS.mmPerPixel, measure: ['LF', 'DC'], pictures: all })
}
const check = (room: ToolRoom, frames: Uint8Array, change: Partial<CheckSave> = {}, person = 'ines', minutes = 10) =>
  checkNow(room.as(person, minutes), room.evidence, {
    scanned: 'MS-HSKA63-1',
    frames,
    checkId: lastCheck(room.db)?.id ?? null,
    reason: null,
    ...change,
  })
/** A check in one breath, without threads. */
function checkNow(work: Work, evidence: EvidenceStore, save: CheckSave): Result<CheckSaved, Refusal> {
  const may = mayCheck(work, save)
  if (!may.ok) return may
  const read = measureFramesHere(save.frames, MASTER_STEPS)
  return read.ok ? finishCheck(work, evidence, save, read.value) : read
}
const NONE = { x: 0, z: 0 }
const OFF = { x: 0.004, z: -0.006 }

describe('a check with the master', () => {
  it('finds what the axes read too much to a micrometre, and takes it off from then on', async () => {
    const room = toolRoom()
    const first = valueOf(check(room, await pictures(OFF, NONE)))
    expect(first.verdict).toBe('drifted')
    const { zero } = readBench(room.db, later(11))
    expect(Math.abs(zero.x - OFF.x)).toBeLessThan(0.001)
    expect(Math.abs(zero.z - OFF.z)).toBeLessThan(0.001)
    const again = valueOf(check(room, await pictures(OFF, zero)))
    expect(again.verdict).toBe('still')
    expect(Math.hypot(again.drift.x, again.drift.z)).toBeLessThan(0.001)
    expect(listChecks(room.db, 10)).toHaveLength(3)
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'checked' })
  })
  it.each([
    ['the mark of another master', { scanned: 'MS-SK40-1' }, 'OTHER_MASTER'],
    ['pictures placed with an older zero', { checkId: 77 }, 'OTHER_ZERO'],
    ['nonsense', { frames: new Uint8Array([1, 2]) }, 'BAD_FRAMESET'],
  ])('%s is refused', async (_, change, code) => {
    const room = toolRoom()
    expect(codeOf(check(room, await pictures(NONE, NONE), change))).toBe(code)
    expect(listChecks(room.db, 10)).toHaveLength(1)
    expect(room.evidence.kept.size).toBe(0)
  })
  it('one turn alone is not enough: the seat would count as drift', async () => {
    expect(codeOf(check(toolRoom(), await pictures(NONE, NONE, [0])))).toBe('MASTER_NOT_WHOLE')
  })
  it('more than heat explains is taken from a lead only, with a reason', async () => {
    const room = toolRoom()
    const far = await pictures({ x: 0, z: 0.05 }, NONE)
    expect(codeOf(check(room, far))).toBe('TOO_FAR')
    expect(codeOf(check(room, far, { reason: 'knocked' }))).toBe('TOO_FAR')
    expect(codeOf(check(room, far, {}, 'oda'))).toBe('TOO_FAR')
    expect(valueOf(check(room, far, { reason: 'spindle was serviced' }, 'oda')).verdict).toBe('too far')
  })
  it('a master whose certificate has ended is none', async () => {
    const room = toolRoom()
    valueOf(changeAdapter(room.as('ines'), 'AD-HSKF63-1'))
    const frames = await pictures(NONE, NONE, [0, 180], { LF: 120.0009, DC: 31.9992 })
    expect(codeOf(check(room, frames, { scanned: 'MS-HSKF63-1' }))).toBe('MASTER_EXPIRED')
  })
})

describe('another adapter', () => {
  it('of the same taper has a zero of its own: what its first check finds is no drift', async () => {
    const room = toolRoom()
    valueOf(check(room, await pictures(NONE, NONE)))
    valueOf(changeAdapter(room.as('ines', 20), 'AD-HSKA63-2'))
    const first = valueOf(
      check(room, await pictures(OFF, NONE), { checkId: readBench(room.db, later(21)).check?.id ?? null }, 'ines', 21),
    )
    expect(first.verdict).toBe('first')
    expect(first.again).toEqual([])
    // back on the first one, whose own check is not to be found changed by that
    valueOf(changeAdapter(room.as('ines', 30), 'AD-HSKA63-1'))
    expect(Math.abs(readBench(room.db, later(31)).zero.z)).toBeLessThan(0.001)
  })
})

describe('a master', () => {
  it('whose certificate has ended is renewed by a lead, with what the new one says', () => {
    const room = toolRoom()
    const { id } = listMasters(room.db).find((m) => m.mark === 'MS-HSKF63-1')!
    const renewal = { id, calibratedUntil: '2028-06-30', LFmm: 120.0012, DCmm: 31.9995 }
    expect(codeOf(renewMaster(room.as('oda'), { ...renewal, LFmm: 121 }))).toBe('OTHER_CERTIFICATE')
    valueOf(renewMaster(room.as('oda'), renewal))
    expect(listMasters(room.db).find((m) => m.mark === 'MS-HSKF63-1')).toMatchObject({
      LFmm: 120.0012,
      calibratedUntil: '2028-06-30',
    })
  })
})

describe('after a drift', () => {
  it('what was measured since the last good check is looked back at, and held', async () => {
    const room = withT4(withJobs(toolRoom()))
    valueOf(check(room, await pictures(NONE, NONE), {}, 'ines', 5))
    const checkId = readBench(room.db, later(6)).check!.id
    valueOf(saveMeasurement(room.as('ines', 60), room.evidence, saving('BX00143', goodT4(), { checkId, takenAt: later(60) })))
    valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
    const found = valueOf(check(room, await pictures({ x: 0, z: 0.012 }, NONE), { checkId }, 'ines', 90))
    expect(found.verdict).toBe('drifted')
    expect(found.again.map((a) => a.serial)).toEqual(['BX00143'])
    expect(currentHandover(room.db, 'BX00143')!.held).toMatchObject({ code: 'DRIFTED' })
    expect(readHeld(room.db).map((h) => [h.serial, h.loaded])).toEqual([['BX00143', false]])
  })
})

describe('measuring is held back', () => {
  const save = (room: ToolRoom, minutes: number, checkId = 1) =>
    saveMeasurement(room.as('ines', minutes), room.evidence, saving('BX00143', goodT4(), { checkId, takenAt: later(minutes) }))
  const ready = () => withT4(withJobs(toolRoom()))

  it('when the check is older than a shift, until a lead lets it go on', () => {
    const room = ready()
    expect(codeOf(save(room, 451))).toBe('MASTER_DUE')
    valueOf(overruleCheck(room.as('oda', 453), 'master is away for calibration'))
    expect(codeOf(save(room, 454))).toBe('ok')
    expect(codeOf(save(room, 453 + 481))).toBe('MASTER_DUE')
    expect(listRecord(room.db).map((r) => r.what)).toContain('overruled')
  })
  it('after a change of adapter, and for a tool of another taper', () => {
    const room = ready()
    expect(codeOf(changeAdapter(room.as('ines', 1), 'AD-NONE-1'))).toBe('UNKNOWN_ADAPTER')
    valueOf(changeAdapter(room.as('ines', 1), 'AD-SK40-1'))
    expect(codeOf(changeAdapter(room.as('ines', 1), 'AD-SK40-1'))).toBe('SAME_ADAPTER')
    expect(codeOf(save(room, 60))).toBe('WRONG_ADAPTER')
    valueOf(changeAdapter(room.as('ines', 2), 'AD-HSKA63-1'))
    expect(codeOf(save(room, 60))).toBe('MASTER_DUE')
    expect(heldBack(readBench(room.db, later(60)), 'HSK-A63')).toEqual({ code: 'MASTER_DUE', due: 'adapter' })
  })
  it('when the bench was checked between the pictures and the save', () => {
    expect(codeOf(save(ready(), 60, 5))).toBe('OTHER_ZERO')
  })
  it('nothing to overrule while the check holds', () => {
    expect(codeOf(overruleCheck(toolRoom().as('oda', 0), 'just so'))).toBe('CHECK_NOT_DUE')
  })
})
