/** Which devices a shop has: chosen by an administrator, tried, and never simulated where stand-ins were not asked for. */
import { beforeEach, describe, expect, it } from 'vitest'
import { usualDevices } from '@/core/set-up'
import { readDevices } from '@/db/shop/devices'
import { absentShrink, absentSpindle, absentTag } from '@/devices/absent'
import { putDevices, readDevicesPage } from '@/stations/devices/put-devices'
import { tryDevice } from '@/stations/devices/try-device'
import { writeWear } from '@/stations/hand-over/write-tag'
import { codeOf, lastEntry, toolRoom, valueOf, type ToolRoom } from '../support/tool-room'

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
    expect(readDevicesPage(room.db, false, false)).toMatchObject({ bench: 'typed', standIns: false, hasLine: false })
  })
  it('a printer in the network has an address', () => {
    expect(codeOf(choose({ printer: 'network' }, false))).toBe('BAD_ADDRESS')
    expect(codeOf(choose({ printer: 'network', printerAddress: 'http://labels' }, false))).toBe('BAD_ADDRESS')
    valueOf(choose({ printer: 'network', printerAddress: 'labels:9100' }, false))
  })
})

describe('tried', () => {
  const drivers = () => ({
    ...{ db: room.db, control: room.control, lineBench: null, shrink: absentShrink, spindle: absentSpindle },
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
