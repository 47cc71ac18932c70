import { prepare, type Db } from '../connection'

export function getTicket(db: Db, assemblyId: number): string | null {
  const row = prepare(db, 'SELECT ticket FROM sim_truth WHERE assembly_id = ?').get(assemblyId) as { ticket: string } | undefined
  return row?.ticket ?? null
}

/** What the simulated shrink unit is doing, as it wrote it; null before its first use. */
export function getShrinkState(db: Db): string | null {
  const row = prepare(db, 'SELECT body FROM sim_shrink WHERE id = 1').get() as { body: string } | undefined
  return row?.body ?? null
}

/** What the simulated carrier in a holder holds; null where it has none. */
export function getSimTag(db: Db, serial: string): { bytes: Uint8Array; lostAfter: number | null } | null {
  const row = prepare(db, 'SELECT bytes, lost_after FROM sim_tag WHERE serial = ?').get(serial) as
    { bytes: Buffer; lost_after: number | null } | undefined
  return row ? { bytes: new Uint8Array(row.bytes), lostAfter: row.lost_after } : null
}

/** Holders that have a simulated carrier. */
export const listSimTags = (db: Db): string[] =>
  (prepare(db, 'SELECT serial FROM sim_tag ORDER BY serial').all() as { serial: string }[]).map((r) => r.serial)

/** How far the clock of the stand-ins has been set forward, ms. */
export function getClockAheadMs(db: Db): number {
  const row = prepare(db, 'SELECT ahead_ms FROM sim_clock WHERE id = 1').get() as { ahead_ms: number } | undefined
  return row?.ahead_ms ?? 0
}

/** What the simulated balancing spindle does, as it wrote it; null before its first use. */
export function getSpindleState(db: Db): string | null {
  const row = prepare(db, 'SELECT body FROM sim_spindle WHERE id = 1').get() as { body: string } | undefined
  return row?.body ?? null
}

/** What a simulated tool (by its assembly) or the rotor weighs where; null where nothing was made yet. */
export function getUnbalance(db: Db, name: string): string | null {
  const row = prepare(db, 'SELECT ticket FROM sim_unbalance WHERE name = ?').get(name) as { ticket: string } | undefined
  return row?.ticket ?? null
}

/** What a simulated thing is really like, such as a boring head or a lathe's tool post; null before it was first used. */
export function getThing(db: Db, name: string): string | null {
  const row = prepare(db, 'SELECT ticket FROM sim_thing WHERE name = ?').get(name) as { ticket: string } | undefined
  return row?.ticket ?? null
}
