import 'server-only'
import type { ChainState, SealState } from '@/core/tool'
import type { Shop } from '@/runtime'
import { walkWhole, type WholeWalk } from '@/stations/records/proof'

/** Entries looked at in one go: a few milliseconds, so that nobody waits. */
const AT_ONCE = 200
const PAUSE_MS = 60
const AGAIN_MS = 24 * 3_600_000

interface Watch {
  walk: WholeWalk
  /** What the last walk over the whole record found, and when it was through, ISO 8601. */
  last: { readonly chain: ChainState; readonly seals: SealState; readonly at: string } | null
}

const held = globalThis as { boulderRecord?: Watch }

/** Walks over the whole record once a day, a few entries at a time; starts once. */
export function watchRecord({ db, clock }: Pick<Shop, 'db' | 'clock'>): Readonly<Watch> {
  if (held.boulderRecord) return held.boulderRecord
  const watch: Watch = { walk: walkWhole(db), last: null }
  held.boulderRecord = watch
  const later = (ms: number, then: () => void) => setTimeout(then, ms).unref()
  const step = () => {
    if (watch.walk.step(AT_ONCE)) return later(PAUSE_MS, step)
    const { found } = watch.walk
    if (found) watch.last = { ...found, at: clock.now() }
    return later(AGAIN_MS, () => {
      watch.walk = walkWhole(db)
      step()
    })
  }
  later(PAUSE_MS, step)
  return watch
}
