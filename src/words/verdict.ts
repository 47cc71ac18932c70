/** The verdicts as people read them. */
import type { Verdict } from '@/core/judge'

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  holds: 'in tolerance',
  unsure: 'borderline',
  off: 'out of tolerance',
}

export const verdictText = (verdict: Verdict | null): string => (verdict === null ? 'not judged' : VERDICT_WORDS[verdict])
