/** How each list is kept: what reads it, what writes it, and what speaks against it. */
import {
  cellsOf,
  couplingOf,
  couplingRow,
  figuresRest,
  machineOf,
  machineRow,
  masterOf,
  masterRow,
  type Row,
  type SetUpList,
} from '@/core/set-up'
import { factsOf, roleOf, STANDARD_COUPLINGS, type Component } from '@/core/tool'
import type { LengthUnit } from '@/core/units'
import { adapterNow, listAllAdapters, listAllMasters } from '@/db/bench/read'
import { insertAdapterPiece, insertMaster, retireMaster, updateAdapter, updateMaster } from '@/db/bench/write'
import type { Db, Tx } from '@/db/connection'
import { ownCouplings, readCouplings } from '@/db/coupling/read'
import { putCoupling } from '@/db/coupling/write'
import { countHoldersWith, getComponent, getHolder } from '@/db/library/read'
import { insertHolder } from '@/db/library/write'
import { listAllMachines } from '@/db/machine/read'
import { insertMachine, retireMachine, updateMachine } from '@/db/machine/write'
import { getPersonRow, listPersonRows } from '@/db/person/read'
import { insertPerson } from '@/db/person/write'
import { farFromCertificate } from '../measure/adapter'
import type { Refusal } from '../refusals'
import type { RowView } from './contract'
import { couplingNames } from './couplings'
import { touchesOf } from './touches'

type Facts = Pick<RowView, 'version' | 'retired' | 'origin' | 'used'>

export interface Keeper<L extends SetUpList> {
  /** Every row with its name; a list that is long has none here. */
  readonly all: (db: Db) => readonly (Facts & { readonly name: string; readonly row: Row<L> })[]
  readonly has: (db: Db, name: string) => boolean
  readonly insert: (tx: Tx, row: Row<L>) => void
  /** @returns false when somebody else was first */
  readonly update?: (tx: Tx, name: string, row: Row<L>, version: number) => boolean
  readonly retire?: (tx: Tx, name: string, retired: boolean, version: number) => boolean
  /** Why it may not be changed so. @param before as it stands */
  readonly against?: (db: Db, before: Row<L>, row: Row<L>) => Refusal | null
  /** Why it may not go. */
  readonly inUse?: (db: Db, name: string) => Refusal | null
}

const machines: Keeper<'machine'> = {
  all: (db) =>
    listAllMachines(db).map(({ machine, retired }) => ({
      ...{ name: machine.key, row: machineRow(machine), version: machine.version, retired },
    })),
  has: (db, name) => listAllMachines(db).some(({ machine }) => machine.key === name),
  insert: (tx, row) => insertMachine(tx, machineOf(row, null)),
  update: (tx, name, row, version) => {
    const before = listAllMachines(tx).find(({ machine }) => machine.key === name)!.machine
    return before.version === version && updateMachine(tx, before, machineOf(row, before))
  },
  retire: (tx, name, retired, version) => {
    const { machine } = listAllMachines(tx).find((m) => m.machine.key === name)!
    return machine.version === version && retireMachine(tx, machine, retired)
  },
  against: (db, before, row) => {
    const { loaded, handedOver } = touchesOf(db, before.key)
    if (loaded + handedOver === 0 || figuresRest(machineOf(before, null), machineOf(row, null))) return null
    return { code: 'FIGURES_OUT', machine: before.name, loaded, handedOver }
  },
  inUse: (db, name) => {
    const { loaded, handedOver, jobs } = touchesOf(db, name)
    return loaded + handedOver + jobs ? { code: 'MACHINE_IN_USE', machine: name, loaded, handedOver, jobs } : null
  },
}

const isStandard = (name: string) => STANDARD_COUPLINGS.some((facts) => facts.name === name)

const couplings: Keeper<'coupling'> = {
  all: (db) => {
    const own = new Map(ownCouplings(db).map((facts) => [facts.name, facts.version]))
    const known = readCouplings(db)
    const { used, others } = couplingNames(db)
    return [...used, ...others].map((name) => {
      const facts = factsOf(known, name)
      const version = own.get(facts.name) ?? 0
      const origin = version === 0 ? 'standard' : isStandard(facts.name) ? 'changed' : 'own'
      return { name: facts.name, row: couplingRow(facts), version, retired: false, origin, used: used.includes(name) }
    })
  },
  has: (db, name) => [...readCouplings(db).keys()].some((known) => known.toUpperCase() === name.toUpperCase()),
  insert: (tx, row) => void putCoupling(tx, couplingOf(row), 0),
  update: (tx, name, row, version) => putCoupling(tx, { ...couplingOf(row), name }, version),
}

