import 'server-only'
import { logFault } from '@/runtime/log'
import { readMinutes } from '@/stations/load/read-minutes'
import { settleUnloads } from '@/stations/return/settle'
import type { Shop } from '@/runtime'

const EVERY_MS = 60_000
const held = globalThis as { boulderMinutes?: boolean }

/** Reads from every control what its tools have cut, and ends what broke off on its way out, once a minute for as long as this process lives; starts once. */
export function watchMinutes({ db, control, clock }: Pick<Shop, 'db' | 'control' | 'clock'>): void {
  if (held.boulderMinutes) return
  held.boulderMinutes = true
  let reading = false
  const read = () => {
    if (reading) return
    reading = true
    readMinutes(db, control)
      .then(() => settleUnloads(db, control, clock.now()))
      .catch((error: unknown) => logFault('minutes cut', error))
      .finally(() => (reading = false))
  }
  read()
  setInterval(read, EVERY_MS).unref()
}
