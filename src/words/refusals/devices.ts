import type { DeviceRefusals } from '@/stations/devices/contract'
import type { Sentences } from './sentences'

export const DEVICE_WORDS: Sentences<DeviceRefusals> = {
  NO_STAND_INS: () => 'A stand-in is a simulation. This server was started without them, so that nothing simulated is saved.',
  BAD_ADDRESS: () => 'Type the address of the printer, such as 192.168.1.40 or labels:9100.',
}
