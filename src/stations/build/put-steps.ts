import type { Heavy } from '@/codecs/heavy'
import { SAMPLE_FACTS, SHIPPED_STEPS } from '@/words/steps'
import { CONFIRMS, type Clamping, type Step } from '@/core/fits'
import { fail, type Result, SI } from '@/core/units'
import { putStepList } from '@/db/build/write'
import { getStepList } from '@/db/build/read'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'

/**
 * The shop's own steps of a clamping; null goes back to what ships.
 * @param seen the version that was opened, 0 for what ships
 */
export async function putSteps(
  work: Work,
  clamping: Clamping,
  steps: readonly Step[] | null,
  heavy: Heavy,
  seen?: number,
): Promise<Result<{ readonly version: number }, Refusal>> {
  const next = steps ?? SHIPPED_STEPS[clamping]
  if (next.length === 0) return fail({ code: 'NO_STEPS' })
  const twice = next.find((s, i) => next.findIndex((o) => o.id === s.id) !== i)
  if (twice) return fail({ code: 'STEP_TWICE', id: twice.id })
  for (const step of next) {
    if (!CONFIRMS.includes(step.confirm)) return fail({ code: 'UNKNOWN_CONFIRM', step: step.title, confirm: step.confirm })
    const text = await heavy.step(step, SAMPLE_FACTS, SI)
    if (!text.ok) return text
    if (!text.value.ok) return fail({ code: 'BAD_TEMPLATE', of: step.title, detail: text.value.error.detail })
  }
  const before = getStepList(work.db, clamping)
  if (seen !== undefined && seen !== (before?.version ?? 0)) return fail({ code: 'CHANGED', what: 'steps' })
  const entry = { code: 'STEPS_KEPT', clamping, titles: next.map((s) => s.title) } as const
  return write(work, { entry, before: before?.body, after: next }, (tx) => {
    must(putStepList(tx.db, clamping, next, before?.version ?? 0), { code: 'CHANGED', what: 'steps' })
    return { version: (before?.version ?? 0) + 1 }
  })
}
