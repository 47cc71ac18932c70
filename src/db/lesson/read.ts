import type { FaultCode, Memory, PlantedTool } from '@/core/practice'
import { prepare, type Db } from '../connection'

/** One word on a tool; null: that it is good. */
export interface Word {
  readonly number: number
  readonly fault: FaultCode | null
}

/** A lesson that somebody began. */
export interface LessonRun {
  readonly id: number
  readonly personId: string
  readonly lesson: string
  /** What its readings are drawn from. */
  readonly seed: number
  readonly planted: readonly PlantedTool[]
  /** In their order. */
  readonly said: readonly Word[]
  /** Numbers of tools of which they asked for an opinion. */
  readonly helped: readonly number[]
  readonly startedAt: string
  readonly endedAt: string | null
}

const RUN = `SELECT id, person_id AS personId, lesson, seed, planted, said, helped, started_at AS startedAt, ended_at AS endedAt FROM lesson_run`

const runOf = (found: unknown): LessonRun => {
  const row = found as Omit<LessonRun, 'planted' | 'said' | 'helped'> & Readonly<Record<'planted' | 'said' | 'helped', string>>
  return {
    ...row,
    planted: JSON.parse(row.planted) as PlantedTool[],
    said: JSON.parse(row.said) as Word[],
    helped: JSON.parse(row.helped) as number[],
  }
}

export function getLessonRun(db: Db, id: number): LessonRun | null {
  const row = prepare(db, `${RUN} WHERE id = ?`).get(id)
  return row ? runOf(row) : null
}

/** The one that somebody has begun and not ended, of these. */
export function runningLesson(db: Db, personId: string, lessons: readonly string[]): LessonRun | null {
  const row = prepare(
    db,
    `${RUN} WHERE person_id = ? AND lesson IN (SELECT value FROM json_each(?)) AND ended_at IS NULL ORDER BY id DESC`,
  ).get(personId, JSON.stringify(lessons))
  return row ? runOf(row) : null
}

export const hasLessonRuns = (db: Db, personId: string): boolean =>
  prepare(db, 'SELECT 1 FROM lesson_run WHERE person_id = ? LIMIT 1').get(personId) !== undefined

/** The newest first. */
export const listLessonRuns = (db: Db, personId: string, lessons: readonly string[], limit: number): LessonRun[] =>
  prepare(db, `${RUN} WHERE person_id = ? AND lesson IN (SELECT value FROM json_each(?)) ORDER BY id DESC LIMIT ?`)
    .all(personId, JSON.stringify(lessons), limit)
    .map(runOf)

/** What somebody remembers of each fault. */
export const listMemories = (db: Db, personId: string): Memory[] =>
  (
    prepare(db, 'SELECT body FROM lesson_memory WHERE person_id = ? ORDER BY code').all(personId) as { readonly body: string }[]
  ).map(({ body }) => JSON.parse(body) as Memory)
