/** A lesson: tools with faults planted on them and good ones among them, and what somebody made of it. */
import { seededRandom } from '../numeric'
import { comesNext, type Memory, type Recall } from './memory'
import { harmOf, type FaultCode, type Harm } from './traps'

/** One tool of a lesson. */
export interface PlantedTool {
  /** Its place in the lesson, from 1. */
  readonly number: number
  /** null: it is good. */
  readonly fault: FaultCode | null
  /** A second fault on the same tool: whoever names either has stopped it. */
  readonly also?: FaultCode
  /** Where in its range its size is, 0 the smallest, 1 the largest. */
  readonly size: number
  /** What it is in the practice room; left out where it is only readings. */
  readonly thing?: string
}

/** So many of a lesson's tools are good, at least one: nobody learns to cry wolf. */
const GOOD_SHARE = 0.4

/**
 * @param codes faults that this lesson may plant
 * @param count tools, at least 2
 */
export function drawLesson(
  codes: readonly FaultCode[],
  memories: readonly Memory[],
  count: number,
  seed: number,
  now: string,
): readonly PlantedTool[] {
  const { uniform } = seededRandom(seed)
  const good = Math.max(1, Math.round(GOOD_SHARE * count))
  const due = comesNext(codes, memories, now)
  const faults: (FaultCode | null)[] = Array.from({ length: count - good }, (_, i) => due[i % due.length])
  const all = [...faults, ...Array.from({ length: good }, () => null)]
  for (let i = all.length - 1; i > 0; i--) {
    const j = Math.min(i, Math.floor(uniform() * (i + 1)))
    ;[all[i], all[j]] = [all[j], all[i]]
  }
  return all.map((fault, i) => ({ number: i + 1, fault, size: uniform() }))
}

/** The tools of a lesson that is made of cases, in another order each time. @param faults of each case; null: it is good */
export function drawCases(faults: readonly (FaultCode | null)[], seed: number): readonly PlantedTool[] {
  const { uniform } = seededRandom(seed)
  return faults
    .map((fault, i) => ({ fault, i, at: uniform() }))
    .sort((a, b) => a.at - b.at)
    .map(({ fault, i }, k) => ({ number: k + 1, fault, size: 0, thing: String(i) }))
}

/** What somebody said of a tool; null: that it is good. `helped` when they had asked for help, or guessed before. */
export interface SaidOf {
  readonly number: number
  readonly fault: FaultCode | null
  readonly helped: boolean
}

export interface LessonResult {
  readonly found: readonly PlantedTool[]
  /** Planted and called good. */
  readonly missed: readonly PlantedTool[]
  /** Planted, and called something else. */
  readonly mistaken: readonly (PlantedTool & { readonly as: FaultCode })[]
  /** Good, and blamed. */
  readonly blamed: readonly (PlantedTool & { readonly as: FaultCode })[]
  /** Nobody said anything of it. */
  readonly open: readonly PlantedTool[]
  /** What the misses would have done at the machine. */
  readonly harm: { readonly minutes: number; readonly worst: Harm | null }
  /** 0 to 1: of all tools that were told right. */
  readonly share: number
}

/** All that is planted on it. */
export const faultsOf = ({ fault, also }: PlantedTool): readonly FaultCode[] =>
  fault === null ? [] : also === undefined ? [fault] : [fault, also]
/** Whether somebody has said what is wrong with it, or that it is good. */
const hits = (tool: PlantedTool, said: FaultCode | null): boolean =>
  said === null ? tool.fault === null : faultsOf(tool).includes(said)

const WORST: readonly Harm[] = ['crash', 'scrap', 'stop', 'wear']

/** @param said the last word on each tool counts */
export function scoreLesson(planted: readonly PlantedTool[], said: readonly SaidOf[]): LessonResult {
  const last = new Map(said.map((s) => [s.number, s]))
  const with_ = planted.map((tool) => ({ tool, said: last.get(tool.number) ?? null }))
  const as = (tool: PlantedTool, code: FaultCode) => ({ ...tool, as: code })
  const found = with_
    .filter(({ tool, said: s }) => tool.fault !== null && s !== null && hits(tool, s.fault))
    .map(({ tool }) => tool)
  const missed = with_.filter(({ tool, said: s }) => tool.fault !== null && s?.fault === null).map(({ tool }) => tool)
  const mistaken = with_.flatMap(({ tool, said: s }) =>
    tool.fault !== null && s?.fault != null && !hits(tool, s.fault) ? [as(tool, s.fault)] : [],
  )
  const blamed = with_.flatMap(({ tool, said: s }) => (tool.fault === null && s?.fault != null ? [as(tool, s.fault)] : []))
  const open = with_.filter(({ said: s }) => s === null).map(({ tool }) => tool)
  const cost = [...missed, ...open].flatMap(faultsOf).map(harmOf)
  const right = with_.filter(({ tool, said: s }) => s !== null && hits(tool, s.fault)).length
  return {
    ...{ found, missed, mistaken, blamed, open },
    harm: {
      minutes: cost.reduce((sum, h) => sum + h.minutes, 0),
      worst: WORST.find((harm) => cost.some((h) => h.harm === harm)) ?? null,
    },
    share: planted.length === 0 ? 0 : right / planted.length,
  }
}

/** How each planted fault went, for what is remembered of it. */
export function recallsOf(planted: readonly PlantedTool[], said: readonly SaidOf[]): ReadonlyMap<FaultCode, Recall> {
  const last = new Map(said.map((s) => [s.number, s]))
  const order: readonly Recall[] = ['missed', 'late', 'found']
  const all = new Map<FaultCode, Recall>()
  for (const tool of planted) {
    const s = last.get(tool.number)
    const seen = faultsOf(tool).filter((fault) => fault === s?.fault)
    // of two on one tool the one that was not named tells nothing, once the other was
    for (const fault of seen.length ? seen : faultsOf(tool)) {
      const recall: Recall = seen.length ? (s?.helped ? 'late' : 'found') : 'missed'
      const before = all.get(fault)
      // of a fault that was planted twice the worse counts
      if (before === undefined || order.indexOf(recall) < order.indexOf(before)) all.set(fault, recall)
    }
  }
  return all
}
