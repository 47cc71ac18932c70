import { addressesRead, type Devices, type OwnDevices } from '@/core/set-up'
import { isTyped } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { listMachines } from '@/db/machine/read'
import { putSession } from '@/db/session/write'
import { putDevices as keep, readDevices } from '@/db/shop/devices'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import type { DevicesView } from './contract'

const hasStandIn = (devices: OwnDevices) => Object.values(devices).includes('stand-in')

/** Which devices count from now on. @param standIns whether this server may use stand-ins */
export function putDevices(
  work: Work,
  { version, ...devices }: Devices & { readonly version: number },
  standIns: boolean,
): Result<null, Refusal> {
  const changed: Refusal = { code: 'CHANGED', what: 'devices' }
  const before = readDevices(work.db, standIns)
  if (before.version !== version) return fail(changed)
  if (!standIns && hasStandIn(devices)) return fail({ code: 'NO_STAND_INS' })
  if (!addressesRead(devices)) return fail({ code: 'BAD_ADDRESS' })
  return write(work, { entry: { code: 'DEVICES_CHOSEN', ...devices }, before, after: devices }, (tx) => {
    must(keep(tx.db, devices, version), changed)
    return null
  })
}

/** Which devices a terminal has of its own from now on: it is the only one that they count for. */
export function putOwnDevices(
  work: Work,
  terminal: { readonly sessionId: string; readonly own: OwnDevices },
  own: OwnDevices,
  standIns: boolean,
): Result<null, Refusal> {
  if (!standIns && hasStandIn(own)) return fail({ code: 'NO_STAND_INS' })
  if (!addressesRead(readDevices(work.db, standIns, own))) return fail({ code: 'BAD_ADDRESS' })
  return write(work, { entry: { code: 'TERMINAL_DEVICES', own }, before: terminal.own, after: own }, (tx) => {
    putSession(tx.db, terminal.sessionId, { devices: own }, tx.now)
    return null
  })
}

/** @param own of the terminal that asks */
export function readDevicesPage(db: Db, standIns: boolean, hasLine: boolean, own: OwnDevices): DevicesView {
  const { version, ...shop } = readDevices(db, standIns)
  return {
    shop,
    own,
    version,
    standIns,
    hasLine,
    machines: listMachines(db).map((machine) => ({
      key: machine.key,
      name: machine.name,
      typed: isTyped(machine) && !machine.agent,
    })),
  }
}
