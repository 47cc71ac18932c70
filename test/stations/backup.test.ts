/** What a shop keeps, as one file and back: made while somebody writes, refused where it is not what it says. */
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pack } from 'tar-stream'
import { afterAll, beforeEach, describe, expect, it } from 'vitest'
import { inTransaction, openDatabase, type Db } from '@/db/connection'
import { migrate, nextMigration } from '@/db/migrate'
import { headsOf } from '@/db/record/heads'
import { verifyChain } from '@/db/record/read'
import { isInUse, readSnapshot, takeSnapshot } from '@/db/snapshot'
import { makeBackup, restoreBackup } from '@/runtime/backup'
import { write } from '@/stations/write'
import { codeOf, MIGRATIONS, START, valueOf } from '../support/tool-room'

const all = mkdtempSync(join(tmpdir(), 'boulder-backup-'))
afterAll(() => rmSync(all, { recursive: true, force: true }))

let count = 0
let folder: string
let db: Db
beforeEach(() => {
  folder = join(all, `shop-${(count += 1)}`)
  mkdirSync(join(folder, 'evidence/BX1'), { recursive: true })
  writeFileSync(join(folder, 'evidence/BX1/2026-11-25T08-00-00-000Z.zip'), 'pictures')
  writeFileSync(join(folder, 'record.heads'), '')
  db = openDatabase(join(folder, 'boulder.sqlite'))
  migrate(db, MIGRATIONS)
  inTransaction(db, (tx) => tx.prepare("INSERT INTO person (id, name, role) VALUES ('ines', 'Ines', 'operator')").run())
})
const work = () => ({ db, now: START, person: { id: 'ines', name: 'Ines', role: 'operator' } as const })
/** Something that stands in the record. */
const note = (sets: number) => valueOf(write(work(), { entry: { code: 'PICTURES_CLEANED', sets, days: 30 } }, () => null))
const file = () => join(all, `backup-${count}.tar`)
const make = () => makeBackup(folder, file(), START, '0.1.0')
const restore = (into = folder) => restoreBackup(file(), into, MIGRATIONS, '2026-11-26T08:00:00.000Z')

describe('a backup', () => {
  it('made while somebody writes holds the record as it was at one moment, whole', async () => {
    const heads = new Map<number, string>()
    const one = () => {
      note(heads.size)
      const { seq, hash } = headsOf(db).record
      heads.set(seq, hash)
    }
    for (let i = 0; i < 50; i++) one()
    let busy = true
    const others = (async () => {
      while (busy) {
        one()
        await new Promise((next) => setImmediate(next))
      }
    })()
    const made = await make().finally(() => (busy = false))
    await others
    db.close()
    const into = join(all, `into-${count}`)
    const back = valueOf(await restore(into))
    expect(back).toMatchObject({ files: 3, replaced: null })
    const restored = openDatabase(join(into, 'boulder.sqlite'))
    const { record } = headsOf(restored)
    expect(record).toEqual(made.head.heads.record)
    expect(record.seq).toBeGreaterThanOrEqual(50)
    expect(record.seq).toBeLessThan(heads.size)
    expect(heads.get(record.seq)).toBe(record.hash)
    expect(verifyChain(restored, () => undefined)).toMatchObject({ whole: true, entries: record.seq })
    expect(readFileSync(join(into, 'evidence/BX1/2026-11-25T08-00-00-000Z.zip'), 'utf8')).toBe('pictures')
    restored.close()
  })
  it('replaces what is there, which stays aside; nothing of the work is left', async () => {
    note(1)
    await make()
    note(2)
    db.close()
    writeFileSync(join(folder, 'evidence/BX1/later.zip'), 'later')
    const { replaced } = valueOf(await restore())
    expect(readdirSync(folder).filter((name) => name.startsWith('.'))).toEqual([])
    expect(existsSync(join(folder, 'evidence/BX1/later.zip'))).toBe(false)
    expect(existsSync(join(replaced!, 'evidence/BX1/later.zip'))).toBe(true)
    const [old, now] = [replaced!, folder].map((at) => {
      const opened = openDatabase(join(at, 'boulder.sqlite'))
      const { seq } = headsOf(opened).record
      opened.close()
      return seq
    })
    expect(old).toBe(now + 1)
  })
  it('replaces a database that is broken, with what it left beside itself', async () => {
    note(1)
    await make()
    db.close()
    writeFileSync(join(folder, 'boulder.sqlite'), 'no database at all'.repeat(300))
    writeFileSync(join(folder, 'boulder.sqlite-wal'), 'what it was at')
    const { replaced } = valueOf(await restore())
    expect(readFileSync(join(replaced!, 'boulder.sqlite'), 'utf8')).toContain('no database at all')
    expect(readdirSync(folder)).not.toContain('boulder.sqlite-wal')
    const restored = openDatabase(join(folder, 'boulder.sqlite'))
    expect(headsOf(restored).record.seq).toBe(1)
    restored.close()
  })
  it('is not put in place under somebody who works', async () => {
    await make()
    expect(isInUse(join(folder, 'boulder.sqlite'))).toBe(true)
    expect(codeOf(await restore())).toBe('IN_USE')
    note(3)
    db.close()
    expect(isInUse(join(folder, 'boulder.sqlite'))).toBe(false)
  })
})

