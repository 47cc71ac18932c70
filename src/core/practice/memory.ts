/**
 * What somebody has missed comes again sooner: spaced repetition after SM-2 (Wozniak 1990, from memory). Each fault is a card of its own.
 */
import type { FaultCode } from './traps'

export interface Memory {
  readonly code: FaultCode
  /** In a row. */
  readonly found: number
  /** 1.3 at least: how much the pause grows each time. */
  readonly ease: number
  readonly pauseDays: number
  /** ISO 8601 */
  readonly dueAt: string
}

/** How it went: not seen; seen after help or a wrong guess; seen. */
export type Recall = 'missed' | 'late' | 'found'

/** Marks of 0 to 5 as SM-2 has them. */
const MARK: Readonly<Record<Recall, number>> = { missed: 1, late: 3, found: 5 }
const [START_EASE, LEAST_EASE] = [2.5, 1.3]
const [FIRST_DAYS, SECOND_DAYS, AGAIN_DAYS] = [1, 6, 0.01]
const DAY_MS = 86_400_000

/** @param before null: this fault was never met. @param now ISO 8601 */
export function remember(before: Memory | null, code: FaultCode, recall: Recall, now: string): Memory {
  const mark = MARK[recall]
  const ease = Math.max(LEAST_EASE, (before?.ease ?? START_EASE) + 0.1 - (5 - mark) * (0.08 + (5 - mark) * 0.02))
  const found = mark < 3 ? 0 : (before?.found ?? 0) + 1
  const pauseDays =
    found === 0 ? AGAIN_DAYS : found === 1 ? FIRST_DAYS : found === 2 ? SECOND_DAYS : (before?.pauseDays ?? SECOND_DAYS) * ease
  return { code, found, ease, pauseDays, dueAt: new Date(Date.parse(now) + pauseDays * DAY_MS).toISOString() }
}

/** What is due, the longest overdue first; then what was never met; then the rest, the soonest first. */
export function comesNext(codes: readonly FaultCode[], memories: readonly Memory[], now: string): FaultCode[] {
  const known = new Map(memories.map((m) => [m.code, m]))
  const rank = (code: FaultCode): readonly [number, string] => {
    const memory = known.get(code)
    return memory ? [memory.dueAt <= now ? 0 : 2, memory.dueAt] : [1, '']
  }
  return codes
    .map((code, i) => ({ code, i, rank: rank(code) }))
    .sort((a, b) => a.rank[0] - b.rank[0] || (a.rank[1] < b.rank[1] ? -1 : a.rank[1] > b.rank[1] ? 1 : a.i - b.i))
    .map(({ code }) => code)
}
