/** Which devices a shop has: chosen by an administrator, tried, and never simulated where stand-ins were not asked for. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeEach, describe, expect, it } from 'vitest'
import { usualDevices, type OwnDevices } from '@/core/set-up'
import { inTransaction } from '@/db/connection'
import { turnSession } from '@/db/session/write'
import { readValuesBench, saveValuesCheck } from '@/stations/measure/check-values'
import { readWho } from '@/stations/session/who'
import { readDevices } from '@/db/shop/devices'
import { absentShrink, absentSpindle, absentTag } from '@/devices/absent'
import { fileTag } from '@/devices/tag/file'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { putDevices, putOwnDevices, readDevicesPage } from '@/stations/devices/put-devices'
import { tryDevice } from '@/stations/devices/try-device'
import { readTagNow, writeTag, writeWear } from '@/stations/hand-over/write-tag'
import { codeOf, lastEntry, later, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

let room: ToolRoom
beforeEach(() => (room = toolRoom()))

const choose = (to: object, standIns: boolean, version = readDevices(room.db, standIns).version) =>
  putDevices(room.as('ruth'), { ...usualDevices(standIns), ...to, version }, standIns)

describe('the devices of a shop', () => {
  it('are kept, told in the record, and changed by one at a time', () => {
    valueOf(choose({ bench: 'line' }, true))
    expect(readDevices(room.db, true)).toMatchObject({ bench: 'line', shrink: 'stand-in', version: 1 })
    expect(lastEntry(room.db)).toContain('bench line')
    expect(codeOf(choose({ bench: 'typed' }, true, 0))).toBe('CHANGED')
  })
  it('are no stand-ins on a server that was started without them', () => {
    expect(codeOf(choose({ shrink: 'stand-in' }, false))).toBe('NO_STAND_INS')
    valueOf(choose({ bench: 'stand-in' }, true))
    expect(readDevicesPage(room.db, false, false, {})).toMatchObject({
      shop: { bench: 'typed' },
      standIns: false,
      hasLine: false,
    })
  })
  it('a printer in the network has an address', () => {
    expect(codeOf(choose({ printer: 'network' }, false))).toBe('BAD_ADDRESS')
    expect(codeOf(choose({ printer: 'network', printerAddress: 'http://labels' }, false))).toBe('BAD_ADDRESS')
    valueOf(choose({ printer: 'network', printerAddress: 'labels:9100' }, false))
    expect(codeOf(choose({ printer: 'network-pdf' }, false))).toBe('BAD_ADDRESS')
  })
})

describe('devices of one terminal', () => {
  const own = (to: OwnDevices, standIns = true) => putOwnDevices(room.as('ruth'), { sessionId: 'one', own: {} }, to, standIns)
  const at = (id: string) => readDevices(room.db, true, readWho(room.db, id, later(1)).own)
  it('are its own, and the rest is as the shop has it, whoever signs in there', () => {
    valueOf(own({ tag: 'none', printer: 'network', printerAddress: 'labels-2' }))
    expect(lastEntry(room.db)).toContain('one terminal: tag none')
    valueOf(choose({ bench: 'typed', tag: 'file' }, true))
    expect(at('one')).toMatchObject({ bench: 'typed', tag: 'none', printer: 'network', printerAddress: 'labels-2' })
    expect(at('other')).toMatchObject({ bench: 'typed', tag: 'file', printer: 'folder' })
    inTransaction(room.db, (tx) => turnSession(tx, 'one', 'two', 'oda', later(1)))
    expect(at('two')).toMatchObject({ tag: 'none' })
    valueOf(putOwnDevices(room.as('ruth'), { sessionId: 'two', own: { tag: 'none' } }, {}, true))
    expect(at('two')).toMatchObject({ tag: 'file', printer: 'folder' })
  })
  it('are no stand-ins without them, and have addresses that can be reached', () => {
    expect(codeOf(own({ tag: 'stand-in' }, false))).toBe('NO_STAND_INS')
    expect(codeOf(own({ printer: 'network' }))).toBe('BAD_ADDRESS')
    expect(codeOf(own({ bench: 'line', benchAddress: 'gauge' }))).toBe('BAD_ADDRESS')
    valueOf(own({ bench: 'line', benchAddress: 'gauge:4001' }))
  })
  it('a gauge of one terminal is checked with its master by itself', () => {
    const CHECKED = { coupling: 'HSK-A63', scanned: 'MS-HSKA63-1', LFmm: 150.002, DCmm: 40.0004 }
    valueOf(saveValuesCheck(room.as('ines'), CHECKED, 'gauge:4001'))
    expect(readValuesBench(room.db, 'HSK-A63', later(1), 'gauge:4001').due).toBeNull()
    expect(readValuesBench(room.db, 'HSK-A63', later(1)).due).toBe('never')
  })
})

describe('tried', () => {
  const drivers = () => ({
    ...{
      db: room.db,
      control: room.control,
      lineBench: null,
      shrink: absentShrink,
      spindle: absentSpindle,
      tagOf: () => absentTag,
    },
  })
  it('what is not there says so, in words', async () => {
    expect(valueOf(await tryDevice(drivers(), { device: 'shrink' }))).toEqual({
      code: 'SILENT',
      why: expect.stringContaining('No shrink unit is connected.'),
    })
    expect(valueOf(await tryDevice(drivers(), { device: 'spindle' }))).toMatchObject({ code: 'SILENT' })
    expect(valueOf(await tryDevice(drivers(), { device: 'bench' }))).toEqual({ code: 'NOTHING_TO_TRY' })
  })
  it('a gauge on a line says what it shows, and a control that it answers', async () => {
    const lineBench = { read: () => Promise.resolve({ ok: true, value: ['Z 120.5'] } as const) }
    expect(valueOf(await tryDevice({ ...drivers(), lineBench }, { device: 'bench' }))).toEqual({
      code: 'ANSWERS',
      what: 'Z 120.5',
    })
    expect(valueOf(await tryDevice(drivers(), { machine: 'HERON' }))).toEqual({ code: 'ANSWERS', what: 'Heron' })
    expect(codeOf(await tryDevice(drivers(), { machine: 'GONE' }))).toBe('UNKNOWN_MACHINE')
  })
})

it('without a tag reader a tool comes back from its machine all the same', async () =>
  expect(
    valueOf(await writeWear(room.as('ines'), absentTag, 'BX00143', { lengthMm: null, radiusMm: null, lifeUsedMin: 3 })),
  ).toBe('no tag'))

describe('a tag as a file', () => {
  const folder = mkdtempSync(join(tmpdir(), 'boulder-tag-'))
  afterAll(() => rmSync(folder, { recursive: true, force: true }))
  const file = join(folder, 'carrier.bin')
  const tag = fileTag(file)
  beforeEach(() => rmSync(file, { force: true }))

  it('is not there without the file, and is told from one that is gone in the middle', async () => {
    expect(codeOf(await tag.read())).toBe('NO_TAG')
    writeFileSync(file, new Uint8Array(2048))
    valueOf(await tag.write({ address: 16, bytes: new Uint8Array([1, 2, 3, 4]) }))
    expect(valueOf(await tag.read()).slice(14, 22)).toEqual(new Uint8Array([0, 0, 1, 2, 3, 4, 0, 0]))
    rmSync(file)
    expect(codeOf(await tag.write({ address: 20, bytes: new Uint8Array(4) }))).toBe('LOST')
  })
  it('never grows: another carrier was put there', async () => {
    writeFileSync(file, new Uint8Array(512))
    expect(codeOf(await tag.write({ address: 510, bytes: new Uint8Array(4) }))).toBe('LOST')
    expect(valueOf(await tag.read())).toHaveLength(512)
  })
  it('takes a hand-over, and holds the last one that was written whole', async () => {
    room = measured(withT4(withJobs(room)))
    valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
    writeFileSync(file, new Uint8Array(2048).fill(0xff))
    valueOf(await writeTag(room.as('ines', 71), tag, 'BX00143'))
    const { record } = valueOf(await readTagNow(tag))
    expect(record).toMatchObject({ id: 'BX00143', t: 4, iss: 1, lf: expect.closeTo(118, 2) })
  })
  it('is tried by reading it', async () => {
    const drivers = { db: room.db, control: room.control, lineBench: null, shrink: absentShrink, spindle: absentSpindle }
    expect(valueOf(await tryDevice({ ...drivers, tagOf: () => tag }, { device: 'tag' }))).toMatchObject({ code: 'SILENT' })
    writeFileSync(file, new Uint8Array(512))
    expect(valueOf(await tryDevice({ ...drivers, tagOf: () => tag }, { device: 'tag' }))).toEqual({
      code: 'ANSWERS',
      what: 'a chip of 512 bytes',
    })
  })
})
