import type { CauseCase, CauseCode } from '@/core/causes'
import type { ConditionOn } from '@/core/practice'
import { prepare, type Db, type Tx } from '../connection'

/** A real tool's readings, and what was wrong with it. */
export interface RealCase {
  readonly given: CauseCase
  readonly code: CauseCode
  readonly edge: number | null
}

export interface OwnLesson {
  readonly id: number
  readonly title: string
  readonly cases: readonly RealCase[]
  readonly retired: boolean
}

export interface Condition {
  readonly id: number
  readonly what: ConditionOn
  /** null: at every machine. */
  readonly machine: string | null
  readonly lesson: string
}

const OWN = 'SELECT id, title, cases, retired FROM lesson_own'
const ownOf = (found: unknown): OwnLesson => {
  const row = found as { readonly id: number; readonly title: string; readonly cases: string; readonly retired: 0 | 1 }
  return { ...row, cases: JSON.parse(row.cases) as RealCase[], retired: row.retired === 1 }
}

export function getOwnLesson(db: Db, id: number): OwnLesson | null {
  const row = prepare(db, `${OWN} WHERE id = ?`).get(id)
  return row ? ownOf(row) : null
}
/** Those in use, the newest first. */
export const listOwnLessons = (db: Db): OwnLesson[] => prepare(db, `${OWN} WHERE retired = 0 ORDER BY id DESC`).all().map(ownOf)

interface NewOwn extends Pick<OwnLesson, 'title' | 'cases'> {
  readonly personId: string
  readonly at: string
}
export const insertOwnLesson = (tx: Tx, { title, cases, personId, at }: NewOwn): number =>
  Number(
    prepare(tx, 'INSERT INTO lesson_own (title, cases, person_id, at) VALUES (?, ?, ?, ?)').run(
      title,
      JSON.stringify(cases),
      personId,
      at,
    ).lastInsertRowid,
  )
/** @returns false when it was retired already */
export const retireOwnLesson = (tx: Tx, id: number): boolean =>
  prepare(tx, 'UPDATE lesson_own SET retired = 1 WHERE id = ? AND retired = 0').run(id).changes === 1

export const listConditions = (db: Db): Condition[] =>
  prepare(db, 'SELECT id, what, machine_key AS machine, lesson FROM lesson_condition ORDER BY id').all() as Condition[]

/** @throws when there is one like it */
export const insertCondition = (tx: Tx, { what, machine, lesson }: Omit<Condition, 'id'>, personId: string, at: string): number =>
  Number(
    prepare(tx, 'INSERT INTO lesson_condition (what, machine_key, lesson, person_id, at) VALUES (?, ?, ?, ?, ?)').run(
      what,
      machine,
      lesson,
      personId,
      at,
    ).lastInsertRowid,
  )
/** @returns false when it is gone already */
export const deleteCondition = (tx: Tx, id: number): boolean =>
  prepare(tx, 'DELETE FROM lesson_condition WHERE id = ?').run(id).changes === 1
