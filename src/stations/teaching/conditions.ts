/** What somebody has to have learned before they do it alone. */
import { scoreLesson, type ConditionOn } from '@/core/practice'
import { isLead, type Person } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listLessonRuns } from '@/db/lesson/read'
import { listConditions } from '@/db/lesson/teaching'
import { getAnyMachine } from '@/db/machine/read'
import { wordsOf } from '../lessons/lessons'
import type { Refusal } from '../refusals'
import { titleOf } from './own'

/** So much of a lesson told right has passed it (common practice, no source). */
export const PASSED = 0.8
/** So many of somebody’s last runs of a lesson are looked at. */
const RUNS = 20

export const hasPassed = (db: Db, personId: string, lesson: string): boolean =>
  listLessonRuns(db, personId, [lesson], RUNS).some(
    (run) => run.endedAt !== null && scoreLesson(run.planted, wordsOf(run)).share >= PASSED,
  )

/** Why somebody may not do this alone yet; null: nobody asks for a lesson, they passed it, or they are a lead. */
export function refuseUnlearned(db: Db, person: Person, what: ConditionOn, machine: string | null = null): Refusal | null {
  if (isLead(person)) return null
  const missing = listConditions(db).find(
    (c) => c.what === what && (c.machine === null || c.machine === machine) && !hasPassed(db, person.id, c.lesson),
  )
  if (!missing) return null
  const { lesson } = missing
  const name = missing.machine === null ? null : (getAnyMachine(db, missing.machine)?.name ?? missing.machine)
  return { code: 'LESSON_FIRST', what, machine: name, lesson, title: titleOf(db, lesson) }
}
