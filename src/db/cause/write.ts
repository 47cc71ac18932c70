import type { Cause, CauseCode } from '@/core/causes'
import { prepare, type Tx } from '../connection'

interface Said {
  readonly measurementId: number
  readonly assemblyId: number
  readonly code: CauseCode
  readonly edge: number | null
  readonly told: readonly Pick<Cause, 'code' | 'edge' | 'p'>[]
  readonly at: string
  readonly personId: string
}

/** Whoever says it last before the tool is measured again is the one who is right or not. @returns false when that is known already */
export const putCauseSaid = (tx: Tx, { told, ...said }: Said): boolean =>
  prepare(
    tx,
    `INSERT INTO cause_said (measurement_id, assembly_id, code, edge, told, at, person_id)
     VALUES (:measurementId, :assemblyId, :code, :edge, :told, :at, :personId)
     ON CONFLICT (measurement_id) DO UPDATE SET code = excluded.code, edge = excluded.edge, at = excluded.at, person_id = excluded.person_id
     WHERE was_right IS NULL`,
  ).run({ ...said, told: JSON.stringify(told) }).changes === 1

/** The tool was measured again: whatever was said of it was right when it is good now. */
export function settleCauses(tx: Tx, assemblyId: number, good: boolean): void {
  prepare(tx, 'UPDATE cause_said SET was_right = ? WHERE assembly_id = ? AND was_right IS NULL').run(good ? 1 : 0, assemblyId)
}
