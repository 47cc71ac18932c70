import { describe, expect, it } from 'vitest'
import { DEVICE_NAMES, DEVICES, devicesHere, readAddress, usualDevices } from './index'

describe('devices', () => {
  it('before anybody chose are stand-ins where those were asked for, and else nothing that is not there', () => {
    expect(usualDevices(true)).toMatchObject({ bench: 'stand-in', shrink: 'stand-in', spindle: 'stand-in', tag: 'stand-in' })
    expect(Object.values(usualDevices(false))).not.toContain('stand-in')
  })
  it('chosen as stand-ins count as none on a server without them', () => {
    const chosen = { ...usualDevices(true), printer: 'network', printerAddress: 'labels' } as const
    expect(devicesHere(chosen, true)).toEqual(chosen)
    expect(devicesHere(chosen, false)).toEqual({ ...usualDevices(false), printer: 'network', printerAddress: 'labels' })
    expect(devicesHere({ bench: 'line' }, false)).toMatchObject({ bench: 'line', shrink: 'none' })
  })
  it('each have something to choose that is no stand-in', () => {
    for (const device of DEVICE_NAMES) expect(DEVICES[device].some((choice) => (choice as string) !== 'stand-in')).toBe(true)
  })
})

describe('an address', () => {
  it.each([
    ['192.168.1.40', { host: '192.168.1.40', port: 9100 }],
    [' labels.shop.example:9101 ', { host: 'labels.shop.example', port: 9101 }],
    ['L1', { host: 'L1', port: 9100 }],
  ])('%s', (text, address) => expect(readAddress(text)).toEqual(address))
  it.each(['', 'http://labels', 'labels:0', 'labels:65536', 'labels 2', '-labels', 'a..:x'])('%s is none', (text) =>
    expect(readAddress(text)).toBeNull(),
  )
})
