import { PRACTICE, type PracticeKey } from '@/core/clamp'
import { fail, ok, type Result } from '@/core/units'
import { inTransaction } from '@/db/connection'
import { getPractice } from '@/db/practice/read'
import { putPractice } from '@/db/practice/write'
import { note } from '../records/note'
import type { Refusal } from '../refusals'
import type { Work } from '../work'

export { getPractice as practiceOf }

/** A value of practice as this shop has it, from now on; a lead's to change. @param value null: the standard one again */
export function keepPractice(work: Work, key: PracticeKey, value: number | null): Result<null, Refusal> {
  if (work.person.role !== 'lead') return fail({ code: 'LEAD_ONLY', what: 'practice' })
  const { name, unit, min, max, standard } = PRACTICE[key]
  if (value !== null && !(value >= min && value <= max)) return fail({ code: 'OUT_OF_RANGE', key, min, max, unit })
  const before = getPractice(work.db)[key]
  inTransaction(work.db, () => {
    putPractice(work.db, key, value)
    note(work, 'practice changed', `${name}: ${before} ${unit} becomes ${value ?? standard} ${unit}`.replace(/ +/g, ' '), {
      before: { [key]: before },
      after: { [key]: value ?? standard },
    })
  })
  return ok(null)
}
