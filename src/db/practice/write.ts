import type { PracticeKey } from '@/core/clamp'
import { prepare, type Tx } from '../connection'

/** @param value null: back to the standard one */
export function putPractice(tx: Tx, key: PracticeKey, value: number | null): void {
  if (value === null) prepare(tx, 'DELETE FROM practice WHERE key = ?').run(key)
  else
    prepare(tx, 'INSERT INTO practice (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value').run(
      key,
      value,
    )
}