describe('what is no backup, or not a whole one, changes nothing', () => {
  const refused = async () => {
    db.close()
    const before = readFileSync(join(folder, 'boulder.sqlite'))
    const code = codeOf(await restore())
    expect(readFileSync(join(folder, 'boulder.sqlite')).equals(before)).toBe(true)
    expect(readdirSync(folder).sort()).toEqual(['boulder.sqlite', 'evidence', 'record.heads'])
    return code
  }
  it('something else', async () => {
    writeFileSync(file(), 'not an archive'.repeat(400))
    expect(await refused()).toBe('NOT_A_BACKUP')
  })
  it('an empty file', async () => {
    writeFileSync(file(), '')
    expect(await refused()).toBe('NOT_A_BACKUP')
  })
  it.each([0.2, 0.6, 0.95])('cut off after %f of it', async (share) => {
    const { bytes } = await make()
    truncateSync(file(), Math.floor(bytes * share))
    expect(await refused()).toBe('CUT_OFF')
  })
  it('one byte of a picture is another', async () => {
    await make()
    const bytes = readFileSync(file())
    bytes[bytes.indexOf('pictures')] ^= 1
    writeFileSync(file(), bytes)
    expect(await refused()).toBe('CHANGED')
  })
  it.each(['../outside', 'evidence/../../x.zip', '/etc/x', 'evidence/BX1/x.sh', 'session.key'])(
    'a file called %s',
    async (name) => {
      await make()
      const heads = { seq: 0, hash: '0'.repeat(64) }
      const archive = pack()
      archive.entry(
        { name: 'backup.json' },
        JSON.stringify({
          format: 'boulder-backup',
          version: 1,
          madeAt: START,
          program: '0',
          migrations: [],
          heads: { record: heads, seals: heads },
        }),
      )
      archive.entry({ name }, 'x')
      archive.finalize()
      const chunks: Buffer[] = []
      for await (const chunk of archive as AsyncIterable<Buffer>) chunks.push(chunk)
      writeFileSync(file(), Buffer.concat(chunks))
      expect(await refused()).toBe('FOREIGN_FILE')
      expect(existsSync(join(all, 'outside'))).toBe(false)
    },
  )
  it('of a later program', async () => {
    inTransaction(db, (tx) =>
      tx.prepare("INSERT INTO migration (name, hash, at) VALUES ('9999-later.sql', 'x', '2026-11-25T08:00:00.000Z')").run(),
    )
    await make()
    expect(await refused()).toBe('LATER_SCHEMA')
  })
})

describe('a copy of the database', () => {
  it('is one whole file with the record’s end; a broken one is none', async () => {
    note(1)
    const to = join(all, `snapshot-${count}.sqlite`)
    const taken = await takeSnapshot(join(folder, 'boulder.sqlite'), to)
    expect(taken.heads).toEqual(headsOf(db))
    expect(taken.migrations.at(-1)).toMatch(/^\d{4}-.*\.sql$/)
    expect(readSnapshot(to)).toEqual(taken)
    const bytes = readFileSync(to)
    bytes.fill(7, 4096 * 3, 4096 * 9)
    writeFileSync(to, bytes)
    expect(() => readSnapshot(to)).toThrow()
  })
  it('says which migration it needs next, and nothing where it is new or up to date', () => {
    expect(nextMigration(db, MIGRATIONS)).toBeNull()
    const empty = openDatabase(':memory:')
    expect(nextMigration(empty, MIGRATIONS)).toBeNull()
    inTransaction(db, (tx) => tx.prepare('DELETE FROM migration WHERE name = (SELECT max(name) FROM migration)').run())
    expect(nextMigration(db, MIGRATIONS)).toBe(readdirSync(MIGRATIONS).sort().at(-1))
  })
})
