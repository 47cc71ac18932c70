import type { CouplingFacts } from '@/core/tool'
import { prepare, type Tx } from '../connection'

/** @param version as it was read; 0 where the shop had none of its own. @returns false when somebody else was first */
export function putCoupling(tx: Tx, facts: CouplingFacts, version: number): boolean {
  const body = JSON.stringify(facts)
  const done =
    version === 0
      ? prepare(tx, 'INSERT OR IGNORE INTO coupling (name, body) VALUES (?, ?)').run(facts.name, body)
      : prepare(tx, 'UPDATE coupling SET body = ?, version = version + 1 WHERE name = ? AND version = ?').run(
          body,
          facts.name,
          version,
        )
  return done.changes === 1
}

/** The standard figures again. @returns false when somebody else was first */
export const dropCoupling = (tx: Tx, name: string, version: number): boolean =>
  prepare(tx, 'DELETE FROM coupling WHERE name = ? AND version = ?').run(name, version).changes === 1
