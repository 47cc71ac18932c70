import type { Verdict } from '@/core/judge'
import { VERDICT_WORDS } from '@/words/verdict'

const SHAPE: Record<Verdict, string> = { holds: '●', unsure: '◐', off: '◆' }
export const VERDICT_TEXT: Record<Verdict, string> = { holds: 'text-holds', unsure: 'text-unsure', off: 'text-off' }

/** A word and a shape before it is a colour. */
export function VerdictMark({ verdict }: { readonly verdict: Verdict }) {
  return (
    <span className={`font-head text-lg leading-none font-bold whitespace-nowrap ${VERDICT_TEXT[verdict]}`}>
      {VERDICT_WORDS[verdict]} <span aria-hidden="true">{SHAPE[verdict]}</span>
    </span>
  )
}
