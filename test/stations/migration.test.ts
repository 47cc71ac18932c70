/** A database of the first schema, as it was written, comes through the second with nothing lost. */
import { cpSync, mkdirSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { checkComponent } from '@/core/tool'
import { missing } from '@/core/plan'
import { getAssembly } from '@/db/assembly/read'
import { openDatabase } from '@/db/connection'
import { listJobs } from '@/db/job/read'
import { getComponent, getDefinition, getHolder } from '@/db/library/read'
import { getMachine } from '@/db/machine/read'
import { migrate } from '@/db/migrate'
import { balanceOf, lyingOf } from '@/db/stock/read'
import { MIGRATIONS } from '../support/tool-room'

const HOLDER = {
  kind: 'shrink-holder',
  id: 'H1',
  name: 'shrink holder',
  coupling: 'HSK-A63',
  boreMm: 10,
  boreLimits: { min: 9.978, max: 9.983 },
  projectionMm: 85,
  noseMm: 24,
  noseHalfAngleDeg: 4.5,
  heatedMm: 42,
  depth: { min: 31, max: 42 },
  greatestC: 370,
  yieldMPa: 1100,
  greatestRpm: 30000,
  massKg: 1.05,
  coil: '8 … 12',
}
const CUTTER = {
  kind: 'solid-cutter',
  id: 'C1',
  name: 'end mill',
  form: 'corner',
  DC: 10,
  RE: 1,
  edges: 4,
  OAL: 72,
  DMM: 10,
  shankClass: 'h5',
  shankMaterial: 'carbide',
  LCF: 22,
  coolantBoreMm: 0,
  massKg: 0.075,
}
const size = (nominal: number) => ({ nominal, lower: -0.1, upper: 0.1 })
const DEFINITION = {
  id: 'D1',
  version: 1,
  t: 4,
  name: 'End mill',
  holder: 'H1',
  cutter: 'C1',
  LF: size(118),
  DC: size(10),
  RE: null,
  radialRunoutMax: 0.01,
  axialRunoutMax: 0.01,
  machines: ['HERON'],
  programRpm: 16000,
  torqueNm: 12,
}

function firstSchema() {
  const folder = join(mkdtempSync(join(tmpdir(), 'boulder-')), 'migrations')
  mkdirSync(folder)
  cpSync(join(MIGRATIONS, '0001-start.sql'), join(folder, '0001-start.sql'))
  const db = openDatabase(':memory:')
  migrate(db, folder)
  const put = (sql: string, ...values: unknown[]) => db.prepare(sql).run(...values)
  put("INSERT INTO person VALUES ('ines', 'Ines', 'operator')")
  put('INSERT INTO machine VALUES (?, ?)', 'HERON', JSON.stringify({ key: 'HERON', name: 'Heron', coupling: 'HSK-A63' }))
  for (const part of [HOLDER, CUTTER]) put('INSERT INTO component VALUES (?, ?, ?)', part.id, part.kind, JSON.stringify(part))
  put('INSERT INTO definition VALUES (?, 1, 4, ?)', 'D1', JSON.stringify(DEFINITION))
  put("INSERT INTO holder VALUES ('BX1', 'H1', 'HSK-A63', 0, 14)")
  put(
    "INSERT INTO job VALUES ('J1', 'cover', 'HERON', '2026-11-25T10:00:00.000Z', 'a.nc', 'T4 M6', 'abc', ?, '2026-11-24')",
    JSON.stringify({
      units: 'mm',
      tools: [{ t: 4, changes: [{ line: 1 }], h: [], d: [], maxSpindle: null, name: null }],
      warnings: [],
    }),
  )
  const stock = (delta: number, why: string) =>
    put(
      "INSERT INTO stock_move (component_id, delta, why, serial, person_id, at) VALUES ('C1', ?, ?, 'BX1', 'ines', '2026-11-24')",
      delta,
      why,
    )
  stock(5, 'received')
  stock(-2, 'built in')
  stock(1, 'taken back')
  stock(-1, 'scrapped')
  stock(-1, 'counted')
  put(
    "INSERT INTO assembly (serial, t, name, definition_id, definition_version, machine_key, job_id, coupling, state, built_at) VALUES ('BX1', 4, 'End mill', 'D1', 1, 'HERON', 'J1', 'HSK-A63', 'measured', '2026-11-24')",
  )
  return db
}

describe('from the first schema to the second', () => {
  const db = firstSchema()
  migrate(db, MIGRATIONS)
  it('parts are described by their symbols, and pass the check', () => {
    for (const id of ['H1', 'C1']) expect([id, checkComponent({ ...getComponent(db, id)! }).ok]).toEqual([id, true])
    expect(getComponent(db, 'H1')).toMatchObject({
      CCMS: 'HSK-A63',
      DCONWS: 10,
      boreMin: 9.978,
      LPR: 85,
      BD: 24,
      LSCN: 31,
      LSCX: 42,
      WT: 1.05,
      RPMX: 30000,
    })
    expect(getComponent(db, 'C1')).toMatchObject({ NOF: 4, WT: 0.075, DC: 10 })
  })
  it('a definition has a parts list, and the tool built to it its parts', () => {
    const d = getDefinition(db, 'D1')!
    expect(d.parts.map((l) => [l.role, l.component])).toEqual([
      ['holder', 'H1'],
      ['cutter', 'C1'],
    ])
    expect(d).toMatchObject({ edges: 4, measure: ['LF', 'DC'], toolClass: 'finish', route: 'as the machine', LF: DEFINITION.LF })
    expect('holder' in d).toBe(false)
    expect(getAssembly(db, 'BX1')).toMatchObject({
      state: 'measured',
      condition: 'fit',
      parts: [{ component: 'H1', serial: null }, { component: 'C1' }],
    })
  })
  it('stock is the same, as moves between accounts', () => {
    const balance = balanceOf(db, 'C1')
    expect(balance).toEqual({ received: 4, hand: 2, taken: 0, built: 1, scrapped: 1 })
    expect(missing(balance)).toBe(0)
    expect(lyingOf(db, 'C1')).toEqual([{ component: 'C1', place: null, count: 2 }])
  })
  it('a job keeps its program, a machine its key, a holder its heats', () => {
    expect(listJobs(db)[0]).toMatchObject({
      id: 'J1',
      quantity: 1,
      priority: 0,
      state: 'open',
      programs: [{ name: 'a.nc', hash: 'abc' }],
      extra: [],
    })
    expect(getMachine(db, 'HERON')).toMatchObject({ name: 'Heron', studForms: [], greatestKg: null })
    expect(getHolder(db, 'BX1')).toMatchObject({ heats: 14, component: 'H1', carries: true, stud: null })
  })
})
