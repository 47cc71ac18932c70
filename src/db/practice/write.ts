import type { PracticeKey } from '@/core/clamp'
import type { Db } from '../connection'

/** @param value null: back to the standard one */
export function putPractice(db: Db, key: PracticeKey, value: number | null): void {
  if (value === null) db.prepare('DELETE FROM practice WHERE key = ?').run(key)
  else
    db.prepare('INSERT INTO practice (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value').run(
      key,
      value,
    )
}
