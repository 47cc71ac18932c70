/** Fills an empty database with the demo's people, machines, parts, holders and store; used by the seed and by tests. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { SHIPPED_POSTS } from '@/codecs/post'
import type { AdapterPiece, Master } from '@/core/judge'
import type { HandTool } from '@/core/plan'
import {
  ASK_AGAIN_MIN,
  STAY_HOURS,
  type Component,
  type Coupling,
  type Definition,
  type Machine,
  type Person,
  type Place,
  type StoreUnit,
} from '@/core/tool'
import { insertAdapterPiece, insertMaster } from '@/db/bench/write'
import { inTransaction, type Db } from '@/db/connection'
import { insertComponent, insertDefinition, insertHolder } from '@/db/library/write'
import { insertMachine, insertPost } from '@/db/machine/write'
import { insertPerson } from '@/db/person/write'
import { putSignInSetting } from '@/db/shop/write'
import { insertMove } from '@/db/stock/write'
import { putPlace, putUnit } from '@/db/store/write'

export const SEED_FOLDER = join(import.meta.dirname, '..', 'seed')
export const seedFile = <T>(name: string): T => JSON.parse(readFileSync(join(SEED_FOLDER, name), 'utf8')) as T
export const seedProgram = (name: string): string => readFileSync(join(SEED_FOLDER, 'programs', name), 'utf8')

export interface SeedHolder {
  readonly serial: string
  readonly component: string
  readonly heats: number
  readonly retired: boolean
  readonly place: string | null
  readonly inspectInDays: number
  readonly stud: string | null
  readonly studDaysAgo: number | null
}

export interface SeedJob {
  readonly id: string
  readonly name: string
  readonly machine: string
  readonly dueInMinutes: number
  readonly programs: readonly string[]
  readonly quantity: number
  readonly priority: number
  readonly extra: readonly HandTool[]
}

export interface Filled {
  readonly people: readonly Person[]
  readonly definitions: readonly Definition[]
}

/** @param at ISO time so many minutes from now */
export function fillLibrary(db: Db, at: (minutes: number) => string): Filled {
  const people = seedFile<Person[]>('people.json')
  const components = seedFile<Component[]>('components.json')
  const definitions = seedFile<Definition[]>('definitions.json')
  const store = seedFile<{ units: StoreUnit[]; places: Place[] }>('store.json')
  inTransaction(db, (tx) => {
    people.forEach((person) => insertPerson(tx, person))
    // the demo lets anybody work in anybody's name, and says so
    putSignInSetting(tx, { badgeAlone: true, askAgainMin: ASK_AGAIN_MIN, stayHours: STAY_HOURS }, 0)
    seedFile<Machine[]>('machines.json').forEach((machine) => insertMachine(tx, machine))
    Object.entries(SHIPPED_POSTS).forEach(([name, template]) => insertPost(tx, name, template))
    seedFile<Master[]>('masters.json').forEach((master) => insertMaster(tx, master))
    seedFile<AdapterPiece[]>('adapters.json').forEach((piece) => insertAdapterPiece(tx, piece))
    components.forEach((component) => insertComponent(tx, component))
    definitions.forEach((definition) => insertDefinition(tx, definition))
    store.units.forEach((unit) => putUnit(tx, unit))
    store.places.forEach((place) => putPlace(tx, place))
    for (const h of seedFile<SeedHolder[]>('holders.json')) {
      const type = components.find((c) => c.id === h.component)
      const coupling: Coupling | '' = type && 'CCMS' in type ? type.CCMS : ''
      insertHolder(tx, {
        ...h,
        componentId: h.component,
        coupling,
        inspectBy: at(1440 * h.inspectInDays),
        studSince: h.studDaysAgo === null ? null : at(-1440 * h.studDaysAgo),
      })
    }
    for (const { component, count, place } of seedFile<{ component: string; count: number; place: string }[]>('stock.json'))
      insertMove(
        tx,
        {
          component,
          name: 'received',
          from: 'outside',
          to: 'hand',
          count,
          fromPlace: null,
          toPlace: place,
          job: null,
          serial: null,
        },
        { personId: null, at: at(-40_000) },
      )
  })
  return { people, definitions }
}
