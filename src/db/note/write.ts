import { prepare, type Tx } from '../connection'

export function insertNote(tx: Tx, text: string, personId: string, at: string): void {
  prepare(tx, 'INSERT INTO shift_note (text, person_id, at) VALUES (?, ?, ?)').run(text, personId, at)
}

export function tickNote(tx: Tx, id: number, at: string): void {
  prepare(tx, 'UPDATE shift_note SET done_at = ? WHERE id = ? AND done_at IS NULL').run(at, id)
}
