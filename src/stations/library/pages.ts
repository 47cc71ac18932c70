/** What the pages of the library show. */
import { refuseHealth, type Refusal as FitsRefusal } from '@/core/fits'
import { firstOf, numberOf, roleOf, type Component, type Definition, type ToolProfile } from '@/core/tool'
import type { Db } from '@/db/connection'
import {
  componentVersion,
  countHolders,
  getComponent,
  listComponents,
  listDefinitions,
  listHolderPage,
  type HolderRead,
} from '@/db/library/read'
import { listMachines } from '@/db/machine/read'
import { listPlaces } from '@/db/store/read'
import { machineNames, partName } from '../names'
import { profileOfDefinition } from '../rack/rack'
import type { DefinitionFault } from './contract'
import { definitionFaults } from './put-definition'
import { readDefinition, readPart, type DefinitionSheet, type PartSheet } from './where-used'

export interface PartPage extends PartSheet {
  /** How often it was changed: a form that is opened now changes this one. */
  readonly version: number
  /** Drawers that something can be put into. */
  readonly drawers: readonly string[]
}

const drawersOf = (db: Db): string[] => listPlaces(db).flatMap((p) => (p.taper === null ? [p.id] : []))

export function readPartPage(db: Db, id: string): PartPage | null {
  const sheet = readPart(db, id)
  return sheet && { ...sheet, version: componentVersion(db, id), drawers: drawersOf(db) }
}

export interface DefinitionPage extends DefinitionSheet {
  readonly machines: ReadonlyMap<string, string>
  /** Names of its parts, first choices and alternatives. */
  readonly names: ReadonlyMap<string, string>
  readonly faults: readonly DefinitionFault[]
  readonly profile: ToolProfile
}

/** @param version null: the newest */
export function readDefinitionPage(db: Db, id: string, version: number | null): DefinitionPage | null {
  const sheet = readDefinition(db, id, version ?? undefined)
  if (!sheet) return null
  const { definition } = sheet
  const parts = definition.parts.flatMap((line) => [line.component, ...line.alternatives])
  return {
    ...sheet,
    machines: machineNames(db),
    names: new Map(parts.map((part) => [part, partName(db, part)])),
    faults: definitionFaults(db, definition),
    profile: profileOfDefinition(db, definition),
  }
}

export interface ToolLine {
  readonly definition: Definition
  readonly holder: string | null
  readonly profile: ToolProfile
}

export function readTools(db: Db): { readonly tools: readonly ToolLine[]; readonly machines: ReadonlyMap<string, string> } {
  const tools = listDefinitions(db).map((definition) => ({
    definition,
    holder: getComponent(db, firstOf(definition, 'holder') ?? '')?.name ?? null,
    profile: profileOfDefinition(db, definition),
  }))
  return { tools, machines: machineNames(db) }
}

export interface HolderLine {
  readonly holder: HolderRead
  readonly type: Component | null
  readonly health: readonly FitsRefusal[]
  /** Heats it may see; undefined where nothing limits them. */
  readonly greatestHeats: number | undefined
}

export interface HoldersPage {
  readonly lines: readonly HolderLine[]
  readonly of: number
  /** Types that a new holder may have. */
  readonly types: readonly Pick<Component, 'id' | 'name'>[]
  readonly drawers: readonly string[]
}

/** A page of holders: those after one, whose mark or type has these words. */
export function readHolders(
  db: Db,
  now: string,
  asked: { readonly after?: string; readonly words: readonly string[]; readonly count: number },
): HoldersPage {
  const holders = listHolderPage(db, { after: asked.after, words: asked.words, limit: asked.count })
  return {
    lines: holders.map((holder) => ({ holder, ...healthOf(db, holder, now) })),
    of: countHolders(db),
    types: listComponents(db)
      .filter((c) => roleOf(c) === 'holder' || roleOf(c) === 'extension')
      .map(({ id, name }) => ({ id, name })),
    drawers: drawersOf(db),
  }
}

/** A holder's type, and what speaks against using it. */
export function healthOf(db: Db, holder: HolderRead, now: string): Omit<HolderLine, 'holder'> {
  const type = holder.component ? getComponent(db, holder.component) : null
  const health = type && holder.component ? refuseHealth({ ...holder, component: holder.component }, type, now) : []
  return { type, health, greatestHeats: type ? numberOf(type, 'greatestHeats') : undefined }
}

/** Machines that a tool can be for. */
export const readMachineNames = (db: Db): { readonly key: string; readonly name: string }[] =>
  listMachines(db).map(({ key, name }) => ({ key, name }))
