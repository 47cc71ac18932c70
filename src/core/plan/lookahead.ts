/** What must be begun by when, over all jobs, with one pair of hands at the bench. Times in ms since 1970. */

export interface Ahead {
  readonly job: string
  readonly t: number
  readonly minutes: number
  readonly dueMs: number
  readonly priority: number
}

export interface AheadLine extends Ahead {
  /** Begin no later than this, or something will be late. */
  readonly latestStartMs: number
  /** Already too late for that. */
  readonly late: boolean
}

/**
 * Works backwards from the last date: each tool must be begun early enough for itself and for all that are due after it.
 * For one worker and dates alone, the earliest date first is the order with the least lateness (Jackson 1955).
 */
export function lookahead(tools: readonly Ahead[], nowMs: number): AheadLine[] {
  const order = [...tools].sort((a, b) => a.dueMs - b.dueMs || b.priority - a.priority || a.t - b.t)
  const lines: AheadLine[] = []
  let next = Infinity
  for (const tool of order.reverse()) {
    next = Math.min(next, tool.dueMs) - tool.minutes * 60_000
    lines.push({ ...tool, latestStartMs: next, late: next < nowMs })
  }
  return lines.reverse()
}
