/** Where things stand: cabinets, shelves, racks and carts on the shop's plan, and the drawers and slots inside them. */
import type { Coupling } from './coupling'

export const UNIT_KINDS = ['cabinet', 'shelf', 'rack', 'cart', 'bench'] as const
export type UnitKind = (typeof UNIT_KINDS)[number]

/** A piece of furniture on the plan. Plan coordinates: cells of the shop's grid, x right, y down. */
export interface StoreUnit {
  readonly id: string
  readonly kind: UnitKind
  readonly name: string
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
}

/** A drawer, a shelf board or a slot: what a scan or a pick names. */
export interface Place {
  readonly id: string
  readonly unit: string
  readonly name: string
  /** Order inside its unit, from the top or the left. */
  readonly row: number
  /** Slots take one complete tool of this taper; null for drawers and boards. */
  readonly taper: Coupling | null
}

export const holdsTools = (unit: Pick<StoreUnit, 'kind'>): boolean => unit.kind === 'rack' || unit.kind === 'cart'
