import { prepare, type Tx } from '../connection'

export function putTicket(tx: Tx, assemblyId: number, ticket: string): void {
  prepare(
    tx,
    'INSERT INTO sim_truth (assembly_id, ticket) VALUES (?, ?) ON CONFLICT (assembly_id) DO UPDATE SET ticket = excluded.ticket',
  ).run(assemblyId, ticket)
}

export function putShrinkState(tx: Tx, body: string): void {
  prepare(tx, 'INSERT INTO sim_shrink (id, body) VALUES (1, ?) ON CONFLICT (id) DO UPDATE SET body = excluded.body').run(body)
}

export function putSimTag(tx: Tx, serial: string, tag: { readonly bytes: Uint8Array; readonly lostAfter: number | null }): void {
  prepare(
    tx,
    `INSERT INTO sim_tag (serial, bytes, lost_after) VALUES (?, ?, ?)
     ON CONFLICT (serial) DO UPDATE SET bytes = excluded.bytes, lost_after = excluded.lost_after`,
  ).run(serial, Buffer.from(tag.bytes), tag.lostAfter)
}

export function putClockAheadMs(tx: Tx, aheadMs: number): void {
  prepare(
    tx,
    'INSERT INTO sim_clock (id, ahead_ms) VALUES (1, ?) ON CONFLICT (id) DO UPDATE SET ahead_ms = excluded.ahead_ms',
  ).run(aheadMs)
}

export function putSpindleState(tx: Tx, body: string): void {
  prepare(tx, 'INSERT INTO sim_spindle (id, body) VALUES (1, ?) ON CONFLICT (id) DO UPDATE SET body = excluded.body').run(body)
}

export function putUnbalance(tx: Tx, name: string, ticket: string): void {
  prepare(
    tx,
    'INSERT INTO sim_unbalance (name, ticket) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET ticket = excluded.ticket',
  ).run(name, ticket)
}

export function putThing(tx: Tx, name: string, ticket: string): void {
  prepare(tx, 'INSERT INTO sim_thing (name, ticket) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET ticket = excluded.ticket').run(
    name,
    ticket,
  )
}