const masters: Keeper<'master'> = {
  all: (db) =>
    listAllMasters(db).map(({ master, retired }) => ({
      ...{ name: master.mark, row: masterRow(master), version: master.version, retired },
    })),
  has: (db, name) => listAllMasters(db).some(({ master }) => master.mark === name),
  insert: (tx, row) => insertMaster(tx, masterOf(row)),
  update: (tx, name, row, version) => {
    const { master } = listAllMasters(tx).find((m) => m.master.mark === name)!
    return master.version === version && updateMaster(tx, master, { ...masterOf(row), id: master.id, mark: master.mark })
  },
  retire: (tx, name, retired, version) =>
    retireMaster(tx, listAllMasters(tx).find((m) => m.master.mark === name)!.master.id, version, retired),
  against: (_, before, row) =>
    before.coupling === row.coupling ? farFromCertificate(before, row) : { code: 'COUPLING_STAYS', name: before.name },
}

const adapters: Keeper<'adapter'> = {
  all: (db) =>
    listAllAdapters(db).map(({ serial, coupling, name, version, retired }) => ({
      ...{ name: serial, row: { serial, coupling, name: name || null }, version, retired },
    })),
  has: (db, name) => listAllAdapters(db).some(({ serial }) => serial === name),
  insert: (tx, { serial, coupling, name }) => insertAdapterPiece(tx, { serial, coupling, name: name ?? '' }),
  update: (tx, serial, row, version) => {
    const before = listAllAdapters(tx).find((a) => a.serial === serial)!
    return updateAdapter(tx, { ...before, name: row.name ?? '', version })
  },
  retire: (tx, serial, retired, version) => {
    const before = listAllAdapters(tx).find((a) => a.serial === serial)!
    return updateAdapter(tx, { ...before, retired, version })
  },
  against: (_, before, row) => (before.coupling === row.coupling ? null : { code: 'COUPLING_STAYS', name: before.serial }),
  inUse: (db, serial) => (adapterNow(db)?.serial === serial ? { code: 'ADAPTER_ON_SPINDLE', serial } : null),
}

/** People are changed on their own page; here they are only taken in. */
const people: Keeper<'person'> = {
  all: (db) =>
    listPersonRows(db).map(({ id, name, role, version, retired }) => ({ name: id, row: { id, name, role }, version, retired })),
  has: (db, name) => getPersonRow(db, name) !== null,
  insert: (tx, row) => insertPerson(tx, row),
}

/** The machine side that a holder has by its type; an extension has none. */
const couplingOfType = (type: Component): string => ('CCMS' in type && typeof type.CCMS === 'string' ? type.CCMS : '')

/** Holders are looked after in the library; here they are only taken in. */
const holders: Keeper<'holder'> = {
  all: () => [],
  has: (db, name) => getHolder(db, name) !== null,
  insert: (tx, { serial, component, place }) =>
    insertHolder(tx, { serial, componentId: component, coupling: couplingOfType(getComponent(tx, component)!), place }),
}

const KEEPERS: { readonly [L in SetUpList]: Keeper<L> } = {
  ...{ machine: machines, coupling: couplings, master: masters, adapter: adapters, person: people, holder: holders },
}
export const keeperOf = <L extends SetUpList>(list: L): Keeper<L> => KEEPERS[list] as unknown as Keeper<L>

/** A type of the library that a holder with a serial may be. */
export function isHolderType(db: Db, id: string): boolean {
  const type = getComponent(db, id)
  const role = type && roleOf(type)
  return role === 'holder' || role === 'extension'
}

/** The list as its page shows it. */
export function readRows(db: Db, list: SetUpList, unit: LengthUnit): RowView[] {
  return keeperOf(list)
    .all(db)
    .map(({ row, ...facts }) => ({ ...facts, cells: cellsOf(list, row, unit) }))
}

/** Why a coupling of the shop's own may not go: what has it would have none that is known. */
export function couplingInUse(db: Db, name: string): Refusal | null {
  if (isStandard(name)) return null
  const has = <T extends { readonly coupling: string }>(all: readonly T[]) => all.filter((one) => one.coupling === name).length
  const machinesWith = has(listAllMachines(db).map(({ machine }) => machine))
  const others = has(listAllAdapters(db)) + has(listAllMasters(db).map(({ master }) => master))
  const held = countHoldersWith(db, name) + others
  return machinesWith + held ? { code: 'COUPLING_IN_USE', coupling: name, machines: machinesWith, holders: held } : null
}
