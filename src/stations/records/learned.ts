import { describe } from '@/core/stats'
import type { Db } from '@/db/connection'
import { listChecks } from '@/db/bench/read'
import { listAllLessons } from '@/db/build/read'
import { getComponent } from '@/db/library/read'
import { learnMinutes } from '../plan/learn-minutes'
import type { LearnedStop, LearnedView } from './contract'

const [MOST_LESSONS, MOST_CHECKS] = [2000, 240]

/** How far a tool came out of its set stop, by holder type and shank: what the next one is set by. */
function stopsOf(db: Db): LearnedStop[] {
  const groups = new Map<string, { holder: string; shankMm: number; moved: number[]; last: string }>()
  for (const { holder, shankMm, stopSetMm, measuredMm, at } of listAllLessons(db, MOST_LESSONS)) {
    const key = `${holder} ${shankMm}`
    const group = groups.get(key) ?? { holder, shankMm, moved: [], last: at }
    group.moved.push(stopSetMm - measuredMm)
    groups.set(key, group)
  }
  return [...groups.values()]
    .map(({ holder, shankMm, moved, last }): LearnedStop => {
      const { count, mean, sd } = describe(moved)
      return {
        ...{ holder, name: getComponent(db, holder)?.name ?? holder, shankMm, count },
        ...{ shrinksMm: mean, spreadMm: count > 1 ? sd : null, last },
      }
    })
    .sort((a, b) => b.count - a.count || (a.name < b.name ? -1 : 1))
}

/** What the shop's own record has taught: minutes, stops, and how its bench drifts. */
export const readLearned = (db: Db): LearnedView => ({
  minutes: learnMinutes(db),
  stops: stopsOf(db),
  checks: listChecks(db, MOST_CHECKS),
})
