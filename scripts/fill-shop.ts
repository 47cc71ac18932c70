/**
 * tsx scripts/fill-shop.ts DATA: makes a shop of twenty years out of a copy of the demo, to see what grows with what: four
 * more machines of 60 pockets, 5,000 holders, 20,000 parts, 50,000 tools of which 250 stand in machines and 250 in the
 * room, a measurement each, and a million entries of the record with their true chain.
 */
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { seededRandom } from '@/core/numeric'
import type { Handover } from '@/core/handover'
import type { SavedMeasurement } from '@/core/judge'
import type { Component, Machine } from '@/core/tool'
import { inTransaction, openDatabase, prepare, type Tx } from '@/db/connection'
import { listCurrent } from '@/db/handover/read'
import { insertHandover } from '@/db/handover/write'
import { listComponents, listDefinitions, listHolders } from '@/db/library/read'
import { insertComponent, insertHolder } from '@/db/library/write'
import { listMachines } from '@/db/machine/read'
import { insertMachine } from '@/db/machine/write'
import { migrate } from '@/db/migrate'
import { chainUp } from '@/db/record/chain'
import { insertMove } from '@/db/stock/write'
import { listPlaces } from '@/db/store/read'
import { kindOf, type Entry } from '@/stations/entries'

export interface ShopSize {
  readonly machines: number
  readonly pockets: number
  readonly holders: number
  readonly parts: number
  readonly tools: number
  readonly inMachines: number
  readonly inRoom: number
  readonly entries: number
}

export const FULL: ShopSize = {
  machines: 4,
  pockets: 60,
  holders: 5_000,
  parts: 20_000,
  tools: 50_000,
  inMachines: 250,
  inRoom: 250,
  entries: 1_000_000,
}

const NAMES = ['Avocet', 'Curlew', 'Plover', 'Sanderling']
const YEARS = 20
const DAY_MS = 86_400_000
const AT_ONCE = 20_000

