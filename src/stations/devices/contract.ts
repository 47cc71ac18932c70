/** Which devices the shop has, and whether they answer. */
import { z } from 'zod'
import { DEVICE_NAMES, DEVICES, type Device, type Devices, type OwnDevices } from '@/core/set-up'
import type { Bare } from '@/core/units'
import { contract, MachineKey } from '../contract'

export interface DeviceRefusals {
  /** Stand-ins were not asked for when this server was started. */
  NO_STAND_INS: Bare
  BAD_ADDRESS: Bare
}

const choice = <D extends Device>(device: D) => z.enum(DEVICES[device] as unknown as [Devices[D], ...Devices[D][]])

const address = z
  .string()
  .trim()
  .max(255)
  .nullable()
  .transform((text) => text || null)
const Chosen = z.object({
  bench: choice('bench'),
  shrink: choice('shrink'),
  spindle: choice('spindle'),
  tag: choice('tag'),
  printer: choice('printer'),
  printerAddress: address,
  benchAddress: address,
})

export const putDevices = contract()(Chosen.extend({ version: z.number().int().min(0) }))

/** What this terminal has of its own; what is left out is as the shop has it. */
export const putOwnDevices = contract()(Chosen.partial())

/** What a device answered, or why it did not. */
export type Tried =
  | { readonly code: 'ANSWERS'; readonly what: string }
  | { readonly code: 'SILENT'; readonly why: string }
  /** It has no line that could be tried. */
  | { readonly code: 'NOTHING_TO_TRY' }

export const tryDevice = contract<Tried>()(
  z.union([z.object({ device: z.enum(DEVICE_NAMES as [Device, ...Device[]]) }), z.object({ machine: MachineKey })]),
)

export interface DevicesView {
  /** What the shop has. */
  readonly shop: Devices
  /** What this terminal has of its own. */
  readonly own: OwnDevices
  readonly version: number
  /** Whether this server may use stand-ins. */
  readonly standIns: boolean
  /** Whether the environment names a gauge on a line. */
  readonly hasLine: boolean
  readonly machines: readonly { readonly key: string; readonly name: string; readonly typed: boolean }[]
}
