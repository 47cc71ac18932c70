/** How long things take here, by the record: from where somebody began to where it was done. */
import { BUILD_MINUTES } from '../kit/kit-sheet'
import { STEP_KINDS, type StepKind } from '@/core/schedule'
import { quantile } from '@/core/stats'
import type { ToolClass } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listRecord } from '@/db/record/read'
import { remembered, writesStamp } from '@/db/remembered'
import type { Learned } from './contract'

/** Until the shop's own are there, minutes; common practice, no source. */
const START: Readonly<Record<StepKind, number>> = {
  ...{ fetch: 2, heat: 1, cool: 6, build: 7, measure: 5, balance: 10, 'hand over': 2, load: 4 },
}
/** So many of the newest are looked at, and fewer than that do not count. */
const NEWEST = 300
const LEAST = 10

interface Pair {
  readonly kind: StepKind
  readonly from: string
  readonly to: string
  /** Whatever took longer was left and taken up again. */
  readonly mostMin: number
}
/** What the record tells of both ends of; the same holder, and nothing of the kind between. */
const PAIRS: readonly Pair[] = [
  { kind: 'build', from: 'build begun', to: 'built', mostMin: 90 },
  { kind: 'balance', from: 'balance run', to: 'balanced', mostMin: 60 },
  { kind: 'hand over', from: 'measured', to: 'released', mostMin: 10 },
  { kind: 'load', from: 'load begun', to: 'loaded', mostMin: 60 },
]

function minutesOf(db: Db, { from, to, mostMin }: Pair): number[] {
  const begun = listRecord(db, { what: from, limit: NEWEST })
  const done = listRecord(db, { what: to, limit: NEWEST })
  return done.flatMap(({ serial, at }) => {
    // newest first: the last beginning before it
    const begin = begun.find((b) => b.serial === serial && b.at <= at)
    const minutes = begin ? (Date.parse(at) - Date.parse(begin.at)) / 60_000 : NaN
    return minutes > 0 && minutes <= mostMin ? [minutes] : []
  })
}

/** One measurement after another by the same person: what the second took. */
function measuring(db: Db): number[] {
  const all = listRecord(db, { what: 'measured', limit: NEWEST })
  return all.flatMap((entry, i) => {
    const before = all[i + 1]
    const minutes = before && before.personId === entry.personId ? (Date.parse(entry.at) - Date.parse(before.at)) / 60_000 : NaN
    return minutes > 0 && minutes <= 30 ? [minutes] : []
  })
}

/** The median of each kind of work, with the middle half, once for all who ask while nothing changes. */
export const learnMinutes = (db: Db): readonly Learned[] =>
  remembered(db, 'minutes', writesStamp(db), () =>
    STEP_KINDS.map((kind): Learned => {
      const pair = PAIRS.find((p) => p.kind === kind)
      const all = (kind === 'measure' ? measuring(db) : pair ? minutesOf(db, pair) : []).sort((a, b) => a - b)
      if (all.length < LEAST) return { kind, minutes: START[kind], spread: null, of: all.length }
      return { kind, minutes: quantile(all, 0.5), spread: { from: quantile(all, 0.25), to: quantile(all, 0.75) }, of: all.length }
    }),
  )

/** Of one tool: what was learned, and before that the start value of its class. */
export function minutesFor(learned: readonly Learned[], kind: StepKind, toolClass: ToolClass): number {
  const own = learned.find((l) => l.kind === kind)!
  return kind === 'build' && own.spread === null ? Math.max(1, BUILD_MINUTES[toolClass] - START.measure) : own.minutes
}
