import { readAddress, type Devices } from '@/core/set-up'
import { isTyped } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { listMachines } from '@/db/machine/read'
import { putDevices as keep, readDevices } from '@/db/shop/devices'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import type { DevicesView } from './contract'

/** Which devices count from now on. @param standIns whether this server may use stand-ins */
export function putDevices(
  work: Work,
  { version, ...devices }: Devices & { readonly version: number },
  standIns: boolean,
): Result<null, Refusal> {
  const changed: Refusal = { code: 'CHANGED', what: 'devices' }
  const before = readDevices(work.db, standIns)
  if (before.version !== version) return fail(changed)
  if (!standIns && Object.values(devices).includes('stand-in')) return fail({ code: 'NO_STAND_INS' })
  if (devices.printer !== 'folder' && (devices.printerAddress === null || !readAddress(devices.printerAddress)))
    return fail({ code: 'BAD_ADDRESS' })
  return write(work, { entry: { code: 'DEVICES_CHOSEN', ...devices }, before, after: devices }, (tx) => {
    must(keep(tx.db, devices, version), changed)
    return null
  })
}

export const readDevicesPage = (db: Db, standIns: boolean, hasLine: boolean): DevicesView => ({
  ...readDevices(db, standIns),
  standIns,
  hasLine,
  machines: listMachines(db).map((machine) => ({
    key: machine.key,
    name: machine.name,
    typed: isTyped(machine) && !machine.agent,
  })),
})
