import 'server-only'
import type { Shop } from '@/runtime'
import { logFault } from '@/runtime/log'
import { practiceOf } from '@/stations/practice'
import { lookAtAll } from '@/stations/watch/look'

const MINUTE_MS = 60_000
const held = globalThis as { boulderTables?: boolean }

/** Compares every control's table with what was handed over, as often as the shop wants it, for as long as this process lives; starts once. */
export function watchTables({ db, control, clock, bell }: Pick<Shop, 'db' | 'control' | 'clock' | 'bell'>): void {
  if (held.boulderTables) return
  held.boulderTables = true
  let since = Infinity
  let looking = false
  const look = () => {
    const every = practiceOf(db).watchMin
    since++
    if (looking || every === 0 || since < every) return
    since = 0
    looking = true
    lookAtAll(db, control, clock.now())
      // whoever has a sheet open that shows it sees it
      .then(() => bell.ring({ from: null, always: true }))
      .catch((error: unknown) => logFault('table watch', error))
      .finally(() => (looking = false))
  }
  setTimeout(look, 5000).unref()
  setInterval(look, MINUTE_MS).unref()
}
