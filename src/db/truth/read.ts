import type { Db } from '../connection'

export function getTicket(db: Db, assemblyId: number): string | null {
  const row = db.prepare('SELECT ticket FROM sim_truth WHERE assembly_id = ?').get(assemblyId) as { ticket: string } | undefined
  return row?.ticket ?? null
}
