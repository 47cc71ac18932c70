/** A data folder that was worked with under schema 6 comes along with everything in it. */
import { copyFileSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { getAssembly, listAssemblies } from '@/db/assembly/read'
import { adapterNow, lastCheck, listMasters } from '@/db/bench/read'
import { buildOn } from '@/db/build/read'
import { inTransaction, openDatabase } from '@/db/connection'
import { currentHandover, listHandovers } from '@/db/handover/read'
import { getJob, listJobs } from '@/db/job/read'
import { getDefinition, listComponents, listHolders } from '@/db/library/read'
import { getLoadRun } from '@/db/load/read'
import { getMachine, getPostTemplate, listMachines } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'
import { migrate } from '@/db/migrate'
import { chainUp } from '@/db/record/chain'
import { listRecord, verifyChain } from '@/db/record/read'
import { readNetted } from '@/stations/kit/inventory'
import { readLoad } from '@/stations/load/load-sheet'
import { readPassport } from '@/stations/records/passport'
import { readInside } from '@/stations/return/inside'
import { MIGRATIONS, TestControl } from '../support/tool-room'

const NOW = '2026-11-28T12:00:00.000Z'

function used() {
  const file = join(mkdtempSync(join(tmpdir(), 'boulder-used-')), 'boulder.sqlite')
  copyFileSync(join(import.meta.dirname, '../fixtures/used-schema-6.sqlite'), file)
  const db = openDatabase(file)
  migrate(db, MIGRATIONS)
  inTransaction(db, chainUp)
  return db
}

describe('a used data folder', () => {
  const db = used()
  it('has its record whole, and nothing of it is missing', () => {
    expect(verifyChain(db)).toMatchObject({ whole: true, entries: 52 })
    expect(listRecord(db)).toHaveLength(52)
    expect(listRecord(db, { what: 'unloaded' })[0]).toMatchObject({ serial: 'BX00143', machine: 'HERON' })
  })
  it('has its tools where they were, in their states, with what was measured and handed over', () => {
    expect(Object.fromEntries(listAssemblies(db).map((a) => [a.serial, a.state]))).toEqual({
      BX00141: 'built',
      BX00143: 'built',
      BX00144: 'released',
      BX00145: 'built',
      BX00147: 'measured',
      BX00157: 'released',
    })
    expect(getAssembly(db, 'BX00141')).toMatchObject({ condition: 'broken', t: 12 })
    expect(lastMeasurement(db, getAssembly(db, 'BX00147')!.id)).toMatchObject({ source: 'typed', verdict: 'off' })
    expect(listHandovers(db, 'BX00157').map((h) => [h.values.issue, h.voidReason])).toEqual(
      expect.arrayContaining([
        [1, { code: 'SAID', text: 'taken back: wrong pocket' }],
        [2, null],
      ]),
    )
    expect(currentHandover(db, 'BX00145')).toBeNull()
  })
  it('goes on with the build and the load that were under way', async () => {
    expect(buildOn(db, 'BX00142')).toMatchObject({ job: 'HP-2207', t: 12, done: ['shank', 'clean', 'stop', 'coil'] })
    expect(getLoadRun(db, 'BX00144')).toMatchObject({ machine: 'HERON', pocket: 1, t: 4, sent: false })
    const sheet = await readLoad(db, new TestControl(), { serial: 'BX00144' }, NOW)
    expect(sheet.run?.overruled).toMatchObject([{ rule: 'balance' }])
  })
  it('has its library, its machines with their own post and limits, its jobs and its bench', () => {
    expect(getDefinition(db, 'D-0031')).toMatchObject({ version: 2, lifeMin: 90 })
    expect(getMachine(db, 'HERON')).toMatchObject({ post: 'heron-own', limits: { measuredDays: 10, may: { mass: 'anyone' } } })
    expect(getPostTemplate(db, 'heron-own')).toContain('HOLLOWBECK')
    expect(listMachines(db)).toHaveLength(5)
    expect(listComponents(db).length).toBeGreaterThan(50)
    expect(listHolders(db).length).toBeGreaterThan(10)
    expect(getJob(db, 'NOW-1')).toMatchObject({ priority: 9, urgentFor: 'BX00141', state: 'open' })
    expect(getJob(db, 'HP-4102')).toMatchObject({ state: 'cancelled' })
    expect(adapterNow(db)?.coupling).toBe('SK 40')
    expect(lastCheck(db)).toMatchObject({ coupling: 'HSK-A63' })
    expect(listMasters(db).length).toBeGreaterThan(1)
  })
  it('is read by every sheet', async () => {
    const { tools } = readNetted(db, NOW)
    expect([...tools.keys()].sort()).toEqual(
      listJobs(db)
        .filter((job) => job.state === 'open')
        .map((job) => job.id)
        .sort(),
    )
    for (const { serial } of listHolders(db)) expect(readPassport(db, serial)).not.toBeNull()
    expect(await readInside(db, new TestControl(), 'BX00143')).toBeNull()
  })
})
