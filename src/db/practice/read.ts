import { PRACTICE_KEYS, STANDARD_PRACTICE, type Practice, type PracticeKey } from '@/core/clamp'
import { prepare, type Db } from '../connection'

/** The shop's values of practice: what was changed, and the standard for the rest. */
export function getPractice(db: Db): Practice {
  const rows = prepare(db, 'SELECT key, value FROM practice').all() as { key: string; value: number }[]
  const changed = rows.filter((r): r is { key: PracticeKey; value: number } => (PRACTICE_KEYS as string[]).includes(r.key))
  return { ...STANDARD_PRACTICE, ...Object.fromEntries(changed.map((r) => [r.key, r.value])) }
}
