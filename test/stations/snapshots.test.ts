/** Copies of the database while the shop works: one an hour, thinned out; and one before its tables are changed. */
import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeEach, expect, it } from 'vitest'
import { fail } from '@/core/units'
import { openDatabase, type Db } from '@/db/connection'
import { migrate } from '@/db/migrate'
import { headsOf } from '@/db/record/heads'
import { readSnapshot, trySnapshot } from '@/db/snapshot'
import { copyBefore, snapshotsIn } from '@/runtime/snapshots'
import { codeOf, MIGRATIONS, START, valueOf } from '../support/tool-room'

const all = mkdtempSync(join(tmpdir(), 'boulder-snapshots-'))
afterAll(() => rmSync(all, { recursive: true, force: true }))
const HOUR = 3_600_000
const NOW = Date.parse(START)

let count = 0
let db: Db
let file: string
let folder: string
beforeEach(() => {
  const shop = join(all, String((count += 1)))
  mkdirSync(shop)
  file = join(shop, 'boulder.sqlite')
  folder = join(shop, 'backups')
  db = openDatabase(file)
  migrate(db, MIGRATIONS)
})

it('one is due at once and then every hour; each is the database as it was', async () => {
  const kept = snapshotsIn(folder, file, trySnapshot)
  expect([kept.isDue(NOW), kept.list()]).toEqual([true, []])
  const one = valueOf(await kept.take(NOW))
  expect([one.atMs, one.before, one.bytes > 10_000]).toEqual([NOW, null, true])
  expect([kept.isDue(NOW + HOUR - 1), kept.isDue(NOW + HOUR)]).toEqual([false, true])
  // a clock that was set back does not keep it from taking one
  expect(kept.isDue(NOW - HOUR)).toBe(true)
  expect(readSnapshot(one.file).heads).toEqual(headsOf(db))
  expect(readdirSync(folder)).toEqual(['2026-11-25T08-00-00Z.sqlite'])
})
it('hundred days of them come down to what is kept; nothing else in the folder is touched', async () => {
  mkdirSync(folder)
  writeFileSync(join(folder, 'boulder-2026-01-01T00-00-00.tar'), 'a backup by hand')
  for (let hours = 100 * 24; hours > 0; hours -= 5)
    writeFileSync(join(folder, `${new Date(NOW - hours * HOUR).toISOString().slice(0, 19).replace(/:/g, '-')}Z.sqlite`), '')
  const kept = snapshotsIn(folder, file, trySnapshot)
  valueOf(await kept.take(NOW))
  expect(kept.list().length).toBeLessThanOrEqual(24 + 14 + 8)
  expect(kept.list().length).toBeGreaterThan(20)
  expect(readdirSync(folder)).toContain('boulder-2026-01-01T00-00-00.tar')
})
it('one that fails is told, and leaves nothing half done', async () => {
  const kept = snapshotsIn(folder, file, () => Promise.resolve(fail('DISK_FULL' as const)))
  expect(await kept.take(NOW)).toEqual(fail('DISK_FULL'))
  expect([kept.list(), kept.isDue(NOW)]).toEqual([[], true])
  // a database that is none
  writeFileSync(join(all, 'none.sqlite'), 'no database'.repeat(500))
  expect(await trySnapshot(join(all, 'none.sqlite'), join(all, 'copy.sqlite'))).toEqual(fail('BROKEN_FILE'))
  expect(readdirSync(all).filter((name) => name.startsWith('copy'))).toEqual([])
})
it('what a process that died was at is cleared away; a folder that is none is told, and only looked at it makes nothing', async () => {
  const kept = snapshotsIn(folder, file, trySnapshot)
  expect([kept.list(), existsSync(folder)]).toEqual([[], false])
  mkdirSync(folder)
  for (const end of ['.part', '.part-journal']) writeFileSync(join(folder, `2026-11-25T06-00-00Z.sqlite${end}`), 'half')
  valueOf(await kept.take(NOW))
  expect(readdirSync(folder)).toEqual(['2026-11-25T08-00-00Z.sqlite'])
  const blocked = join(all, `${count}-file`)
  writeFileSync(blocked, '')
  expect(
    codeOf(
      await snapshotsIn(join(blocked, 'backups'), file, trySnapshot)
        .take(NOW)
        .then((t) => (t.ok ? t : fail({ code: t.error }))),
    ),
  ).toBe('READ_ONLY')
})
it('the last five from before a change are kept, and do not count as this hour’s', async () => {
  for (let i = 1; i <= 7; i++) copyBefore(db, folder, `000${i}-change.sql`, NOW - (8 - i) * 60_000)
  const kept = snapshotsIn(folder, file, trySnapshot)
  expect(kept.isDue(NOW)).toBe(true)
  valueOf(await kept.take(NOW))
  expect(kept.list().map(({ before }) => before)).toEqual([null, '0007', '0006', '0005', '0004', '0003'])
  expect(readSnapshot(kept.list()[1].file).heads).toEqual(headsOf(db))
})
