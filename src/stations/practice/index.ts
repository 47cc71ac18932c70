import { PRACTICE, type PracticeKey } from '@/core/clamp'
import { fail, type Result } from '@/core/units'
import { getPractice } from '@/db/practice/read'
import { putPractice } from '@/db/practice/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { write } from '../write'

export { getPractice as practiceOf }

/**
 * A value of practice as this shop has it, from now on; a lead's to change.
 * @param value null: the standard one again
 * @param seen the value that was changed
 */
export function keepPractice(work: Work, key: PracticeKey, value: number | null, seen?: number): Result<null, Refusal> {
  const { unit, min, max, standard } = PRACTICE[key]
  if (value !== null && !(value >= min && value <= max)) return fail({ code: 'OUT_OF_RANGE', key, min, max, unit })
  const before = getPractice(work.db)[key]
  if (seen !== undefined && seen !== before) return fail({ code: 'CHANGED', what: 'practice' })
  const after = value ?? standard
  const entry = { code: 'PRACTICE_CHANGED', key, before, after } as const
  return write(work, { entry, before: { [key]: before }, after: { [key]: after } }, (tx) => {
    putPractice(tx.db, key, value)
    return null
  })
}
