/** What a shop sets up for itself: lists of machines, couplings, masters, adapters, people and holders. */
import { z } from 'zod'
import { SET_UP_LISTS, type CellFault, type SetUpList, type TableFault } from '@/core/set-up'
import { contract, fault } from '../contract'

/** What rests on a machine: what has to be ended before it goes, or before its figures are kept otherwise. */
export interface Touches {
  /** Tools that stand in it. */
  readonly loaded: number
  /** Hand-overs for it that count. */
  readonly handedOver: number
  /** Open jobs. */
  readonly jobs: number
  /** Tools of the library that are made for it. */
  readonly definitions: number
}

export interface SetUpRefusals {
  /** A field of a form is not what it should be. */
  ROW_FAULT: { readonly list: SetUpList; readonly field: string; readonly fault: CellFault }
  TABLE_FAULT: { readonly list: SetUpList } & TableFault
  ROW_THERE: { readonly list: SetUpList; readonly name: string }
  UNKNOWN_ROW: { readonly list: SetUpList; readonly name: string }
  /** Somebody else changed the row meanwhile. */
  ROW_CHANGED: { readonly list: SetUpList; readonly name: string }
  /** Figures of this machine are out, and would be read otherwise than they were written. */
  FIGURES_OUT: { readonly machine: string } & Pick<Touches, 'loaded' | 'handedOver'>
  MACHINE_IN_USE: { readonly machine: string } & Pick<Touches, 'loaded' | 'handedOver' | 'jobs'>
  COUPLING_IN_USE: { readonly coupling: string; readonly machines: number; readonly holders: number }
  ADAPTER_ON_SPINDLE: { readonly serial: string }
  /** Its coupling stays: its checks were made with it. */
  COUPLING_STAYS: { readonly name: string }
  /** Rows of this list are made elsewhere. */
  NOT_HERE: { readonly list: SetUpList }
}

const List = z.enum(SET_UP_LISTS as [SetUpList, ...SetUpList[]])
const Unit = z.enum(['mm', 'inch'])
const Name = z.string().trim().min(1).max(60)
/** Fields as they were typed. */
const Typed = z.record(z.string().max(40), z.string().max(400))
const RowVersion = z.number().int().min(0)
const Pasted = z.object({
  list: List,
  text: z.string().max(200_000, fault('TABLE_SIZE')),
  /** Of lengths that name none. */
  unit: Unit,
})

/** @param version 0: a new row */
export const putRow = contract<{ readonly name: string }>()(
  z.object({ list: List, name: Name.nullable(), typed: Typed, unit: Unit, version: RowVersion }),
)
/** Out of use, or back again. Nothing is deleted. */
export const retireRow = contract()(z.object({ list: List, name: Name, retired: z.boolean(), version: RowVersion }))
/** A coupling as it comes with Boulder; one of the shop's own goes. */
export const standardCoupling = contract()(z.object({ name: Name, version: RowVersion }))
/** What taking in a table would do; nothing is stored. */
export const previewTable = contract<TablePreview>()(Pasted)
/** All rows of a table, or none. */
export const putTable = contract<{ readonly rows: number }>()(Pasted)

export interface TablePreview {
  readonly columns: readonly string[]
  readonly sample: readonly (readonly string[])[]
  readonly rows: number
  readonly faults: readonly TableFault[]
}

/** A row as the lists show it. */
export interface RowView {
  /** By what it is told apart. */
  readonly name: string
  /** As a form shows them, in the reader's unit. */
  readonly cells: Readonly<Record<string, string>>
  readonly version: number
  readonly retired: boolean
  /** Of couplings: as it comes with Boulder, changed here, or the shop's own. */
  readonly origin?: 'standard' | 'changed' | 'own'
  /** Of couplings: a machine or an adapter of the shop has it. */
  readonly used?: boolean
}
