import type { Component, Coupling, Definition } from '@/core/tool'
import type { Db } from '../connection'

export function insertComponent(db: Db, component: Component): void {
  db.prepare('INSERT INTO component (id, kind, body) VALUES (?, ?, ?)').run(
    component.id,
    component.kind,
    JSON.stringify(component),
  )
}

export function insertHolder(
  db: Db,
  serial: string,
  componentId: string | null,
  coupling: Coupling,
  heats = 0,
  retired = false,
): void {
  db.prepare('INSERT INTO holder (serial, component_id, coupling, heats, retired) VALUES (?, ?, ?, ?, ?)').run(
    serial,
    componentId,
    coupling,
    heats,
    retired ? 1 : 0,
  )
}

export function countHeat(db: Db, serial: string): void {
  db.prepare('UPDATE holder SET heats = heats + 1 WHERE serial = ?').run(serial)
}

export function insertDefinition(db: Db, definition: Definition): void {
  db.prepare('INSERT INTO definition (id, version, t, body) VALUES (?, ?, ?, ?)').run(
    definition.id,
    definition.version,
    definition.t,
    JSON.stringify(definition),
  )
}

export interface StockMove {
  readonly componentId: string
  readonly delta: number
  readonly why: 'received' | 'built in' | 'taken back' | 'scrapped' | 'counted'
  readonly serial: string | null
  readonly personId: string | null
  readonly at: string
}

export function insertStockMove(db: Db, move: StockMove): void {
  db.prepare('INSERT INTO stock_move (component_id, delta, why, serial, person_id, at) VALUES (?, ?, ?, ?, ?, ?)').run(
    move.componentId,
    move.delta,
    move.why,
    move.serial,
    move.personId,
    move.at,
  )
}
