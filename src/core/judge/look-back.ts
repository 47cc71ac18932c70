/**
 * After a drift, which measurements since the last good check would have come out otherwise. What the bench read too much
 * is taken off each of them, as if the drift had been there from the check before on: the worst case.
 */
import { judge, worst, type Verdict } from './judge'
import type { ToolResult } from './result'
import type { Zero } from './zero'

export interface LookedBack {
  readonly before: Verdict | null
  readonly after: Verdict | null
  /** The most that a length or a diameter moves, mm. */
  readonly movedMm: number
}

/** Drift counts once on a length and twice on a diameter. */
const SHARE = { LF: { x: 0, z: 1 }, DC: { x: 2, z: 0 }, SCX: { x: 1, z: 0 }, SCZ: { x: 0, z: 1 } } as const

/**
 * @param limitMm a value that moves by more than this is told even where its verdict stays
 * @returns null when nothing of it would change
 */
export function lookBack(result: ToolResult, drift: Zero, limitMm: number): LookedBack | null {
  let movedMm = 0
  const verdicts = result.features.map((f) => {
    const share = f.key in SHARE ? SHARE[f.key as keyof typeof SHARE] : null
    if (!share || f.carried !== undefined) return f.verdict
    const by = share.x * drift.x + share.z * drift.z
    if (Math.abs(by) > Math.abs(movedMm)) movedMm = by
    return f.limits ? judge(f.value - by, f.limits, f.sigma) : f.verdict
  })
  const judged = [...verdicts, ...(result.missing.length ? (['off'] as const) : [])].filter((v) => v !== null)
  const after = judged.length ? worst(judged) : null
  if (after === result.verdict && Math.abs(movedMm) <= limitMm) return null
  return { before: result.verdict, after, movedMm: Math.abs(movedMm) }
}
