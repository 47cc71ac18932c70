import { prepare, type Db } from '../connection'

export interface ShiftNote {
  readonly id: number
  readonly text: string
  readonly who: string
  readonly at: string
}

/** Notes that nobody has ticked off yet, oldest first. */
export const listNotes = (db: Db): ShiftNote[] =>
  prepare(
    db,
    'SELECT n.id, n.text, p.name AS who, n.at FROM shift_note n JOIN person p ON p.id = n.person_id WHERE n.done_at IS NULL ORDER BY n.at',
  ).all() as ShiftNote[]
