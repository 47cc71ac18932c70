import 'server-only'
import type { Shop } from '@/runtime'
import { logFault } from '@/runtime/log'
import { tellHooks } from '@/stations/outside/hooks'

const EVERY_MS = 5000
const held = globalThis as { boulderHooks?: boolean }

/** Tells other programs what they want to know, for as long as this process lives; starts once. */
export function watchHooks({ db, clock, teller }: Pick<Shop, 'db' | 'clock' | 'teller'>): void {
  if (held.boulderHooks) return
  held.boulderHooks = true
  let telling = false
  const tell = () => {
    if (telling) return
    telling = true
    tellHooks(db, teller, () => clock.now())
      .catch((error: unknown) => logFault('web hooks', error))
      .finally(() => (telling = false))
  }
  setInterval(tell, EVERY_MS).unref()
}
