/** Whether anything can be saved at all: looked at now and then, so that a sheet says it before somebody has typed. */
import 'server-only'
import { randomUUID } from 'node:crypto'
import { rmSync, statfsSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { storageFault, type StorageFault } from '@/db/connection'

/** Below this the next pictures do not fit. */
const LEAST_FREE_BYTES = 64 * 2 ** 20
const AGAIN_MS = 5_000

const held = globalThis as { boulderStorage?: { atMs: number; fault: StorageFault | null } }

/** Room for more, bytes. */
export function freeBytes(folder: string): number {
  const { bavail, bsize } = statfsSync(folder)
  return bavail * bsize
}

function look(folder: string): StorageFault | null {
  const probe = join(/*turbopackIgnore: true*/ folder, `.probe-${randomUUID().slice(0, 8)}`)
  try {
    if (freeBytes(folder) < LEAST_FREE_BYTES) return 'DISK_FULL'
    writeFileSync(probe, '', { flag: 'wx' })
    rmSync(probe)
    return null
  } catch (error) {
    const fault = storageFault(error)
    if (fault) return fault
    throw error
  }
}

/** @returns why nothing can be saved; null while all is well */
export function storageState(folder: string): StorageFault | null {
  const now = Date.now()
  if (!held.boulderStorage || now - held.boulderStorage.atMs > AGAIN_MS) held.boulderStorage = { atMs: now, fault: look(folder) }
  return held.boulderStorage.fault
}