/** @param say how far it is */
// eslint-disable-next-line max-lines-per-function -- one shop, filled in the order of its life
export function fillShop(file: string, size: ShopSize = FULL, say: (text: string) => void = () => undefined): void {
  const db = openDatabase(file)
  db.pragma('synchronous = OFF')
  migrate(db, join(import.meta.dirname, '..', 'src/db/migrations'))
  const random = seededRandom(2026)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random.uniform() * list.length)]
  const now = Date.now()
  const at = (share: number) => new Date(now - (1 - share) * YEARS * 365 * DAY_MS).toISOString()

  const known = listMachines(db)
  const like = known.find((m) => m.key === 'HERON') ?? known[0]
  const added: Machine[] = Array.from({ length: size.machines }, (_, i) => {
    const name = NAMES[i % NAMES.length]
    return { ...like, key: `${name.toUpperCase()}${i < NAMES.length ? '' : i}`, name, pockets: size.pockets }
  })
  const components = listComponents(db)
  const places = listPlaces(db).filter((p) => p.taper === null)
  const definitions = listDefinitions(db).filter((d) => d.machines.includes(like.key))
  const types = components.filter((c): c is Component & { CCMS: string } => 'CCMS' in c && c.CCMS === like.coupling)
  const stock = components.filter((c) => ['solid-cutter', 'collet', 'insert', 'screw', 'nut'].includes(c.kind))

  say('machines, parts and holders')
  const serials: string[] = []
  inTransaction(db, (tx) => {
    added.forEach((machine) => insertMachine(tx, machine))
    for (let i = components.length; i < size.parts; i++) {
      const part = pick(stock)
      const id = `${part.id}-${String(i).padStart(5, '0')}`
      const DC = 'DC' in part ? { DC: Math.max(0.5, part.DC + Math.round(6 * random.uniform() - 3) / 2) } : {}
      insertComponent(tx, { ...part, ...DC, id, name: `${part.name}, ${i}` } as Component)
      const place = pick(places).id
      const count = 1 + Math.floor(12 * random.uniform())
      insertMove(
        tx,
        {
          component: id,
          name: 'received',
          from: 'outside',
          to: 'hand',
          count,
          fromPlace: null,
          toPlace: place,
          job: null,
          serial: null,
        },
        { personId: 'oda', at: at(random.uniform()) },
      )
    }
    for (let i = listHolders(db).length; i < size.holders; i++) {
      const serial = `BY${String(i).padStart(5, '0')}`
      serials.push(serial)
      insertHolder(tx, { serial, componentId: pick(types).id, coupling: like.coupling, inspectBy: at(1.02), heats: i % 90 })
    }
  })

  say('tools')
  const measured = db.prepare('SELECT body FROM measurement ORDER BY length(body) DESC LIMIT 1').get() as
    { body: string } | undefined
  const body = measured?.body ?? '{}'
  const [handed] = listCurrent(db)
  const pockets = added.flatMap((m) => Array.from({ length: m.pockets }, (_, i) => ({ machine: m.key, pocket: i + 1 })))
  for (let from = 0; from < size.tools; from += AT_ONCE)
    inTransaction(db, (tx) => {
      for (let i = from; i < Math.min(size.tools, from + AT_ONCE); i++) {
        const standing = size.tools - 1 - i
        const stands = standing < size.inMachines + size.inRoom
        const place = standing < size.inMachines ? pockets[standing] : undefined
        const serial = serials[i % serials.length]
        const definition = definitions[i % definitions.length]
        const done = prepare(
          tx,
          `INSERT INTO assembly (serial, t, name, definition_id, definition_version, machine_key, coupling, state, pocket, parts, built_at)
           VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
        ).run(
          serial,
          place ? 1000 + place.pocket : definition.t,
          definition.name,
          definition.id,
          definition.version,
          place?.machine ?? like.key,
          like.coupling,
          place ? 'loaded' : !stands ? 'apart' : standing % 2 ? 'measured' : 'released',
          place?.pocket ?? null,
          JSON.stringify(definition.parts.map(({ role, component, count }) => ({ role, component, count, serial: null }))),
          at(i / size.tools),
        )
        const assemblyId = Number(done.lastInsertRowid)
        const found = prepare(
          tx,
          "INSERT INTO measurement (assembly_id, at, person_id, body, evidence, source) VALUES (?, ?, 'ines', ?, '', 'pictures')",
        ).run(assemblyId, at(i / size.tools), body)
        if (stands && (place ?? standing % 2 === 0) && handed)
          handOver(tx, handed, { serial, assemblyId, ...place }, Number(found.lastInsertRowid))
      }
    })

  const last = (db.prepare('SELECT max(seq) AS seq FROM record').get() as { seq: number }).seq
  for (let from = last; from < size.entries; from += AT_ONCE) {
    say(`record, ${from} of ${size.entries} entries`)
    inTransaction(db, (tx) => {
      for (let i = from; i < Math.min(size.entries, from + AT_ONCE); i++) {
        const { entry, serial, machine } = entryFor(i, pick(serials), pick(added))
        prepare(
          tx,
          'INSERT INTO record (at, person_id, what, serial, t, machine_key, entry, text, before, after) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
        ).run(
          at(i / size.entries),
          pick(['ines', 'oda', 'tomas']),
          kindOf(entry),
          serial,
          pick(definitions).t,
          machine,
          JSON.stringify(entry),
          '',
          null,
          JSON.stringify({ LF: 118 + random.normal() / 50, DC: 10 + random.normal() / 500 }),
        )
      }
      chainUp(tx)
    })
  }
  db.exec('PRAGMA optimize')
  db.close()
}

/** What is told again and again in a shop's days. */
function entryFor(i: number, serial: string, { key, name }: Machine): { entry: Entry; serial: string; machine: string } {
  const issue = 1 + (i % 40)
  const entries: Entry[] = [
    { code: 'BUILT', cutter: 'carbide end mill Ø10 R1', shrunk: true, serial, stopSetMm: 118.1, torqueNm: null },
    { code: 'WIPED', edge: 1 + (i % 4) },
    { code: 'MEASURED', source: 'pictures', edges: 4, verdict: 'holds', voided: null, kept: false, reason: null },
    { code: 'RELEASED', issue, machine: name, concession: null, against: [], reason: null },
    { code: 'REFUSED', where: 'Load', refusal: { code: 'NOT_NOW', serial, state: 'built' } },
    { code: 'LOADED', machine: name, pocket: 1 + (i % 60), issue, typed: false },
    { code: 'BOOKED', move: 'moved', count: 1 + (i % 5), part: `collet size 25, ${i % 900}`, place: 'ELM-3', job: null },
    {
      code: 'UNLOADED',
      machine: name,
      pocket: 1 + (i % 60),
      disposition: 'measure',
      to: null,
      wear: null,
      reason: 'life is up',
      voided: issue,
    },
  ]
  return { entry: entries[i % entries.length], serial, machine: key }
}

function handOver(
  tx: Tx,
  like: Handover,
  tool: { readonly serial: string; readonly assemblyId: number; readonly machine?: string; readonly pocket?: number },
  measurementId: SavedMeasurement['id'],
): void {
  const { serial, assemblyId, machine = like.values.machine, pocket } = tool
  const t = pocket === undefined ? like.values.t : 1000 + pocket
  insertHandover(tx, {
    ...like,
    assemblyId,
    measurementId,
    values: { ...like.values, serial, issue: 1, machine, t, pocket: pocket ?? null },
  })
}

const [, script, data] = process.argv
if (script?.endsWith('fill-shop.ts')) {
  const file = join(data ?? '', 'boulder.sqlite')
  if (!data || !existsSync(file)) {
    console.error('Name the data folder of a demo that has run once, such as: tsx scripts/fill-shop.ts data')
    process.exit(2)
  }
  fillShop(file, FULL, (text) => process.stderr.write(`\r${text.padEnd(50)}`))
  process.stderr.write('\r'.padEnd(52) + '\n')
}
