import type { Db } from '@/db/connection'
import { getOwnLesson } from '@/db/lesson/teaching'

/** The number of a lesson that a lead made, by its key; null for those of the program. */
export const ownId = (lesson: string): number | null => (lesson.startsWith('own:') ? Number(lesson.slice(4)) : null)

/** The title that a lead gave a lesson; null where its words stand in the program. */
export function titleOf(db: Db, lesson: string): string | null {
  const id = ownId(lesson)
  return id === null ? null : (getOwnLesson(db, id)?.title ?? null)
}
