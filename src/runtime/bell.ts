/** Tells every open terminal that something was done, in this process. */
import 'server-only'
import { EventEmitter } from 'node:events'

export interface Ring {
  /** The session at which something was done; null: by a program. */
  readonly from: string | null
  /** It counts although the record tells nothing of it. */
  readonly always?: boolean
}

export interface Bell {
  readonly ring: (ring: Ring) => void
  /** @returns stops listening */
  readonly listen: (hear: (ring: Ring) => void) => () => void
}

export function newBell(): Bell {
  const emitter = new EventEmitter()
  // one listener a terminal
  emitter.setMaxListeners(0)
  return {
    ring: (ring) => void emitter.emit('ring', ring),
    listen: (hear) => {
      emitter.on('ring', hear)
      return () => void emitter.off('ring', hear)
    },
  }
}
