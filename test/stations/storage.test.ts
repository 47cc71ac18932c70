/** The disk and the database's file: what cannot be saved is said, and nothing of it stays. */
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { afterAll, describe, expect, it } from 'vitest'
import { inTransaction, openDatabase, storageFault } from '@/db/connection'
import { migrate } from '@/db/migrate'
import { listRecord } from '@/db/record/read'
import { putFile, withFile, write } from '@/stations/write'
import { dropIn } from '@/runtime/folders'
import { writeNote } from '@/stations/kit/shift'
import { fail, ok } from '@/core/units'
import { codeOf, MIGRATIONS, START, toolRoom, valueOf } from '../support/tool-room'

const folder = mkdtempSync(join(tmpdir(), 'boulder-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

function shopOnDisk(name: string) {
  const file = join(folder, name)
  const db = openDatabase(file)
  migrate(db, MIGRATIONS)
  inTransaction(db, (tx) => tx.prepare("INSERT INTO person (id, name, role) VALUES ('ines', 'Ines', 'operator')").run())
  const work = { db, now: START, person: { id: 'ines', name: 'Ines', role: 'operator' as const } }
  return { file, db, work }
}

describe('a database that somebody else has', () => {
  it('is waited for a moment only: busy, nothing written, and the next try goes through', () => {
    const { file, db, work } = shopOnDisk('locked.sqlite')
    const other = new Database(file)
    other.exec('BEGIN IMMEDIATE')
    expect(codeOf(writeNote(work, 'first'))).toBe('BUSY')
    other.exec('ROLLBACK')
    other.close()
    expect(listRecord(db)).toEqual([])
    valueOf(writeNote(work, 'second'))
    db.close()
  })
})

describe('a disk', () => {
  it('that is full is told as that', () => {
    const { db, work } = shopOnDisk('full.sqlite')
    db.pragma(`max_page_count = ${Number(db.pragma('page_count', { simple: true }))}`)
    const codes = Array.from({ length: 400 }, () => codeOf(writeNote(work, 'x'.repeat(400))))
    expect(codes.at(-1)).toBe('DISK_FULL')
    expect(new Set(codes)).toEqual(new Set(['ok', 'DISK_FULL']))
    db.close()
  })
  it('that cannot be written to is told as that', () => {
    const { db, work } = shopOnDisk('shut.sqlite')
    db.pragma('query_only = ON')
    expect(codeOf(writeNote(work, 'a note'))).toBe('READ_ONLY')
    db.close()
  })
  it.each([
    ['SQLITE_BUSY_SNAPSHOT', 'BUSY'],
    ['ENOSPC', 'DISK_FULL'],
    ['EROFS', 'READ_ONLY'],
    ['SQLITE_CORRUPT', 'BROKEN_FILE'],
    ['ERR_INVALID_ARG_TYPE', null],
  ])('%s means %s', (code, fault) => expect(storageFault(Object.assign(new Error('x'), { code }))).toBe(fault))
})

describe('a file and its entry', () => {
  const full = () => {
    throw Object.assign(new Error('no space'), { code: 'ENOSPC' })
  }
  it('a file that cannot be written is told; any other fault is thrown on', () => {
    expect(codeOf(putFile(full))).toBe('DISK_FULL')
    expect(() =>
      putFile(() => {
        throw new Error('ours')
      }),
    ).toThrow('ours')
  })
  it('is taken away again when it cannot be noted, whether that is refused or thrown', () => {
    let there = 3
    const takeAway = () => void there--
    valueOf(withFile(takeAway, () => ok(null)))
    expect(there).toBe(3)
    expect(codeOf(withFile(takeAway, () => fail({ code: 'BUSY' })))).toBe('BUSY')
    expect(() => withFile(takeAway, full)).toThrow()
    expect(there).toBe(1)
  })
  it('is undone with everything else that a refused transaction did', () => {
    const room = toolRoom()
    const before = listRecord(room.db).length
    const done = write(room.as('ines'), { entry: { code: 'TAKEN_IN', name: 'x' } as never }, () => full())
    expect(codeOf(done)).toBe('DISK_FULL')
    expect(listRecord(room.db)).toHaveLength(before)
  })
})

describe('a machine’s folder', () => {
  const drop = dropIn(join(folder, 'drop'))
  const lying = () => readFileSync(join(folder, 'drop/HERON/T4.nc'), 'utf8')
  it('is as it was when a file could not be noted: empty, or with the file that lay there', () => {
    const first = drop.put('HERON', 'T4.nc', 'first', false)
    expect(lying()).toBe('first')
    if (first !== 'there') first()
    expect(readdirSync(join(folder, 'drop/HERON'))).toEqual([])
    drop.put('HERON', 'T4.nc', 'first', false)
    expect(drop.put('HERON', 'T4.nc', 'second', false)).toBe('there')
    const second = drop.put('HERON', 'T4.nc', 'second', true)
    expect(lying()).toBe('second')
    if (second !== 'there') second()
    expect(lying()).toBe('first')
    expect(readdirSync(join(folder, 'drop/HERON'))).toEqual(['T4.nc'])
  })
})
