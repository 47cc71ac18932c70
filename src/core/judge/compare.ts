/** A new measurement beside the last one of the same tool: the same, moved, or a jump that somebody has to explain. */
import type { FeatureKey, ToolResult } from './result'

export type Change = 'same' | 'moved' | 'jump'

/** A set tool does not change by more than this between two measurements on its own: common practice, no source. */
const JUMP_MM = 0.05
const COMPARED: readonly FeatureKey[] = ['LF', 'DC', 'RE']

export interface Compared {
  readonly change: Change
  /** The feature that changed most against its own limit, and by how much, mm; null when nothing is in both. */
  readonly most: { readonly key: FeatureKey; readonly byMm: number } | null
}

/** Less growth than this is not called creep: common practice, no source. */
const CREEP_MM = 0.01

/** How much longer a tool came out of its machine than it went in, mm; null when it did not grow by more than is uncertain. */
export function creepMm(before: ToolResult, after: ToolResult): number | null {
  const lengthOf = (result: ToolResult) => result.features.find((f) => f.key === 'LF' && f.step === null)
  const [a, b] = [lengthOf(before), lengthOf(after)]
  if (!a || !b) return null
  const byMm = b.value - a.value
  return byMm > Math.max(CREEP_MM, 2 * Math.hypot(a.sigma, b.sigma)) ? byMm : null
}

/** Two values are the same within 2·√(σ₁² + σ₂²): the expanded uncertainty of their difference (JCGM 100, 5.1.2). */
export function compareResults(before: ToolResult, after: ToolResult): Compared {
  let change: Change = 'same'
  let most: Compared['most'] = null
  let share = 0
  for (const key of COMPARED) {
    const a = before.features.find((f) => f.key === key && f.step === null)
    const b = after.features.find((f) => f.key === key && f.step === null)
    if (!a !== !b && change === 'same') change = 'moved'
    if (!a || !b) continue
    const byMm = b.value - a.value
    const U = 2 * Math.hypot(a.sigma, b.sigma)
    if (Math.abs(byMm) > Math.max(JUMP_MM, 2 * U)) change = 'jump'
    else if (Math.abs(byMm) > U && change === 'same') change = 'moved'
    if (!most || Math.abs(byMm) / U > share) {
      most = { key, byMm }
      share = Math.abs(byMm) / U
    }
  }
  return { change: most ? change : 'moved', most }
}
