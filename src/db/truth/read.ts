import type { Db } from '../connection'

export function getTicket(db: Db, assemblyId: number): string | null {
  const row = db.prepare('SELECT ticket FROM sim_truth WHERE assembly_id = ?').get(assemblyId) as { ticket: string } | undefined
  return row?.ticket ?? null
}

/** What the simulated shrink unit is doing, as it wrote it; null before its first use. */
export function getShrinkState(db: Db): string | null {
  const row = db.prepare('SELECT body FROM sim_shrink WHERE id = 1').get() as { body: string } | undefined
  return row?.body ?? null
}
