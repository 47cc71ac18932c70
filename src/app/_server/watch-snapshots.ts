import 'server-only'
import type { Shop } from '@/runtime'
import { logFault } from '@/runtime/log'
import { storageFault, type StorageFault } from '@/stations/storage'

const LOOK_MS = 300_000
/** A server that has just started has other things to do. */
const FIRST_MS = 30_000

const held = globalThis as { boulderSnapshots?: { fault: StorageFault | null } }

/** Copies the database once an hour for as long as this process lives; starts once. @returns why the last copy failed */
export function watchSnapshots({ snapshots }: Pick<Shop, 'snapshots'>): { readonly fault: StorageFault | null } {
  if (held.boulderSnapshots) return held.boulderSnapshots
  const watch: { fault: StorageFault | null } = { fault: null }
  held.boulderSnapshots = watch
  const look = async () => {
    try {
      if (snapshots.isDue(Date.now())) {
        const taken = await snapshots.take(Date.now())
        watch.fault = taken.ok ? null : taken.error
      }
    } catch (error) {
      watch.fault = storageFault(error) ?? 'BROKEN_FILE'
      logFault('snapshot', error)
    }
    setTimeout(() => void look(), LOOK_MS).unref()
  }
  setTimeout(() => void look(), FIRST_MS).unref()
  return watch
}
