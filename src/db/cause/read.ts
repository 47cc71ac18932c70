import { CAUSE_CODES, type CauseCode } from '@/core/causes'
import { prepare, type Db } from '../connection'

export interface CauseSaid {
  readonly measurementId: number
  readonly code: CauseCode
  readonly edge: number | null
  readonly at: string
  readonly who: string
  /** null: not measured again yet. */
  readonly wasRight: boolean | null
}

/** What somebody said of a measurement; null: nobody did. */
export function getCauseSaid(db: Db, measurementId: number): CauseSaid | null {
  const row = prepare(
    db,
    `SELECT c.measurement_id AS measurementId, c.code, c.edge, c.at, p.name AS who, c.was_right AS wasRight
     FROM cause_said c JOIN person p ON p.id = c.person_id WHERE c.measurement_id = ?`,
  ).get(measurementId) as (Omit<CauseSaid, 'wasRight'> & { readonly wasRight: number | null }) | undefined
  return row ? { ...row, wasRight: row.wasRight === null ? null : row.wasRight === 1 } : null
}

/** Those that the next measurement has shown to be right, the newest first. */
export const listSettledCauses = (
  db: Db,
  limit: number,
): { readonly measurementId: number; readonly code: CauseCode; readonly edge: number | null }[] =>
  prepare(
    db,
    'SELECT measurement_id AS measurementId, code, edge FROM cause_said WHERE was_right = 1 ORDER BY measurement_id DESC LIMIT ?',
  ).all(limit) as { measurementId: number; code: CauseCode; edge: number | null }[]

/** How often each cause was the right one. */
export function countCauses(db: Db): Readonly<Partial<Record<CauseCode, number>>> {
  const rows = prepare(db, 'SELECT code, count(*) AS n FROM cause_said WHERE was_right = 1 GROUP BY code').all() as {
    readonly code: string
    readonly n: number
  }[]
  return Object.fromEntries(CAUSE_CODES.flatMap((code) => rows.filter((r) => r.code === code).map((r) => [code, r.n])))
}
