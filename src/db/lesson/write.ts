import type { Memory, PlantedTool } from '@/core/practice'
import { prepare, type Tx } from '../connection'
import type { LessonRun } from './read'

interface NewRun {
  readonly personId: string
  readonly lesson: string
  readonly seed: number
  readonly planted: readonly PlantedTool[]
  readonly at: string
}

export const insertLessonRun = (tx: Tx, { personId, lesson, seed, planted, at }: NewRun): number =>
  Number(
    prepare(tx, 'INSERT INTO lesson_run (person_id, lesson, seed, planted, started_at) VALUES (?, ?, ?, ?, ?)').run(
      personId,
      lesson,
      seed,
      JSON.stringify(planted),
      at,
    ).lastInsertRowid,
  )

/** @returns false when the lesson was ended */
export const putWords = (tx: Tx, id: number, { said, helped }: Pick<LessonRun, 'said' | 'helped'>): boolean =>
  prepare(tx, 'UPDATE lesson_run SET said = ?, helped = ? WHERE id = ? AND ended_at IS NULL').run(
    JSON.stringify(said),
    JSON.stringify(helped),
    id,
  ).changes === 1

/** @returns false when it was ended already */
export const endLessonRun = (tx: Tx, id: number, at: string): boolean =>
  prepare(tx, 'UPDATE lesson_run SET ended_at = ? WHERE id = ? AND ended_at IS NULL').run(at, id).changes === 1

export function putMemory(tx: Tx, personId: string, memory: Memory): void {
  prepare(
    tx,
    `INSERT INTO lesson_memory (person_id, code, body) VALUES (?, ?, ?)
     ON CONFLICT (person_id, code) DO UPDATE SET body = excluded.body`,
  ).run(personId, memory.code, JSON.stringify(memory))
}
