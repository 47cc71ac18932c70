import type { Db } from '../connection'

export function insertNote(db: Db, text: string, personId: string, at: string): void {
  db.prepare('INSERT INTO shift_note (text, person_id, at) VALUES (?, ?, ?)').run(text, personId, at)
}

export function tickNote(db: Db, id: number, at: string): void {
  db.prepare('UPDATE shift_note SET done_at = ? WHERE id = ? AND done_at IS NULL').run(at, id)
}
