/** The stand-in of the reader: carriers in a store, by the holder they sit in; one can be pulled away in the middle. */
import { fail, ok } from '@/core/units'
import type { TagStation } from './port'

export interface SimulatedTag {
  readonly bytes: Uint8Array
  /** Blocks after which it is pulled away at the next write; null when nobody does. */
  readonly lostAfter: number | null
}

export interface TagStore {
  get(serial: string): SimulatedTag | null
  put(serial: string, tag: SimulatedTag): void
}

/** @param serial of the holder whose chip lies before the antenna */
export function simulatedTag(store: TagStore, serial: string): TagStation {
  return {
    async read() {
      const tag = store.get(serial)
      return tag ? ok(tag.bytes.slice()) : fail({ code: 'NO_TAG' })
    },
    async write({ address, bytes: four }) {
      const tag = store.get(serial)
      if (!tag) return fail({ code: 'NO_TAG' })
      if (tag.lostAfter === 0) {
        store.put(serial, { ...tag, lostAfter: null })
        return fail({ code: 'LOST' })
      }
      const bytes = tag.bytes.slice()
      bytes.set(four, address)
      store.put(serial, { bytes, lostAfter: tag.lostAfter === null ? null : tag.lostAfter - 1 })
      return ok(null)
    },
  }
}
