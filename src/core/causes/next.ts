/** What to do next, by what it costs and how much it would tell. */
import { middle, type CauseCase, type CauseCode } from './case'
import { isTellable, type Cause } from './causes'

export const NEXT_CODES = ['SECOND_HEIGHT', 'TURN_180', 'WIPE', 'WAIT', 'RESEAT', 'CHECK_MASTER', 'SET', 'CHANGE'] as const
export type NextCode = (typeof NEXT_CODES)[number]

export interface NextStep {
  readonly code: NextCode
  readonly minutes: number
  /** Bits of what is not known that it would take away. */
  readonly gain: number
}

/** Minutes of each; common practice, no source. */
const MINUTES: Readonly<Record<NextCode, number>> = {
  ...{ SECOND_HEIGHT: 1, TURN_180: 2, WIPE: 1, WAIT: 10, RESEAT: 4, CHECK_MASTER: 4, SET: 3, CHANGE: 8 },
}

/** Causes that each step answers otherwise than the rest: what one step cannot tell apart stays together. */
const ANSWERS: Readonly<Record<NextCode, readonly (readonly CauseCode[])[]>> = {
  SECOND_HEIGHT: [['OFF_CENTRE'], ['TILTED']],
  // a seat in the bench's own spindle stays where it is, the tool's own error turns along
  TURN_180: [['OFF_CENTRE', 'TILTED']],
  WIPE: [['EDGE_HIGH']],
  WAIT: [['WARM']],
  RESEAT: [['OFF_CENTRE', 'TILTED'], ['CREPT']],
  CHECK_MASTER: [['ZERO_MOVED']],
  SET: [['LENGTH_NOT_SET', 'CREPT']],
  CHANGE: [['WRONG_CUTTER', 'WRONG_NOSE'], ['WORN'], ['EDGE_LOW']],
}

/** What ends each cause. */
const REMEDY: Readonly<Partial<Record<CauseCode, NextCode>>> = {
  OFF_CENTRE: 'RESEAT',
  TILTED: 'RESEAT',
  EDGE_HIGH: 'WIPE',
  EDGE_LOW: 'CHANGE',
  WRONG_NOSE: 'CHANGE',
  WORN: 'CHANGE',
  WARM: 'WAIT',
  LENGTH_NOT_SET: 'SET',
  CREPT: 'SET',
  WRONG_CUTTER: 'CHANGE',
  ZERO_MOVED: 'CHECK_MASTER',
}

const entropy = (ps: readonly number[]): number => ps.reduce((sum, p) => sum - (p > 0 ? p * Math.log2(p) : 0), 0)

/** How surely a second height parts a lean from an offset: what a lean loses on the way down, against what a radius is known to. */
function heightTells({ sigma, limits, second, edges }: CauseCase, causes: readonly Cause[]): number {
  if (second || edges.length < 2) return 0
  const size = causes.find((c) => c.code === 'TILTED' || c.code === 'OFF_CENTRE')?.sizeMm ?? 0
  // half way down at most
  const lost = size * Math.min(0.5, (3 * middle(limits.DC)) / middle(limits.LF))
  return Math.min(1, lost / (6 * sigma.x))
}

/** Steps that tell something, or end what is known, the one that tells most in a minute first. */
export function nextSteps(given: CauseCase, causes: readonly Cause[]): readonly NextStep[] {
  const byCode = new Map<CauseCode, number>()
  for (const { code, p } of causes) byCode.set(code, (byCode.get(code) ?? 0) + p)
  const shareOf = (codes: readonly CauseCode[]) => codes.reduce((sum, code) => sum + (byCode.get(code) ?? 0), 0)
  const steps = (Object.keys(ANSWERS) as NextCode[]).map((code): NextStep => {
    const parts = ANSWERS[code].map(shareOf)
    const rest = Math.max(0, 1 - parts.reduce((a, b) => a + b, 0))
    const sure = code === 'SECOND_HEIGHT' ? heightTells(given, causes) : 1
    return { code, minutes: MINUTES[code], gain: Math.max(0, sure * entropy([...parts, rest])) }
  })
  const remedy = isTellable(causes) ? REMEDY[causes[0].code] : undefined
  return steps
    .filter(({ code, gain }) => gain > 0.01 || code === remedy)
    .sort((a, b) => Number(b.code === remedy) - Number(a.code === remedy) || b.gain / b.minutes - a.gain / a.minutes)
}
