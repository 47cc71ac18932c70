/** A carrier as its bytes, wherever they came from: what is written changes them, and nothing else. */
import { ok } from '@/core/units'
import type { TagStation } from '@/devices/tag/port'

export function bytesTag(bytes: Uint8Array): TagStation & { readonly now: () => Uint8Array } {
  const held = Uint8Array.from(bytes)
  return {
    now: () => Uint8Array.from(held),
    read: () => Promise.resolve(ok(Uint8Array.from(held))),
    write: ({ address, bytes: block }) => {
      held.set(block, address)
      return Promise.resolve(ok(null))
    },
  }
}
