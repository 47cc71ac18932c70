/** What came back from the machines, tool by tool: how often, in what state, and how much of its life it reached. */
import { quantile } from './describe'

export interface CameBack {
  /** Tools of the same kind are counted together. */
  readonly key: string
  readonly name: string
  readonly t: number | null
  readonly disposition: string
  /** How much longer it came out than it went in, mm; null: not longer, or not measured since. */
  readonly longerMm: number | null
  /** Minutes that it had cut when its life ended; null: it goes on. */
  readonly lifeMin: number | null
  /** What its definition allows; null: nothing. */
  readonly allowedMin: number | null
}

export interface ReturnsOf {
  readonly key: string
  readonly name: string
  readonly t: number | null
  readonly count: number
  readonly broken: number
  readonly longer: { readonly count: number; readonly mostMm: number }
  /** null: none has ended yet. */
  readonly lives: {
    readonly count: number
    readonly medianMin: number
    readonly allowedMin: number | null
    /** Ended before they had cut what a good share of the life allowed comes to. */
    readonly early: number
  } | null
}

/** A life that ends before this share of what is allowed ended early (common practice, no source). */
export const EARLY_SHARE = 0.8

/** The kinds with the most trouble first: broken, longer, early; then whatever came back most often. */
export function returnsByTool(all: readonly CameBack[]): ReturnsOf[] {
  const groups = new Map<string, CameBack[]>()
  for (const one of all) groups.set(one.key, [...(groups.get(one.key) ?? []), one])
  const trouble = ({ broken, longer, lives }: ReturnsOf) => broken + longer.count + (lives?.early ?? 0)
  return [...groups]
    .map(([key, own]): ReturnsOf => {
      const [newest] = own
      const longer = own.flatMap(({ longerMm }) => longerMm ?? [])
      const ended = own.filter((one) => one.lifeMin !== null)
      const minutes = ended.map((one) => one.lifeMin!).sort((a, b) => a - b)
      return {
        ...{ key, name: newest.name, t: newest.t, count: own.length },
        broken: own.filter(({ disposition }) => disposition === 'broken').length,
        longer: { count: longer.length, mostMm: Math.max(0, ...longer) },
        lives: ended.length
          ? {
              count: ended.length,
              medianMin: quantile(minutes, 0.5),
              allowedMin: newest.allowedMin,
              early: ended.filter((one) => one.allowedMin !== null && one.lifeMin! < EARLY_SHARE * one.allowedMin).length,
            }
          : null,
      }
    })
    .sort((a, b) => trouble(b) - trouble(a) || b.count - a.count || (a.name < b.name ? -1 : 1))
}
